/** Lines that geometry asks for: corner to corner, smoothly through places, round. */
import type { InkPointData } from '../../api/generated';
import { hundredth, type Spot } from './lines';

export const SHAPES = ['corners', 'curve', 'ellipse'] as const;
export type Shape = (typeof SHAPES)[number];

/** Pieces of a curve between two of its places, and of a whole ellipse. */
const PIECES = 12;
const ROUND = 72;

const pressed = (x: number, y: number): InkPointData => [hundredth(x), hundredth(y), 1];

/** The line of a shape through the places that were set; null while there are too few. */
export function lineOf(shape: Shape, places: Spot[]): InkPointData[] | null {
    if (places.length < 2) return null;
    if (shape === 'ellipse') return ellipse(places[0], places[1]);
    return shape === 'curve' ? curve(places) : places.map(({ x, y }) => pressed(x, y));
}

/** An ellipse that fills the box between two corners. */
export function ellipse(a: Spot, b: Spot): InkPointData[] {
    const [mx, my] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
    const [rx, ry] = [Math.abs(b.x - a.x) / 2, Math.abs(b.y - a.y) / 2];
    return Array.from({ length: ROUND + 1 }, (_, i) => {
        const angle = (2 * Math.PI * i) / ROUND;
        return pressed(mx + rx * Math.cos(angle), my + ry * Math.sin(angle));
    });
}

/** The corner that makes the box a square: a circle, then. */
export function squared(from: Spot, to: Spot): Spot {
    const side = Math.max(Math.abs(to.x - from.x), Math.abs(to.y - from.y));
    return { x: from.x + Math.sign(to.x - from.x || 1) * side, y: from.y + Math.sign(to.y - from.y || 1) * side };
}

/**
 * Smoothly through all places: a Catmull-Rom spline with centripetal knots, which makes no loops between them (Yuksel,
 * Schaefer and Keyser 2011). One that ends where it began is round there, too.
 */
export function curve(places: Spot[]): InkPointData[] {
    const last = places.length - 1;
    const isClosed = last > 2 && Math.hypot(places[0].x - places[last].x, places[0].y - places[last].y) < 0.01;
    const at = (i: number): Spot => {
        if (i >= 0 && i <= last) return places[i];
        if (isClosed) return places[i < 0 ? last - 1 : 1];
        const [end, inner] = i < 0 ? [places[0], places[1]] : [places[last], places[last - 1]];
        return { x: 2 * end.x - inner.x, y: 2 * end.y - inner.y };
    };
    const line = [pressed(places[0].x, places[0].y)];
    for (let i = 0; i < last; i++) {
        for (let piece = 1; piece <= PIECES; piece++) {
            const { x, y } = between(at(i - 1), at(i), at(i + 1), at(i + 2), piece / PIECES);
            line.push(pressed(x, y));
        }
    }
    return line;
}

function between(a: Spot, b: Spot, c: Spot, d: Spot, share: number): Spot {
    const knot = (p: Spot, q: Spot): number => Math.max(1e-6, Math.sqrt(Math.hypot(q.x - p.x, q.y - p.y)));
    const t1 = knot(a, b);
    const t2 = t1 + knot(b, c);
    const t3 = t2 + knot(c, d);
    const t = t1 + (t2 - t1) * share;
    const mix = (p: Spot, q: Spot, from: number, to: number): Spot => {
        const part = (t - from) / (to - from);
        return { x: p.x + (q.x - p.x) * part, y: p.y + (q.y - p.y) * part };
    };
    const low = mix(mix(a, b, 0, t1), mix(b, c, t1, t2), 0, t2);
    const high = mix(mix(b, c, t1, t2), mix(c, d, t2, t3), t1, t3);
    return mix(low, high, t1, t2);
}
