/**
 * A stroke while it is drawn: the same path and the same coverage as the core's, so that nothing jumps when the truth
 * arrives. Coordinates are page pixels; the raster is made at the scale that is on screen.
 */
import type { BrushSpec } from '../../api/types';
import { PIXELS, SIDE } from './compose';

export type Point = [x: number, y: number, pressure: number];

const THIN = 0.12;

export class StrokePreview {
    /** Everything the hand did, as it is sent. */
    readonly points: Point[] = [];
    /** Coverage so far, by "column,row" of the level's tiles. */
    readonly tiles = new Map<string, Uint8Array>();
    private readonly path: Point[] = [];
    private lag: Point | null = null;

    constructor(
        readonly brush: BrushSpec,
        readonly level: number,
        private readonly width: number,
        private readonly height: number,
    ) {}

    /** Takes a point and draws what follows from it; answers the tiles touched. */
    add(point: Point): Set<string> {
        this.points.push(point);
        const touched = new Set<string>();
        if (this.lag === null) {
            this.lag = [...point];
            this.path.push([...point]);
            this.segment(point, point, touched);
            return touched;
        }
        const step = 1 - this.brush.smoothing;
        this.lag = this.lag.map((value, i) => value + (point[i] - value) * step) as Point;
        const last = this.path[this.path.length - 1];
        if (Math.hypot(this.lag[0] - last[0], this.lag[1] - last[1]) >= Math.max(0.5, 0.06 * this.brush.size)) {
            this.path.push([...this.lag]);
            this.segment(last, this.lag, touched);
        }
        return touched;
    }

    /** The path catches up with the hand. */
    end(): Set<string> {
        const touched = new Set<string>();
        const end = this.points[this.points.length - 1];
        const last = this.path[this.path.length - 1];
        if (end !== undefined && (end[0] !== last[0] || end[1] !== last[1])) this.segment(last, end, touched);
        return touched;
    }

    private radius(pressure: number): number {
        return Math.max(0.5, (this.brush.size / 2) * (THIN + (1 - THIN) * pressure));
    }

    private segment(a: Point, b: Point, touched: Set<string>): void {
        const scale = 1 / (1 << this.level);
        const [ax, ay, bx, by] = [a[0] * scale, a[1] * scale, b[0] * scale, b[1] * scale];
        const ra = this.radius(a[2]) * scale;
        const rb = this.radius(b[2]) * scale;
        const reach = Math.max(ra, rb) + 0.5;
        const left = Math.max(0, Math.floor(Math.min(ax, bx) - reach));
        const right = Math.min(Math.ceil(this.width * scale), Math.ceil(Math.max(ax, bx) + reach));
        const top = Math.max(0, Math.floor(Math.min(ay, by) - reach));
        const bottom = Math.min(Math.ceil(this.height * scale), Math.ceil(Math.max(ay, by) + reach));
        for (let row = top >> 8; row <= (bottom - 1) >> 8; row++) {
            for (let column = left >> 8; column <= (right - 1) >> 8; column++) {
                const key = `${column},${row}`;
                let tile = this.tiles.get(key);
                if (tile === undefined) this.tiles.set(key, (tile = new Uint8Array(PIXELS)));
                touched.add(key);
                this.fill(tile, column, row, Math.max(left, column * SIDE), Math.min(right, (column + 1) * SIDE), Math.max(top, row * SIDE), Math.min(bottom, (row + 1) * SIDE), ax, ay, bx - ax, by - ay, ra, rb);
            }
        }
    }

    private fill(tile: Uint8Array, column: number, row: number, left: number, right: number, top: number, bottom: number, ax: number, ay: number, dx: number, dy: number, ra: number, rb: number): void {
        const squared = dx * dx + dy * dy;
        const soft = 1 - this.brush.hardness;
        for (let y = top; y < bottom; y++) {
            const py = y + 0.5 - ay;
            let at = (y - row * SIDE) * SIDE + left - column * SIDE;
            for (let x = left; x < right; x++, at++) {
                if (tile[at] === 255) continue;
                const px = x + 0.5 - ax;
                const t = squared > 0 ? Math.min(1, Math.max(0, (px * dx + py * dy) / squared)) : 0;
                const radius = ra + (rb - ra) * t;
                const ox = px - dx * t;
                const oy = py - dy * t;
                const distance = ox * ox + oy * oy;
                const outer = radius + 0.5;
                if (distance >= outer * outer) continue;
                const edge = radius * soft;
                const share = Math.min(1, (outer - Math.sqrt(distance)) / Math.max(1, edge));
                const value = Math.floor(255 * (edge > 1 ? share * share * (3 - 2 * share) : share) + 0.5);
                if (value > tile[at]) tile[at] = value;
            }
        }
    }
}

/** A layer's tile with a stroke laid into it: coverage toward full or, erasing, toward nothing; paint likewise. */
export function layStroke(tile: Uint8Array | null, stroke: Uint8Array, opacity: number, erase: boolean, paint: [number, number, number] | null, isPaint: boolean): Uint8Array {
    const out = tile === null ? new Uint8Array(isPaint ? 4 * PIXELS : PIXELS) : tile.slice();
    for (let i = 0; i < PIXELS; i++) {
        if (stroke[i] === 0) continue;
        const share = (stroke[i] * opacity) / 255;
        if (!isPaint) {
            out[i] = Math.round(out[i] + ((erase ? 0 : 255) - out[i]) * share);
            continue;
        }
        const alpha = out[3 * PIXELS + i] / 255;
        if (erase) {
            out[3 * PIXELS + i] = Math.round(255 * alpha * (1 - share));
        } else if (paint !== null) {
            const sum = share + alpha - share * alpha;
            for (let c = 0; c < 3; c++) {
                const at = c * PIXELS + i;
                out[at] = Math.round((share * paint[c] + (1 - share) * alpha * out[at]) / sum);
            }
            out[3 * PIXELS + i] = Math.round(255 * sum);
        }
    }
    return out;
}
