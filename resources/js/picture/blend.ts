/** The blend modes of W3C Compositing and Blending Level 1 and plus-lighter, as the core computes them; for preview. */
import type { BlendMode } from '../api/generated';
import type { Triple } from './colour';

const hardLight = (b: number, s: number): number => (s <= 0.5 ? b * 2 * s : b + (2 * s - 1) - b * (2 * s - 1));

function softLight(b: number, s: number): number {
    if (s <= 0.5) return b - (1 - 2 * s) * b * (1 - b);
    const d = b <= 0.25 ? ((16 * b - 12) * b + 4) * b : Math.sqrt(b);
    return b + (2 * s - 1) * (d - b);
}

const CHANNEL: Partial<Record<BlendMode, (b: number, s: number) => number>> = {
    normal: (_b, s) => s,
    multiply: (b, s) => b * s,
    screen: (b, s) => b + s - b * s,
    overlay: (b, s) => hardLight(s, b),
    darken: Math.min,
    lighten: Math.max,
    'color-dodge': (b, s) => (b === 0 ? 0 : s >= 1 ? 1 : Math.min(1, b / (1 - s))),
    'color-burn': (b, s) => (b >= 1 ? 1 : s <= 0 ? 0 : 1 - Math.min(1, (1 - b) / s)),
    'hard-light': hardLight,
    'soft-light': softLight,
    difference: (b, s) => Math.abs(b - s),
    exclusion: (b, s) => b + s - 2 * b * s,
    'plus-lighter': (b, s) => Math.min(1, b + s),
};

/** A colour whose parts differ by less is grey; as in the core. */
const GREY = 1e-4;

const lum = (c: Triple): number => 0.3 * c[0] + 0.59 * c[1] + 0.11 * c[2];
const sat = (c: Triple): number => Math.max(...c) - Math.min(...c);

function setLum(c: Triple, target: number): Triple {
    const d = target - lum(c);
    let out: Triple = [c[0] + d, c[1] + d, c[2] + d];
    const low = Math.min(...out);
    const high = Math.max(...out);
    if (low < 0) out = out.map((v) => target + ((v - target) * target) / (target - low)) as Triple;
    if (high > 1) out = out.map((v) => target + ((v - target) * (1 - target)) / (high - target)) as Triple;
    return out;
}

function setSat(c: Triple, target: number): Triple {
    const low = Math.min(...c);
    const range = Math.max(...c) - low;
    return range < GREY ? [0, 0, 0] : (c.map((v) => ((v - low) * target) / range) as Triple);
}

/** B(cb, cs) of one channel, 0..1; undefined for modes that need all three. */
export const channelOf = (mode: BlendMode): ((b: number, s: number) => number) | undefined => CHANNEL[mode];

/** B(Cb, Cs) of a mode that needs all three channels, 0..1. */
export function blendColours(mode: BlendMode, b: Triple, s: Triple): Triple {
    switch (mode) {
        case 'hue':
            return setLum(setSat(s, sat(b)), lum(b));
        case 'saturation':
            return setLum(setSat(b, sat(s)), lum(b));
        case 'color':
            return setLum(s, lum(b));
        default:
            return setLum(b, lum(s));
    }
}
