/** Records as a change will leave them: what the kinds of change have in common. */
import type { LaidPaint, NewPass } from '../../api/client';
import type { DrawingValues, GroupData, MaterialState, PassData, RecordsState, RegionData } from '../../api/generated';
import type { PageView } from '../store';
import { asMade } from '../target';

type Shown = Partial<RecordsState>;

/** What a region is filled with; null: nothing. */
export const filledWith = (material: MaterialState | null): { figure: number; material: number } => ({
    figure: material?.figure ?? 0,
    material: material?.id ?? 0,
});

export const regionsOf = ({ labels }: { labels: number[] }): string[] => labels.map((label) => `region ${label}`);

export const passesOf = (ids: string[]): string[] => ids.map((id) => `pass ${id}`);

export const passOf = ({ id }: { id: string }): string[] => passesOf([id]);

/** The pass that is hung by painting in it. */
export const madeBy = ({ make, pass }: Pick<LaidPaint, 'make' | 'pass'>): string[] =>
    make === null ? [] : [`pass ${pass}`];

export function withRegions(
    { records }: PageView,
    labels: number[],
    values: Partial<RegionData> | ((was: RegionData) => Partial<RegionData>),
): Shown {
    const region = { ...records.region };
    const become = typeof values === 'function' ? values : () => values;
    for (const label of labels)
        if (region[label] !== undefined) region[label] = { ...region[label], ...become(region[label]) };
    return { region };
}

/** Each pass with its own new values; what is not on the page stays away. */
export function withPasses({ records }: PageView, changes: [string, Partial<PassData>][]): Shown {
    const pass = { ...records.pass };
    for (const [id, values] of changes) if (pass[id] !== undefined) pass[id] = { ...pass[id], ...values };
    return { pass };
}

/** A pass before the server has heard of it. */
export function withNewPass({ records, rules }: PageView, id: string, make: NewPass | null): Shown {
    if (make === null || records.pass[id] !== undefined) return {};
    return { pass: { ...records.pass, [id]: asMade(rules, records, make) } };
}

export function without<Kind extends 'pass' | 'drawing'>({ records }: PageView, kind: Kind, id: string): Shown {
    const left = { ...records[kind] };
    delete left[id];
    return { [kind]: left };
}

export function withGroup({ records }: PageView, id: string, how: GroupData | null): Shown {
    return how === null || records.group[id] === undefined ? {} : { group: { ...records.group, [id]: how } };
}

export function withDrawing({ records }: PageView, id: string, values: DrawingValues): Shown {
    const { drawing } = records;
    return drawing[id] === undefined ? {} : { drawing: { ...drawing, [id]: { ...drawing[id], ...values } } };
}
