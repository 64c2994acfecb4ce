import type { InkStrokeData } from '../../api/generated';
import { grained } from '../../picture/grain';
import { mostOf, tapered, thinned, type Point, type StrokePreview } from '../../picture/stroke';
import { mirrored } from '../model/lines';
import type { BenchModel } from '../model/model';
import { LayerPreview, rounded } from './layerPreview';
import { may } from './may';
import { pointOf } from './strokes';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';
import { addLines } from '../../page/commands/lines';
import { Grain, Steady, Taper, Weight } from '../options/brush';

export const ink: Tool = {
    id: 'ink',
    name: 'Ink',
    key: 'I',
    what: 'Draw a line that stays a line. Shift: straight.',
    cursor: 'ring',
    options: [Weight, Taper, Steady, Grain],
    isMirrored: true,
    ring: ({ weight }) => weight,
    sentence: ({ view }) =>
        `Inking a line of ${view.weight} px, over the underdrawing and apart from it${view.axis === null ? '' : '. The mirror is on: each line is drawn twice'}`,
    begin(host, point) {
        return may(host, 'colour') ? new InkGesture(host, point) : null;
    },
};

/** The least a mouse presses, and the speed, in screen pixels a millisecond, at which it is half-way there. */
const LIGHTEST = 0.45;
const BRISK = 1.2;

/** Points of a line, at the most. */
const LONGEST = 4000;

function pieces(path: Point[]): Point[][] {
    const parts: Point[][] = [];
    for (let from = 0; from < path.length - 1; from += LONGEST - 1) parts.push(path.slice(from, from + LONGEST));
    return parts;
}

/** A line under the hand and, with the mirror on, its twin. */
class InkGesture implements Gesture {
    private readonly preview: LayerPreview;
    private line: StrokePreview;
    private hand: ToolPoint;
    private last: ToolPoint;
    /** How hard a mouse presses just now, 0..1. */
    private force = 0.8;

    constructor(
        private readonly host: ToolHost,
        start: ToolPoint,
    ) {
        const { grain } = this.bench.view;
        this.preview = new LayerPreview(host, 'ink', 1, (base, line, column, row) =>
            mostOf(base, grained(line, grain, host.level, column, row)),
        );
        this.line = this.preview.stroke(this.bench.ink.nib);
        this.hand = this.last = start;
        this.preview.show([this.line], this.line.add(this.pressed(start)));
    }

    move(points: ToolPoint[]): void {
        this.hand = points[points.length - 1];
        if (this.hand.shift) return this.straighten(this.hand);
        const touched = new Set<string>();
        for (const point of points) this.line.add(this.pressed(point)).forEach((key) => touched.add(key));
        this.preview.show([this.line], touched);
    }

    /** A mouse has no pressure: the faster it goes, the lighter it presses. */
    private pressed(point: ToolPoint): Point {
        if (!point.isMouse) return pointOf(point);
        const gone = Math.hypot(point.x - this.last.x, point.y - this.last.y) * this.host.view.scale;
        const time = Math.max(1, point.time - this.last.time);
        this.force += (LIGHTEST + (1 - LIGHTEST) / (1 + gone / time / BRISK) - this.force) * 0.25;
        this.last = point;
        return [point.x, point.y, this.force];
    }

    up(): void {
        const drawn = this.drawn();
        this.preview.takeBack();
        const nib = { ...this.bench.ink.nib, smoothing: 0 };
        const lines = drawn.map(({ points, taper }) => this.preview.drawn(nib, tapered(points, taper)));
        this.preview.show(lines, new Set(lines.flatMap((line) => [...line.tiles.keys()])));
        addLines(this.bench.session, drawn);
    }

    cancel(): void {
        this.preview.takeBack();
    }

    /** A thread from the calmed line to the hand: how far it lags. */
    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        const end = this.line.lagging;
        if (end === null || this.bench.view.steady < 0.1) return;
        const from = toScreen.transformPoint(new DOMPoint(end[0], end[1]));
        const to = toScreen.transformPoint(new DOMPoint(this.hand.x, this.hand.y));
        context.strokeStyle = getComputedStyle(document.documentElement).getPropertyValue('--color-primary');
        context.lineWidth = 1.5;
        context.setLineDash([2, 4]);
        context.beginPath();
        context.moveTo(from.x, from.y);
        context.lineTo(to.x, to.y);
        context.stroke();
    }

    private get bench(): BenchModel {
        return this.host.bench;
    }

    /** The line as it was calmed: what is kept is what was seen. */
    private drawn(): InkStrokeData[] {
        const { weight, taper, grain, axis } = this.bench.view;
        this.line.end();
        const path = thinned(this.line.path).map(rounded);
        // Longer than a line may be: it goes on in another, whose ends do not run out.
        const parts = path.length <= LONGEST ? [path] : pieces(path);
        const lines = parts.map((points): InkStrokeData => ({
            points,
            weight,
            taper: parts.length > 1 ? 0 : taper,
            steady: 0,
            grain,
        }));
        return axis === null ? lines : [...lines, ...lines.map((line) => mirrored(line, axis))];
    }

    private straighten(to: ToolPoint): void {
        const [x, y, pressure] = this.line.points[0];
        const from = this.bench.ink.snapped({ x, y });
        const end = this.bench.ink.snapped(to);
        const start: Point = [from.x, from.y, pressure];
        this.preview.takeBack();
        this.line = this.preview.drawn(this.bench.ink.nib, [start]);
        const touched = new Set(this.line.tiles.keys());
        this.line.add([end.x, end.y, to.pressure]).forEach((key) => touched.add(key));
        this.preview.show([this.line], touched);
    }
}
