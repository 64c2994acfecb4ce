/** What can be told of inked lines by their points: how near, whether crossed, where to when moved or mirrored. */
import type { AxisData, InkPointData, InkStrokeData } from '../../api/generated';

export interface Spot {
    x: number;
    y: number;
}

/** How far a place is from a line's middle; Infinity when it has no points. */
export function distanceTo({ points }: InkStrokeData, { x, y }: Spot): number {
    let least = Infinity;
    points.forEach(([ax, ay], i) => {
        const [bx, by] = points[Math.min(i + 1, points.length - 1)];
        const [dx, dy] = [bx - ax, by - ay];
        const squared = dx * dx + dy * dy;
        const t = squared > 0 ? Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / squared)) : 0;
        least = Math.min(least, Math.hypot(x - ax - dx * t, y - ay - dy * t));
    });
    return least;
}

/** Whether a place lies inside an outline (even-odd). */
export function isInside(outline: Spot[], x: number, y: number): boolean {
    let inside = false;
    for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
        const [a, b] = [outline[i], outline[j]];
        if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
    }
    return inside;
}

/** Lines of which more than half the points lie inside an outline. */
export function linesInside(strokes: Record<string, InkStrokeData>, outline: Spot[]): string[] {
    return Object.entries(strokes)
        .filter(([, { points }]) => 2 * points.filter(([x, y]) => isInside(outline, x, y)).length > points.length)
        .map(([id]) => id);
}

/** The nearest line within reach, its own width counted. */
export function lineAt(strokes: Record<string, InkStrokeData>, at: Spot, reach: number): string | null {
    let best: string | null = null;
    let least = Infinity;
    for (const [id, stroke] of Object.entries(strokes)) {
        const distance = distanceTo(stroke, at) - stroke.weight / 2;
        if (distance <= reach && distance < least) [best, least] = [id, distance];
    }
    return best;
}

/** A hundredth of a pixel is enough. */
export const hundredth = (value: number): number => Math.round(value * 100) / 100;

const changed = (stroke: InkStrokeData, to: (x: number, y: number) => [number, number]): InkStrokeData => ({
    ...stroke,
    points: stroke.points.map(([x, y, pressure]): InkPointData => {
        const [nx, ny] = to(x, y);
        return [hundredth(nx), hundredth(ny), pressure];
    }),
});

export const moved = (stroke: InkStrokeData, dx: number, dy: number): InkStrokeData =>
    changed(stroke, (x, y) => [x + dx, y + dy]);

export function spotInMirror({ x, y }: Spot, axis: AxisData): Spot {
    const [right, down] = inMirror(x, y, axis);
    return { x: right, y: down };
}

/**
 * So many places at even steps along a path.
 *
 * @return null when it is shorter than that
 */
export function evenly(path: readonly Spot[], count: number, shortest: number): Spot[] | null {
    const lengths = path.slice(1).map(({ x, y }, i) => Math.hypot(x - path[i].x, y - path[i].y));
    const whole = lengths.reduce((sum, length) => sum + length, 0);
    if (whole < shortest || whole === 0) return null;
    const places: Spot[] = [];
    let [at, come] = [0, 0];
    for (let i = 0; i < count; i++) {
        const wanted = (whole * i) / (count - 1);
        while (at < lengths.length - 1 && come + lengths[at] < wanted) come += lengths[at++];
        const part = lengths[at] === 0 ? 0 : Math.min(1, (wanted - come) / lengths[at]);
        const [from, to] = [path[at], path[at + 1]];
        places.push({ x: from.x + part * (to.x - from.x), y: from.y + part * (to.y - from.y) });
    }
    return places;
}

/** Reflected in an axis. */
export const mirrored = (stroke: InkStrokeData, axis: AxisData): InkStrokeData =>
    changed(stroke, (x, y) => inMirror(x, y, axis));

/** Where a place is seen in a mirror. */
export function inMirror(x: number, y: number, axis: AxisData): [number, number] {
    const [ux, uy] = [Math.sin(axis.turn), Math.cos(axis.turn)];
    const along = (x - axis.x) * ux + (y - axis.y) * uy;
    return [2 * (axis.x + along * ux) - x, 2 * (axis.y + along * uy) - y];
}

/** Larger or smaller, and turned, about the middle of all of them. */
export function reshaped(strokes: InkStrokeData[], factor: number, radians: number): InkStrokeData[] {
    const { x: mx, y: my } = middleOf(strokes);
    const [cos, sin] = [factor * Math.cos(radians), factor * Math.sin(radians)];
    return strokes.map((stroke) =>
        changed(stroke, (x, y) => [mx + cos * (x - mx) - sin * (y - my), my + sin * (x - mx) + cos * (y - my)]),
    );
}

export function middleOf(strokes: InkStrokeData[]): Spot {
    const [left, top, right, bottom] = boxOf(strokes.flatMap(({ points }) => points));
    return { x: (left + right) / 2, y: (top + bottom) / 2 };
}

/** A point pulled by the hand; those near it along the line follow, the farther the less. */
export function pulled(stroke: InkStrokeData, index: number, dx: number, dy: number, reach: number): InkStrokeData {
    const [px, py] = stroke.points[index];
    const { points } = stroke;
    const along = (from: number, to: number): number => {
        let sum = 0;
        for (let i = Math.min(from, to); i < Math.max(from, to); i++)
            sum += Math.hypot(points[i + 1][0] - points[i][0], points[i + 1][1] - points[i][1]);
        return sum;
    };
    const shares = points.map((_, i) => Math.max(0, 1 - along(i, index) / reach) ** 2);
    shares[index] = 1;
    return {
        ...stroke,
        points: points.map(([x, y, pressure], i): InkPointData => {
            const share = shares[i];
            return i === index
                ? [hundredth(px + dx), hundredth(py + dy), pressure]
                : [hundredth(x + dx * share), hundredth(y + dy * share), pressure];
        }),
    };
}

/** The point of a line that is nearest to a place. */
export function nearestPoint({ points }: InkStrokeData, { x, y }: Spot): number {
    const distances = points.map(([px, py]) => Math.hypot(px - x, py - y));
    return distances.indexOf(Math.min(...distances));
}

/** Two lines as one, from end to nearest end; the weight is the first one's. */
export function joined(a: InkStrokeData, b: InkStrokeData): InkStrokeData {
    const ways: [InkPointData[], InkPointData[]][] = [
        [a.points, b.points],
        [a.points, [...b.points].reverse()],
        [[...a.points].reverse(), b.points],
        [[...a.points].reverse(), [...b.points].reverse()],
    ];
    const gap = ([first, second]: [InkPointData[], InkPointData[]]): number => {
        const end = first[first.length - 1];
        return Math.hypot(end[0] - second[0][0], end[1] - second[0][1]);
    };
    const [first, second] = ways.reduce((best, way) => (gap(way) < gap(best) ? way : best));
    return { ...a, points: [...first, ...second] };
}

/** What is left of a line where a round eraser went: pieces that end at its edge. Null when it was not touched. */
export function without(stroke: InkStrokeData, path: Spot[], radius: number): InkStrokeData[] | null {
    if (!touch(boxOf(stroke.points), boxOf(path.map(({ x, y }) => [x, y, 1])), radius)) return null;
    const eraser = line(path.map(({ x, y }) => [x, y, 1]));
    const isGone = ([x, y]: InkPointData): boolean => distanceTo(eraser, { x, y }) <= radius;
    const points = dense(stroke.points, Math.max(1, radius / 4));
    if (!points.some(isGone)) return null;
    const pieces: InkPointData[][] = [[]];
    for (const point of points) {
        if (!isGone(point)) pieces[pieces.length - 1].push(point);
        else if (pieces[pieces.length - 1].length > 0) pieces.push([]);
    }
    // An end that was cut does not run out to a point.
    return pieces.filter((piece) => piece.length > 1).map((piece) => ({ ...stroke, points: piece, taper: 0 }));
}

const line = (points: InkPointData[]): InkStrokeData => ({ points, weight: 1, taper: 0, steady: 0, grain: 0 });

/** With points in between, no farther apart than a step. */
function dense(points: InkPointData[], step: number): InkPointData[] {
    const out = points.slice(0, 1);
    for (let i = 1; i < points.length; i++) {
        const [[ax, ay, ap], [bx, by, bp]] = [points[i - 1], points[i]];
        const parts = Math.max(1, Math.ceil(Math.hypot(bx - ax, by - ay) / step));
        for (let part = 1; part <= parts; part++) {
            const share = part / parts;
            out.push([ax + (bx - ax) * share, ay + (by - ay) * share, ap + (bp - ap) * share]);
        }
    }
    return out;
}

type Box = [left: number, top: number, right: number, bottom: number];

/** One by one: an imported drawing has more points than a function takes arguments. */
const boxOf = (points: InkPointData[]): Box =>
    points.reduce<Box>(
        ([left, top, right, bottom], [x, y]) => [
            Math.min(left, x),
            Math.min(top, y),
            Math.max(right, x),
            Math.max(bottom, y),
        ],
        [Infinity, Infinity, -Infinity, -Infinity],
    );

const touch = (a: Box, b: Box, reach: number): boolean =>
    a[0] <= b[2] + reach && b[0] <= a[2] + reach && a[1] <= b[3] + reach && b[1] <= a[3] + reach;

/** An outline scaled and turned about the middle of its bounds, and moved; degrees run clockwise, as in the core. */
export function turnedSpots(
    spots: readonly Spot[],
    by: [number, number],
    degrees: number,
    [wide, high]: [number, number],
): Spot[] {
    const middle = (values: number[]): number => (Math.floor(Math.min(...values)) + Math.ceil(Math.max(...values))) / 2;
    const [cx, cy] = [middle(spots.map(({ x }) => x)), middle(spots.map(({ y }) => y))];
    const [sin, cos] = [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)];
    return spots.map(({ x, y }) => {
        const [dx, dy] = [(x - cx) * wide, (y - cy) * high];
        return { x: cx + dx * cos - dy * sin + by[0], y: cy + dx * sin + dy * cos + by[1] };
    });
}
