/** What setups hold, and what hangs from them. */
import type { PassData, SetupPass, SetupState } from '../../api/generated';

export const asSetup = ({ name, kind, tone, colour, follows, mode, opacity, turn }: PassData, marks: string | null): SetupPass => ({
    name,
    kind,
    tone,
    colour,
    follows,
    mode,
    opacity,
    turn,
    marks,
});

/** The passes that were hung from a setup, as one: where it hangs more than once, on the picked material first. */
export function hungFrom(passes: PassData[], setup: number, material: number): PassData[] {
    const all = passes.filter((pass) => pass.setup?.setup === setup);
    const isOn = ({ scope }: PassData): boolean => scope.kind === 'material' && scope.id === material;
    const first = all.find(isOn) ?? all[0];
    return all.filter(({ scope }) => scope.kind === first.scope.kind && scope.id === first.scope.id);
}

/**
 * A setup as what hangs from it has become. Each pass stays in its place, in which it hangs elsewhere, too: whatever the
 * order here; one that was taken down here is as it was.
 */
export const changedTo = ({ passes }: SetupState, hung: PassData[]): SetupPass[] =>
    passes.map((kept, place) => {
        const here = hung.find(({ setup }) => setup?.place === place);
        return here === undefined ? kept : asSetup(here, kept.marks);
    });
