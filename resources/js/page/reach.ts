import type { RecordsState, RegionData } from '../api/generated';

/** The regions a pass's clip lets paint into, and of these the wanted ones; null: everywhere. As in the core. */
export function reachOf(records: RecordsState, pass: string, inside: readonly number[]): number[] | null {
    const { kind, id } = records.pass[pass]?.scope ?? { kind: 'page', id: 0 };
    if (kind === 'page' || kind === 'ink') return inside.length === 0 ? null : [...inside];
    const isMeant = (region: RegionData): boolean =>
        kind === 'figure' ? region.figure === id : region.material === id;
    return Object.keys(records.region)
        .map(Number)
        .filter((label) => isMeant(records.region[label]) && (inside.length === 0 || inside.includes(label)));
}
