/** Oklab (Ottosson 2020) to and from sRGB; what sRGB cannot show loses chroma until it can, as in the core. */
import { unitOf, type Colour, type Triple } from './colour';

/** Half a step of 8 bits. */
const SLACK = 0.5 / 255;
const STEPS = 16;

/** The colour of the same lightness and hue that sRGB can show. */
export function fitted([l, a, b]: Triple): Colour {
    const at = (share: number): Triple => fromOklab([l, share * a, share * b]);
    if (isShown(at(1))) return packed(at(1));
    let [low, high] = [0, 1];
    for (let step = 0; step < STEPS; step++) {
        const middle = (low + high) / 2;
        if (isShown(at(middle))) low = middle;
        else high = middle;
    }
    return packed(at(low));
}

/** Whether sRGB can show it. */
export const isInGamut = (lab: Triple): boolean => isShown(fromOklab(lab));

const isShown = (parts: Triple): boolean => parts.every((part) => part >= -SLACK && part <= 1 + SLACK);

const packed = (parts: Triple): Colour =>
    parts.reduce((colour, part) => colour * 256 + Math.max(0, Math.min(255, Math.round(part * 255))), 0);

export function decode(value: number): number {
    return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
}

export function encode(value: number): number {
    const size = Math.abs(value);
    return Math.sign(value) * (size <= 0.0031308 ? size * 12.92 : 1.055 * size ** (1 / 2.4) - 0.055);
}

export function toLinear(colour: Colour): Triple {
    const [r, g, b] = unitOf(colour);
    return [decode(r), decode(g), decode(b)];
}

export function toOklab(colour: Colour): Triple {
    const [r, g, b] = toLinear(colour);
    const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
    const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
    const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
    return [
        0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
        1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
        0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
    ];
}

/** As sRGB codes it, 0..1; outside of that where sRGB cannot show it. */
export function fromOklab([light, a, b]: Triple): Triple {
    const l = (light + 0.3963377774 * a + 0.2158037573 * b) ** 3;
    const m = (light - 0.1055613458 * a - 0.0638541728 * b) ** 3;
    const s = (light - 0.0894841775 * a - 1.291485548 * b) ** 3;
    return [
        encode(4.0767416621 * l - 3.3077115913 * m + 0.2309699292 * s),
        encode(-1.2684380046 * l + 2.6097574011 * m - 0.3413193965 * s),
        encode(-0.0041960863 * l - 0.7034186147 * m + 1.707614701 * s),
    ];
}
