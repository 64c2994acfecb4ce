/** How light a page's flats are, material by material. */
import type { RecordsState } from '../api/generated';
import { lightnessOf } from './lightness';
import type { Flat } from './stack';

export interface FlatValue {
    lightness: number;
    area: number;
}

/** The filled areas of one figure and of all others, darkest first; without a figure all are others. */
export function figuresOf(
    regions: RecordsState['region'],
    flats: Map<number, Flat>,
    figure: number | null,
): { ours: FlatValue[]; others: FlatValue[] } {
    const found = [new Map<number, number>(), new Map<number, number>()];
    for (const [label, flat] of flats) {
        const areas = found[flat.figure === figure ? 0 : 1];
        areas.set(flat.tones.base, (areas.get(flat.tones.base) ?? 0) + (regions[label]?.area ?? 0));
    }
    const [ours, others] = found.map((areas) =>
        [...areas]
            .map(([colour, area]) => ({ lightness: lightnessOf(colour), area }))
            .sort((a, b) => a.lightness - b.lightness),
    );
    return { ours, others };
}
