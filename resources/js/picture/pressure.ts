/** What pressure makes of a size, a flow or an opacity; as core/src/Brush/PressureCurve.php. */

/** Shares at no pressure, a quarter, a half, three quarters and all of it. */
export type Curve = readonly number[];

const APART = 0.25;

/** The share at a pressure of 0..1. */
export function curveAt(curve: Curve, pressure: number): number {
    const place = Math.min(3, Math.floor(pressure / APART));
    const t = pressure / APART - place;
    const [from, step] = [curve[place], curve[place + 1] - curve[place]];
    const [leaves, arrives] = [slopeAt(curve, place), slopeAt(curve, place + 1)];
    return from + t * (leaves + t * (3 * step - 2 * leaves - arrives + t * (leaves + arrives - 2 * step)));
}

/** How steep it is at one of its places. */
function slopeAt(curve: Curve, place: number): number {
    const step = (i: number): number => curve[i + 1] - curve[i];
    if (place === 0) return slopeAtEnd(step(0), step(1));
    if (place === 4) return slopeAtEnd(step(3), step(2));
    const [before, after] = [step(place - 1), step(place)];
    return before * after > 0 ? (2 * before * after) / (before + after) : 0;
}

function slopeAtEnd(first: number, second: number): number {
    const slope = (3 * first - second) / 2;
    if (slope * first <= 0) return 0;
    return first * second < 0 && Math.abs(slope) > 3 * Math.abs(first) ? 3 * first : slope;
}
