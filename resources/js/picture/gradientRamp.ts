/** The colours of a gradient by their place between its ends, as core/src/Colour/GradientRamp.php works them out. */
import type { GradientData, GradientStopData } from '../api/generated';
import { asShare, toColour, unitOf, type Triple } from './colour';
import { madeOnce } from './madeOnce';
import { fromOklab, toOklab } from './oklab';

/** Places along the way that are worked out; a place is looked up at the nearest of these and one more. */
export const STEPS = 4096;

interface Part {
    colour: Triple;
    alpha: number;
}

/** Red, green, blue and alpha of each place, 0..4080: bytes in sixteenths, so that a threshold can be added to them. */
export const gradientRamp = madeOnce(({ stops, space }: GradientData): Uint16Array => {
    const isOklab = space === 'oklab';
    const parts = stops.map(({ colour, alpha }) => ({
        colour: isOklab ? toOklab(toColour(colour)) : unitOf(toColour(colour)),
        alpha,
    }));
    const table = new Uint16Array(4 * (STEPS + 1));
    const last = stops.length - 1;
    for (let step = 0, i = 0; step <= STEPS; step++) {
        const at = step / STEPS;
        while (i < last && at >= stops[i + 1].at) i++;
        const isOutside = i === last || at < stops[0].at;
        const { colour, alpha } = isOutside ? parts[i] : between(parts[i], parts[i + 1], shareOf(stops, i, at));
        [...(isOklab ? fromOklab(colour) : colour), alpha].forEach((value, part) => {
            table[4 * step + part] = Math.floor(16 * 255 * asShare(value) + 0.5);
        });
    }
    return table;
});

const shareOf = (stops: readonly GradientStopData[], i: number, at: number): number =>
    (at - stops[i].at) / (stops[i + 1].at - stops[i].at);

/** Mixed premultiplied; where nothing is left of it, its colour is that of the nearer stop. */
function between(a: Part, b: Part, share: number): Part {
    const alpha = a.alpha + (b.alpha - a.alpha) * share;
    if (alpha <= 0) return { colour: share < 0.5 ? a.colour : b.colour, alpha };
    const mixed = (part: number): number =>
        (a.colour[part] * a.alpha + (b.colour[part] * b.alpha - a.colour[part] * a.alpha) * share) / alpha;
    return { colour: [mixed(0), mixed(1), mixed(2)], alpha };
}
