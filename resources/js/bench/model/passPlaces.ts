/** Where passes hang among those of their figure: bottom up, as the list has them. */
import type { PassData, PassPlaceData } from '../../api/generated';

export type Hung = [id: string, pass: PassData];
export type Place = Pick<PassData, 'order'> & Partial<Pick<PassData, 'group'>>;

const EDGE = 'edge of ';

/**
 * The edge of a group lies under its last pass; by it the whole group is dragged. This is its name among what is
 * dragged.
 */
export const edgeOf = (group: string): string => EDGE + group;

/** The group whose edge is dragged; null: it is a pass. */
export const groupOfEdge = (item: string | number): string | null =>
    String(item).startsWith(EDGE) ? String(item).slice(EDGE.length) : null;

/** Whether a pass is the last of its group. */
export const endsGroup = (passes: Hung[], index: number): boolean =>
    passes[index][1].group !== null && passes[index + 1]?.[1].group !== passes[index][1].group;

/** The pass that something is dropped on; on an edge it is the last of the group. */
export function passUnder(passes: Hung[], item: string | number): string {
    const group = groupOfEdge(item);
    return group === null ? String(item) : (passes.findLast(([, pass]) => pass.group === group)?.[0] ?? '');
}

/** Passes inside figures, in the ink and over the page lie in different places. */
export const placeOf = ({ scope }: PassData): string => (scope.kind === 'material' ? 'figure' : scope.kind);

/**
 * What brings a pass to where another is. Between two of a group it becomes one of them; where no other of its own
 * group is beside it, it is none of that any more.
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

/**
 * What brings a whole group to where another pass is, its own passes in the order they have. It does not come between
 * two of another group, but hangs beyond that.
 *
 * @return empty when it is there already
 */
export function groupPlace(passes: Hung[], group: string, onto: string): PassPlaceData[] {
    const first = passes.findIndex(([, pass]) => pass.group === group);
    const to = passes.findIndex(([id]) => id === onto);
    const target = passes[to]?.[1];
    if (first < 0 || target === undefined || target.group === group) return [];
    const isMeant = ([id, pass]: Hung): boolean => (target.group === null ? id === onto : pass.group === target.group);
    const rest = passes.filter(([, pass]) => pass.group !== group);
    const isDown = to < first;
    const at = isDown ? rest.findIndex(isMeant) : rest.findLastIndex(isMeant) + 1;
    const members = passes.filter(([, pass]) => pass.group === group);
    const [below, above] = [rest[at - 1]?.[1].order, rest[at]?.[1].order];
    const from = below ?? (above ?? 0) - members.length - 1;
    const step = below === undefined || above === undefined ? 1 : (above - below) / (members.length + 1);
    return members.map(([id], i) => ({ id, order: from + step * (i + 1) }));
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
    if (beside[0] !== null && beside[0] === beside[1])
        return below !== undefined && placeOf(below) === placeOf(moved) ? beside[0] : null;
    return beside.includes(moved.group) ? moved.group : null;
}
