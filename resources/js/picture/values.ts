/** How light a page's flats are, material by material. */
import type { RecordsState } from '../api/generated';
import type { Colour } from './colour';
import { lightnessOf } from './lightness';
import type { Flat } from './stack';

export interface FlatValue {
    lightness: number;
    area: number;
}

/**
 * The filled areas of one figure and of all others, darkest first; without a figure all are others.
 *
 * @param colourOf what a region looks like; its base where nothing else is said
 */
export function figuresOf(
    regions: RecordsState['region'],
    flats: Map<number, Flat>,
    figure: number | null,
    colourOf: (label: number, flat: Flat) => Colour = (_, flat) => flat.tones.base,
): { ours: FlatValue[]; others: FlatValue[] } {
    const found = [new Map<number, number>(), new Map<number, number>()];
    for (const [label, flat] of flats) {
        const areas = found[flat.figure === figure ? 0 : 1];
        const colour = colourOf(label, flat);
        areas.set(colour, (areas.get(colour) ?? 0) + (regions[label]?.area ?? 0));
    }
    const [ours, others] = found.map((areas) =>
        [...areas]
            .map(([colour, area]) => ({ lightness: lightnessOf(colour), area }))
            .sort((a, b) => a.lightness - b.lightness),
    );
    return { ours, others };
}
