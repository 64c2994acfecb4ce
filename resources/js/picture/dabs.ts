/**
 * A stroke of a brush with a tip while it is drawn; as core/src/Brush/DabRaster.php draws it, at the scale that is on
 * screen.
 */
import type { BrushData, TipData } from '../api/generated';
import { PIXELS, SIDE } from './compose';
import { chance } from './chance';
import { grained } from './grain';
import { curveAt } from './pressure';
import { StrokePreview, type Point } from './stroke';
import { TIP_SIDE, tipPicture } from './tip';

const DRIED = 0.65;

interface Dab {
    x: number;
    y: number;
    radius: number;
    angle: number;
    flow: number;
    /** The most that is covered by it. */
    ceiling: number;
}

class DabPreview extends StrokePreview {
    private readonly picture: Float64Array;
    /** How much is covered, 0..1, by tile. */
    private covered = new Map<string, Float32Array>();
    private number = 0;
    /** Px along the path so far, and where the next place is. */
    private done = 0;
    private next = 0;

    constructor(
        brush: BrushData,
        private readonly tip: TipData,
        level: number,
        width: number,
        height: number,
    ) {
        super(brush, level, width, height);
        this.picture = tipPicture(tip, brush.hardness);
    }

    /**
     * Only now is it known how long the stroke is, and what of it was pressed harder afterwards: it is drawn once more.
     */
    override end(): Set<string> {
        const touched = super.end();
        for (const key of this.covered.keys()) touched.add(key);
        this.covered = new Map();
        this.tiles.clear();
        this.number = this.done = this.next = 0;
        const path = this.path;
        let total = 0;
        for (let i = 1; i < path.length; i++)
            total += Math.hypot(path[i][0] - path[i - 1][0], path[i][1] - path[i - 1][1]);
        if (path.length === 1) this.along(path[0], path[0], touched, total);
        for (let i = 1; i < path.length; i++) this.along(path[i - 1], path[i], touched, total);
        this.finish(touched);
        return touched;
    }

    protected override segment(a: Point, b: Point, touched: Set<string>): void {
        const isFirst = this.path.length === 0;
        this.remember(b);
        // A tap is drawn where it is; a place that is pressed harder is drawn at the end.
        if (!isFirst && a === b) return;
        this.along(a, b, touched, Infinity);
        this.finish(touched);
    }

    /** Places from one point of the path to the next. */
    private along([x, y, pressure]: Point, [toX, toY, toPressure]: Point, touched: Set<string>, total: number): void {
        const apart = Math.max(0.75, this.tip.spacing * this.brush.size);
        const length = Math.hypot(toX - x, toY - y);
        const direction = length > 0 ? Math.atan2(toY - y, toX - x) : 0;
        for (; this.next <= this.done + length; this.next += apart) {
            const part = length > 0 ? (this.next - this.done) / length : 0;
            const dab = this.place(
                x + (toX - x) * part,
                y + (toY - y) * part,
                pressure + (toPressure - pressure) * part,
                direction,
                Math.min(this.next, total - this.next),
                total,
            );
            this.lay(dab, touched);
        }
        this.done += length;
    }

    private place(x: number, y: number, pressure: number, direction: number, inside: number, total: number): Dab {
        const { tip } = this;
        const { size } = this.brush;
        const number = this.number++;
        const at = (which: number): number => chance(tip.seed, 8 * number + which);
        const thin = tip.taper > 0 && total > 0 && total < Infinity ? Math.min(1, inside / (tip.taper * total)) : 1;
        const aside = (2 * at(1) - 1) * tip.scatter * size;
        const ahead = ((2 * at(2) - 1) * tip.scatter * size) / 2;
        const [sin, cos] = [Math.sin(direction), Math.cos(direction)];
        return {
            x: x - sin * aside + cos * ahead,
            y: y + cos * aside + sin * ahead,
            radius: (size / 2) * curveAt(tip.sizeBy, pressure) * thin * (1 - tip.jitter * at(0)),
            angle: (tip.along ? direction : 0) + (tip.angle * Math.PI) / 180 + (2 * at(3) - 1) * Math.PI * tip.turn,
            flow: tip.flow * curveAt(tip.flowBy, pressure),
            ceiling: curveAt(tip.opacityBy, pressure),
        };
    }

    private lay({ x, y, radius, ...laid }: Dab, touched: Set<string>): void {
        if (radius < 0.4) return;
        const scale = 1 / (1 << this.level);
        const [mx, my, reach] = [x * scale, y * scale, radius * scale];
        const [left, top] = [Math.max(0, Math.floor(mx - reach)), Math.max(0, Math.floor(my - reach))];
        const right = Math.min(Math.ceil(this.width * scale), Math.ceil(mx + reach));
        const bottom = Math.min(Math.ceil(this.height * scale), Math.ceil(my + reach));
        for (let row = top >> 8; row <= (bottom - 1) >> 8; row++) {
            for (let column = left >> 8; column <= (right - 1) >> 8; column++) {
                const key = `${column},${row}`;
                let tile = this.covered.get(key);
                if (tile === undefined) this.covered.set(key, (tile = new Float32Array(PIXELS)));
                touched.add(key);
                const [x0, y0] = [column * SIDE, row * SIDE];
                const area = [
                    Math.max(left, x0),
                    Math.max(top, y0),
                    Math.min(right, x0 + SIDE),
                    Math.min(bottom, y0 + SIDE),
                ];
                this.layOn(tile, x0, y0, area, { x: mx, y: my, radius: reach, ...laid });
            }
        }
    }

    private layOn(tile: Float32Array, x0: number, y0: number, [left, top, right, bottom]: number[], dab: Dab): void {
        const scale = TIP_SIDE / 2 / dab.radius;
        const [sin, cos] = [Math.sin(dab.angle) * scale, Math.cos(dab.angle) * scale];
        const middle = TIP_SIDE / 2 - 0.5;
        const { picture } = this;
        for (let py = top; py < bottom; py++) {
            const dy = py + 0.5 - dab.y;
            for (let px = left, at = (py - y0) * SIDE + left - x0; px < right; px++, at++) {
                const dx = px + 0.5 - dab.x;
                const u = cos * dx + sin * dy + middle;
                const v = cos * dy - sin * dx + middle;
                if (u < 0 || v < 0 || u >= TIP_SIDE - 1 || v >= TIP_SIDE - 1) continue;
                const missing = dab.ceiling - tile[at];
                if (missing <= 0) continue;
                const [column, row] = [Math.floor(u), Math.floor(v)];
                const aside = u - column;
                const i = row * TIP_SIDE + column;
                const above = picture[i] + (picture[i + 1] - picture[i]) * aside;
                const below = picture[i + TIP_SIDE] + (picture[i + TIP_SIDE + 1] - picture[i + TIP_SIDE]) * aside;
                tile[at] += missing * dab.flow * (above + (below - above) * (v - row));
            }
        }
    }

    /** Turns what is covered into coverage: dried, and with the paper's tooth in it. */
    private finish(touched: Set<string>): void {
        const { wet, grain } = this.tip;
        for (const key of touched) {
            const covered = this.covered.get(key);
            if (covered === undefined) continue;
            const bytes = new Uint8Array(PIXELS);
            for (let i = 0; i < PIXELS; i++)
                if (covered[i] > 0) bytes[i] = Math.floor(255 * dried(covered[i], wet) + 0.5);
            const [column, row] = key.split(',').map(Number);
            this.tiles.set(key, grained(bytes, grain, this.level, column, row));
        }
    }
}

/** Wet paint runs to the edge: where most of it was laid it dries paler. */
function dried(covered: number, wet: number): number {
    const part = Math.max(0, Math.min(1, (covered - 0.35) / 0.5));
    return covered * (1 - wet * DRIED * part * part * (3 - 2 * part));
}

/** The stroke of whatever brush it is. */
export function previewOf(brush: BrushData, level: number, width: number, height: number): StrokePreview {
    return brush.tip === undefined
        ? new StrokePreview(brush, level, width, height)
        : new DabPreview(brush, brush.tip, level, width, height);
}
