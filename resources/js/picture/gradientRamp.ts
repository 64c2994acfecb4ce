/** The colours of a gradient by their place between its ends, as core/src/Colour/GradientRamp.php works them out. */
import type { GradientStopData } from '../api/generated';
import { toColour } from './colour';
import { fromOklab, toOklab, type Three } from './oklab';

const STEPS = 4096;

/** Red, green, blue and alpha, 0..255. */
export type Coded = [number, number, number, number];

export function gradientRamp(stops: readonly GradientStopData[], isOklab: boolean): (at: number) => Coded {
    const parts = stops.map(({ colour }) => partsOf(toColour(colour), isOklab));
    const table = new Float32Array(4 * (STEPS + 1));
    let i = 0;
    const last = stops.length - 1;
    for (let step = 0; step <= STEPS; step++) {
        const at = step / STEPS;
        while (i < last && at >= stops[i + 1].at) i++;
        table.set(i === last || at < stops[0].at ? coded(parts[i], stops[i].alpha, isOklab) : between(i, at), 4 * step);
    }
    function between(from: number, at: number): Coded {
        const [a, b] = [stops[from], stops[from + 1]];
        const share = (at - a.at) / (b.at - a.at);
        const alpha = a.alpha + (b.alpha - a.alpha) * share;
        const mixed = parts[from].map((value, part) => {
            const other = parts[from + 1][part];
            const whole = value * a.alpha + (other * b.alpha - value * a.alpha) * share;
            return alpha > 0 ? whole / alpha : share < 0.5 ? value : other;
        });
        return coded(mixed as Three, alpha, isOklab);
    }
    return (at) => {
        const place = STEPS * Math.max(0, Math.min(1, at));
        const low = Math.min(STEPS - 1, Math.floor(place));
        const share = place - low;
        const part = (n: number): number => {
            const value = table[4 * low + n];
            return value + (table[4 * low + 4 + n] - value) * share;
        };
        return [part(0), part(1), part(2), part(3)];
    };
}

const partsOf = (colour: number, isOklab: boolean): Three =>
    isOklab ? toOklab(colour) : [((colour >> 16) & 255) / 255, ((colour >> 8) & 255) / 255, (colour & 255) / 255];

function coded(parts: Three, alpha: number, isOklab: boolean): Coded {
    const [r, g, b] = (isOklab ? fromOklab(parts) : parts).map((part) => 255 * Math.max(0, Math.min(1, part)));
    return [r, g, b, 255 * alpha];
}
