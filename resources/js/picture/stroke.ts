/**
 * A stroke while it is drawn: the same path and the same coverage as the core's, so that nothing jumps when the truth
 * arrives. Coordinates are page pixels; the raster is made at the scale that is on screen.
 */
import type { BrushData, PointData } from '../api/generated';
import { PIXELS, SIDE } from './compose';

export type Point = PointData;

/** Thinnest a line gets at no pressure, in parts of the brush; as in the core. */
const THIN = 0.12;

/** A piece of the path: from a point with one radius, by a step, to another radius. */
interface Capsule {
    ax: number;
    ay: number;
    dx: number;
    dy: number;
    ra: number;
    rb: number;
}

interface Area {
    left: number;
    right: number;
    top: number;
    bottom: number;
}

export class StrokePreview {
    /** Everything the hand did, as it is sent. */
    readonly points: Point[] = [];
    /** Where the calmed line goes: what is drawn. */
    readonly path: Point[] = [];
    /** Coverage so far, by "column,row" of the level's tiles. */
    readonly tiles = new Map<string, Uint8Array>();
    /** Where the calmed hand is. */
    private lag: Point | null = null;
    /** The last two places of the path. */
    private last: Point = [0, 0, 0];
    private before: Point | null = null;

    constructor(
        readonly brush: BrushData,
        readonly level: number,
        protected readonly width: number,
        protected readonly height: number,
    ) {}

    /** Where the calmed hand is: behind the hand itself. */
    get lagging(): Point | null {
        return this.lag;
    }

    /** Takes a point and draws what follows from it; answers the tiles touched. */
    add(point: Point): Set<string> {
        this.points.push(point);
        const touched = new Set<string>();
        if (this.lag === null) {
            this.lag = [...point];
            this.last = [...point];
            this.segment(point, point, touched);
            return touched;
        }
        const step = 1 - this.brush.smoothing;
        this.lag = this.lag.map((value, i) => value + (point[i] - value) * step) as Point;
        const [x, y, pressure] = this.lag;
        if (Math.hypot(x - this.last[0], y - this.last[1]) >= Math.max(0.5, 0.06 * this.brush.size)) {
            this.before = this.last;
            this.last = [x, y, pressure];
            this.segment(this.before, this.last, touched);
        } else if (pressure > this.last[2]) {
            this.press(pressure, touched);
        }
        return touched;
    }

    /** The path catches up with the hand. A tap that went nowhere has the most pressure the hand ever gave it. */
    end(): Set<string> {
        const touched = new Set<string>();
        const end = this.points[this.points.length - 1];
        if (end === undefined) return touched;
        if (end[0] !== this.last[0] || end[1] !== this.last[1]) this.segment(this.last, end, touched);
        else if (this.before === null) this.press(Math.max(...this.points.map((point) => point[2])), touched);
        return touched;
    }

    /** The same place, pressed harder: coverage only grows, so what was drawn may stay. */
    private press(pressure: number, touched: Set<string>): void {
        this.last = [this.last[0], this.last[1], pressure];
        this.segment(this.before ?? this.last, this.last, touched);
    }

    /** A place pressed harder is the same place. */
    protected remember(point: Point): void {
        const before = this.path[this.path.length - 1];
        if (before !== undefined && before[0] === point[0] && before[1] === point[1]) this.path.pop();
        this.path.push(point);
    }

    private radius(pressure: number): number {
        return Math.max(0.5, (this.brush.size / 2) * (THIN + (1 - THIN) * pressure));
    }

    protected segment(a: Point, b: Point, touched: Set<string>): void {
        this.remember(b);
        const scale = 1 / (1 << this.level);
        const [ax, ay, bx, by] = [a[0] * scale, a[1] * scale, b[0] * scale, b[1] * scale];
        const ra = this.radius(a[2]) * scale;
        const rb = this.radius(b[2]) * scale;
        const reach = Math.max(ra, rb) + 0.5;
        const left = Math.max(0, Math.floor(Math.min(ax, bx) - reach));
        const right = Math.min(Math.ceil(this.width * scale), Math.ceil(Math.max(ax, bx) + reach));
        const top = Math.max(0, Math.floor(Math.min(ay, by) - reach));
        const bottom = Math.min(Math.ceil(this.height * scale), Math.ceil(Math.max(ay, by) + reach));
        const capsule: Capsule = { ax, ay, dx: bx - ax, dy: by - ay, ra, rb };
        for (let row = top >> 8; row <= (bottom - 1) >> 8; row++) {
            for (let column = left >> 8; column <= (right - 1) >> 8; column++) {
                const key = `${column},${row}`;
                let tile = this.tiles.get(key);
                if (tile === undefined) this.tiles.set(key, (tile = new Uint8Array(PIXELS)));
                touched.add(key);
                const x = column * SIDE;
                const y = row * SIDE;
                const area = {
                    left: Math.max(left - x, 0),
                    right: Math.min(right - x, SIDE),
                    top: Math.max(top - y, 0),
                    bottom: Math.min(bottom - y, SIDE),
                };
                this.fill(tile, area, { ...capsule, ax: ax - x, ay: ay - y });
            }
        }
    }

    /** Raises a tile to the coverage of one piece of the path; both in the tile's own coordinates. */
    private fill(tile: Uint8Array, area: Area, { ax, ay, dx, dy, ra, rb }: Capsule): void {
        const squared = dx * dx + dy * dy;
        const soft = 1 - this.brush.hardness;
        for (let y = area.top; y < area.bottom; y++) {
            const py = y + 0.5 - ay;
            for (let x = area.left, at = y * SIDE + x; x < area.right; x++, at++) {
                if (tile[at] === 255) continue;
                const px = x + 0.5 - ax;
                const t = squared > 0 ? Math.min(1, Math.max(0, (px * dx + py * dy) / squared)) : 0;
                const radius = ra + (rb - ra) * t;
                const outer = radius + 0.5;
                const distance = (px - dx * t) ** 2 + (py - dy * t) ** 2;
                if (distance >= outer * outer) continue;
                const edge = radius * soft;
                const share = Math.min(1, (outer - Math.sqrt(distance)) / Math.max(1, edge));
                const value = Math.floor(255 * (edge > 1 ? share * share * (3 - 2 * share) : share) + 0.5);
                if (value > tile[at]) tile[at] = value;
            }
        }
    }
}

/** What a stroke does to a layer. */
export interface Laying {
    opacity: number;
    erase: boolean;
    /** The layer holds paint: its colour, each part 0..255. Null: it holds coverage. */
    paint: [number, number, number] | null;
}

/** A layer's bytes with a stroke laid into them: coverage toward full or, erasing, toward nothing; paint likewise. */
export function layStroke(bytes: Uint8Array | null, stroke: Uint8Array, { opacity, erase, paint }: Laying): Uint8Array {
    const count = stroke.length;
    const out = bytes === null ? new Uint8Array(paint === null ? count : 4 * count) : bytes.slice();
    for (let i = 0; i < count; i++) {
        if (stroke[i] === 0) continue;
        const share = (stroke[i] * opacity) / 255;
        if (paint === null) out[i] = Math.round(out[i] + ((erase ? 0 : 255) - out[i]) * share);
        else if (erase) out[3 * count + i] = Math.round(out[3 * count + i] * (1 - share));
        else layPaint(out, count, i, share, paint);
    }
    return out;
}

function layPaint(out: Uint8Array, count: number, i: number, share: number, paint: [number, number, number]): void {
    const alpha = out[3 * count + i] / 255;
    const sum = share + alpha - share * alpha;
    for (let c = 0; c < 3; c++) {
        const at = c * count + i;
        out[at] = Math.round((share * paint[c] + (1 - share) * alpha * out[at]) / sum);
    }
    out[3 * count + i] = Math.round(255 * sum);
}

/** A layer's bytes with lines laid into them: the more of both at each pixel, as ink is summed. */
export function mostOf(bytes: Uint8Array | null, line: Uint8Array): Uint8Array {
    return bytes === null ? line.slice() : bytes.map((value, i) => Math.max(value, line[i]));
}

/** Points with the taper in their pressure; as in the core. */
export function tapered(points: readonly Point[], taper: number): Point[] {
    const along = [0];
    for (let i = 1; i < points.length; i++)
        along.push(along[i - 1] + Math.hypot(points[i][0] - points[i - 1][0], points[i][1] - points[i - 1][1]));
    const length = along[along.length - 1];
    const reach = taper * length;
    if (reach <= 0) return [...points];
    return points.map(([x, y, pressure], i) => [
        x,
        y,
        pressure * Math.min(1, Math.min(along[i], length - along[i]) / reach),
    ]);
}

/** Farthest, in px, that a left-out point may lie beside the line between those that stay; its pressure counts, too. */
const ASIDE = 0.2;

/** Points without those that lie on the way anyhow (Douglas and Peucker 1973). */
export function thinned(points: readonly Point[]): Point[] {
    if (points.length < 3) return [...points];
    const kept = new Set([0, points.length - 1]);
    const parts: [number, number][] = [[0, points.length - 1]];
    for (let part = parts.pop(); part !== undefined; part = parts.pop()) {
        const [from, to] = part;
        const farthest = mostAside(points, from, to);
        if (farthest === null) continue;
        kept.add(farthest);
        parts.push([from, farthest], [farthest, to]);
    }
    return points.filter((_, i) => kept.has(i));
}

function mostAside(points: readonly Point[], from: number, to: number): number | null {
    const [[ax, ay, ap], [bx, by, bp]] = [points[from], points[to]];
    const [dx, dy] = [bx - ax, by - ay];
    const squared = dx * dx + dy * dy;
    let most = ASIDE;
    let found: number | null = null;
    for (let i = from + 1; i < to; i++) {
        const [x, y, pressure] = points[i];
        const t = squared > 0 ? Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / squared)) : 0;
        const aside = Math.hypot(x - ax - t * dx, y - ay - t * dy) + 6 * Math.abs(pressure - ap - t * (bp - ap));
        if (aside > most) [most, found] = [aside, i];
    }
    return found;
}
