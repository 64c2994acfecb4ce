/** How light and how strong a colour is, for the eye. */
import { toLinear, toOklab } from './oklab';
import type { Colour } from './colour';

/** CIE L* of a colour, 0..100 (CIE 15, D65 as sRGB has it). */
export function lightnessOf(colour: Colour): number {
    const [r, g, b] = toLinear(colour);
    const y = 0.2126 * r + 0.7152 * g + 0.0722 * b;
    return y > 216 / 24389 ? 116 * Math.cbrt(y) - 16 : (24389 / 27) * y;
}

export function chromaOf(colour: Colour): number {
    const [, a, b] = toOklab(colour);
    return Math.hypot(a, b);
}

/** Flats leave room for light above and shadow below them. The bounds are our choice. */
const BRIGHTEST = 88;
const DARKEST = 20;
const STRONGEST = 0.2;

/** What is wrong with a colour as a flat, in words; null when nothing is. */
export function outOfRange(base: Colour): string | null {
    const l = lightnessOf(base);
    if (l > BRIGHTEST) return `L* ${Math.round(l)}: ${Math.round(l - BRIGHTEST)} too bright to leave room for light.`;
    if (l < DARKEST) return `L* ${Math.round(l)}: ${Math.round(DARKEST - l)} too dark to leave room for shadow.`;
    const strength = chromaOf(base);
    if (strength > STRONGEST)
        return `So strong a colour (${Math.round((100 * strength) / STRONGEST)} %) leaves no room for light.`;
    return null;
}
