/** The colour of what lies around a figure, as core/src/Page/Pass/Surroundings.php mixes it. */
import type { SurroundingsData } from '../api/generated';
import type { Colour } from './colour';
import { fitted, toOklab } from './oklab';

/**
 * The mean in Oklab of the colours of regions, each by its share; null: none of them has one.
 *
 * @param colour of a label; undefined: it is gone or unfilled, and does not count
 */
export function mixed(around: SurroundingsData, colour: (label: number) => Colour | undefined): Colour | null {
    let [l, a, b, sum] = [0, 0, 0, 0];
    for (const [label, share] of around) {
        const found = colour(label);
        if (found === undefined) continue;
        const lab = toOklab(found);
        l += share * lab[0];
        a += share * lab[1];
        b += share * lab[2];
        sum += share;
    }
    return sum === 0 ? null : fitted([l / sum, a / sum, b / sum]);
}
