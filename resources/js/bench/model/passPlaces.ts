/** Where passes hang among those of their figure: bottom up, as the list has them. */
import type { PassData } from '../../api/generated';

export type Hung = [id: string, pass: PassData];
export type Place = Pick<PassData, 'order'> & Partial<Pick<PassData, 'group'>>;

/** Passes inside figures, in the ink and over the page lie in different places. */
export const placeOf = ({ scope }: PassData): string => (scope.kind === 'material' ? 'figure' : scope.kind);

/**
 * What brings a pass to where another is. Between two of a group it becomes one of them; where no other of its own group
 * is beside it, it is none of that any more.
 *
 * @return null when it is there already
 */
export function placeBetween(passes: Hung[], moved: string, onto: string): Place | null {
    const from = passes.findIndex(([id]) => id === moved);
    const to = passes.findIndex(([id]) => id === onto);
    if (from === to || from < 0 || to < 0) return null;
    const rest = passes.filter(([id]) => id !== moved);
    const [below, above] = [rest[to - 1]?.[1], rest[to]?.[1]];
    const order = orderBetween(below, above);
    const group = groupBetween(passes[from][1], below, above);
    return group === passes[from][1].group ? { order } : { order, group };
}

/** What takes a pass out of its group: it hangs over the rest of that. */
export function placeOutside(passes: Hung[], id: string): Place {
    const group = passes.find(([one]) => one === id)?.[1].group;
    const rest = passes.filter(([one]) => one !== id);
    const last = rest.reduce((found, [, pass], i) => (pass.group === group ? i : found), -1);
    return { order: orderBetween(rest[last]?.[1], rest[last + 1]?.[1]), group: null };
}

function orderBetween(below: PassData | undefined, above: PassData | undefined): number {
    if (below === undefined) return (above?.order ?? 1) - 1;
    return above === undefined ? below.order + 1 : (below.order + above.order) / 2;
}

function groupBetween(moved: PassData, below: PassData | undefined, above: PassData | undefined): string | null {
    const beside = [below, above].map((pass) => pass?.group ?? null);
    if (beside[0] !== null && beside[0] === beside[1]) return below !== undefined && placeOf(below) === placeOf(moved) ? beside[0] : null;
    return beside.includes(moved.group) ? moved.group : null;
}
