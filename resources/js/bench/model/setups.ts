/** What setups hold, and what hangs from them. */
import { ROUGH_KINDS, type PassData, type RoughKind, type SetupPass, type SetupState } from '../../api/generated';
import { roughId } from '../../page/target';

/** @param rough what a first light fills it with; null: it does not */
export const asSetup = (
    { name, kind, tone, colour, follows, mode, opacity, turn }: PassData,
    marks: string | null,
    rough: RoughKind | null = null,
): SetupPass => ({
    name,
    kind,
    tone,
    colour,
    follows,
    mode,
    opacity,
    turn,
    marks,
    rough,
});

/** Which pass of a figure's first light it is. */
export const roughKind = (id: string, figure: number): RoughKind | null => ROUGH_KINDS.find((kind) => roughId(figure, kind) === id) ?? null;

/** The passes that were hung from a setup, as one: where it hangs more than once, on the picked material first. */
export function hungFrom(passes: PassData[], setup: number, material: number): PassData[] {
    const all = passes.filter((pass) => pass.setup?.setup === setup);
    const isOn = ({ scope }: PassData): boolean => scope.kind === 'material' && scope.id === material;
    const first = all.find(isOn) ?? all[0];
    return all.filter(({ scope }) => scope.kind === first.scope.kind && scope.id === first.scope.id);
}

/** What hangs on the same as the passes of a setup, and may become part of it: it is part of none. */
export function besides(passes: [string, PassData][], [one]: PassData[]): [string, PassData][] {
    return passes.filter(([, { setup, scope }]) => setup === null && scope.kind === one.scope.kind && scope.id === one.scope.id);
}

/**
 * A setup as what hangs from it has become. Each pass stays in its place, in which it hangs elsewhere, too: whatever the
 * order here; one that was taken down here is as it was.
 */
export const changedTo = ({ passes }: SetupState, hung: PassData[]): SetupPass[] =>
    passes.map((kept, place) => {
        const here = hung.find(({ setup }) => setup?.place === place);
        return here === undefined ? kept : asSetup(here, kept.marks, kept.rough);
    });
