/** The colour of what lies around a figure, as core/src/Page/Pass/Surroundings.php mixes it. */
import type { SurroundingsData } from '../api/generated';
import { fitted, toOklab } from './oklab';
import { hexOf } from './oklch';
import type { Flat } from './stack';

/**
 * The mean in Oklab of the base colours of regions, each by its share. One that is gone or unfilled does not count;
 * null: none of them has a colour.
 */
export function colourAround(around: SurroundingsData, flats: ReadonlyMap<number, Flat>): string | null {
    let [l, a, b, sum] = [0, 0, 0, 0];
    for (const [label, share] of around) {
        const base = flats.get(label)?.tones.base;
        if (base === undefined) continue;
        const lab = toOklab(base);
        l += share * lab[0];
        a += share * lab[1];
        b += share * lab[2];
        sum += share;
    }
    return sum === 0 ? null : hexOf(fitted([l / sum, a / sum, b / sum]));
}
