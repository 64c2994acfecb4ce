/** A material's ramp on bodies under a light: the coverages of core/src/Light/RoughIn.php, place by place. */
import { LIGHT_RANGES, type RoughDialsData, type Tone } from '../api/generated';

/** To the light, or away from a surface; of length 1. */
export type Vector = [right: number, up: number, near: number];

export type RampDials = Pick<
    RoughDialsData,
    'reach' | 'soft' | 'deepFrom' | 'deepSoft' | 'lit' | 'litSoft' | 'glint' | 'glintSoft'
>;

export type Rgb = [red: number, green: number, blue: number];

/** The tones that light makes of a material. */
export type RampTone = Extract<Tone, 'deep' | 'shade' | 'base' | 'light' | 'glint'>;

export type RampColours = Record<RampTone, Rgb>;

const SOFTEST = 0.5;
const SHARPEST = 0.02;

/** Every dial where nobody has turned it. */
export const USUAL_DIALS = Object.fromEntries(
    Object.entries(LIGHT_RANGES).map(([name, [, , usual]]) => [name, usual]),
) as unknown as RoughDialsData;

/** How much of each tone lies on a surface that faces so, over those before it. */
export function coverages([x, y, z]: Vector, [lx, ly, lz]: Vector, dials: RampDials): [RampTone, number][] {
    const cosine = x * lx + y * ly + z * lz;
    const shine = (cosine + z) / Math.sqrt(2 + 2 * lz);
    return [
        ['shade', behind(cosine, dials.reach, dials.soft)],
        ['deep', behind(cosine, dials.reach - dials.deepFrom, dials.deepSoft)],
        ['light', spot(cosine, dials.lit, dials.litSoft)],
        ['glint', spot(shine, dials.glint, dials.glintSoft)],
    ];
}

/** The colour in which it is seen. */
export function colourOn(normal: Vector, light: Vector, dials: RampDials, ramp: RampColours): Rgb {
    return coverages(normal, light, dials).reduce((under, [tone, share]) => mixed(under, ramp[tone], share), ramp.base);
}

function mixed(under: Rgb, over: Rgb, share: number): Rgb {
    return under.map((value, i) => value + (over[i] - value) * share) as Rgb;
}

function behind(cosine: number, edge: number, softness: number): number {
    const soft = Math.max(SHARPEST, SOFTEST * softness);
    return stepped(cosine, edge + soft, edge - soft);
}

function spot(cosine: number, size: number, softness: number): number {
    const soft = Math.max(0.001, softness * size);
    return size > 0 ? stepped(cosine, 1 - size - soft, 1 - size + soft) : 0;
}

/** From nothing at one cosine to all at another. */
function stepped(cosine: number, from: number, to: number): number {
    const part = Math.max(0, Math.min(1, (cosine - from) / (to - from)));
    return part * part * (3 - 2 * part);
}
