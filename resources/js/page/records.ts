/** A page's records, and what others or the server made of them. */
import type { PaletteState, RecordNow, RecordsState } from '../api/generated';

/** The records with some of them changed or taken away; kinds that are not among them stay the same objects. */
export function withRecords(records: RecordsState, changed: RecordNow[]): RecordsState {
    const next = { ...records } as unknown as Record<string, Record<string, unknown>>;
    const fresh = new Set<string>();
    for (const [kind, key, data] of changed) {
        if (!fresh.has(kind)) {
            fresh.add(kind);
            next[kind] = { ...next[kind] };
        }
        if (data === null) delete next[kind][key];
        else next[kind][key] = data;
    }
    return next as unknown as RecordsState;
}

export function unfilled(records: RecordsState): [string, RecordsState['region'][string]][] {
    return Object.entries(records.region).filter(([, region]) => region.material === 0);
}

/** The regions filled with materials by label; what is not among them stays as it is. */
export function filledAs(
    regions: RecordsState['region'],
    materials: Record<string, number>,
    palette: PaletteState,
): RecordsState['region'] {
    const figures = new Map(
        palette.figures.flatMap((figure) => figure.materials.map(({ id }) => [id, figure.id] as const)),
    );
    const filled = { ...regions };
    for (const [label, material] of Object.entries(materials)) {
        if (filled[label] !== undefined)
            filled[label] = { ...filled[label], material, figure: figures.get(material) ?? 0 };
    }
    return filled;
}
