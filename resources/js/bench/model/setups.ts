/** What setups hold, and what hangs from them. */
import { ROUGH_KINDS, type PassData, type RoughKind, type SetupPass, type SetupState } from '../../api/generated';
import { roughId } from '../../page/target';

/**
 * @param marks what is painted in it; of what a first light fills it is left out
 * @param rough what a first light fills it with; null: it does not
 */
export const asSetup = (
    { name, content, mode, opacity, turn }: PassData,
    marks: string | null,
    rough: RoughKind | null = null,
): SetupPass => ({
    name,
    content,
    mode,
    opacity,
    turn,
    marks: rough === null ? marks : null,
    rough,
});

/** Which pass of a figure's first light it is. */
export const roughKind = (id: string, figure: number): RoughKind | null =>
    ROUGH_KINDS.find((kind) => roughId(figure, kind) === id) ?? null;

/** The passes that were hung from a setup, as one: where it hangs more than once, on the picked material first. */
export function hungFrom(passes: [string, PassData][], setup: number, material: number): [string, PassData][] {
    const all = passes.filter(([, pass]) => pass.setup?.setup === setup);
    const isOn = ([, { scope }]: [string, PassData]): boolean => scope.kind === 'material' && scope.id === material;
    const [, first] = all.find(isOn) ?? all[0] ?? [];
    return all.filter(([, pass]) => first !== undefined && isHungAs(pass, first));
}

/** On the same, and where a setup was painted in regions, in the same ones. */
const isHungAs = ({ scope, setup }: PassData, other: PassData): boolean =>
    scope.kind === other.scope.kind &&
    scope.id === other.scope.id &&
    String(setup?.marked) === String(other.setup?.marked);

/** What hangs on the same as the passes of a setup, and may become part of it: it is part of none. */
export function besides(passes: [string, PassData][], [[, one]]: [string, PassData][]): [string, PassData][] {
    return passes.filter(
        ([, { setup, scope }]) => setup === null && scope.kind === one.scope.kind && scope.id === one.scope.id,
    );
}

/**
 * A setup as what hangs from it has become. Each pass stays in its place, in which it hangs elsewhere, too: whatever
 * the order here; one that was taken down here is as it was.
 *
 * @param marks what is painted by now in some of them
 */
export const changedTo = (
    { passes }: SetupState,
    hung: [string, PassData][],
    marks: ReadonlyMap<string, string | null> = new Map(),
): SetupPass[] =>
    passes.map((kept, place) => {
        const [id, here] = hung.find(([, { setup }]) => setup?.place === place) ?? [];
        if (here === undefined || id === undefined) return kept;
        const painted = marks.get(id);
        return asSetup(here, painted === undefined ? kept.marks : painted, kept.rough);
    });

/** Where a setup that hangs here was painted, and the passes that were. */
export function painted(hung: [string, PassData][]): { ids: string[]; labels: number[] } {
    const ids = hung.filter(([, { setup }]) => (setup?.marked.length ?? 0) > 0).map(([id]) => id);
    return { ids, labels: hung.find(([id]) => id === ids[0])?.[1].setup?.marked ?? [] };
}
