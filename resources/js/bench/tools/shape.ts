import type { InkPointData } from '../../api/generated';
import type { Spot } from '../model/lines';
import { lineOf, squared } from '../model/shapes';
import { drawLines } from '../surface/overlays';
import { may } from './may';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';
import { Grain, Taper, Weight } from '../options/brush';
import { ShapeChoice } from '../options/shapes';
import type { Shape } from '../model/shapes';

/** Screen pixels round a place that belong to it. */
const REACH = 9;

const SENTENCES = {
    corners: 'Corner to corner: press for each corner; on the last one, or on the first, it is done',
    curve: 'A smooth curve through the places you press; on the last one, or on the first, it is done',
    ellipse: 'An ellipse from corner to corner; with Shift a circle',
};

export interface ShapeView {
    /** What the shape tool makes. */
    shape: Shape;
}

export const shapeAtFirst: ShapeView = { shape: 'corners' };

export const shape: Tool = {
    id: 'shape',
    name: 'Shape',
    key: 'B',
    what: 'Corners, smooth curves, ellipses',
    cursor: 'crosshair',
    options: [ShapeChoice, Weight, Taper, Grain],
    isMirrored: true,
    /** The shape so far, with every place that was set. */
    overlay({ context, toScreen, bench, isBusy }) {
        const { draft, shape: made, overlays } = bench.view;
        if (draft.length === 0 || isBusy || !overlays) return;
        const line = lineOf(made, draft);
        drawLines(context, toScreen, [
            ...(line === null ? [] : [{ points: line }]),
            ...draft.map(({ x, y }) => ({ points: [[x, y, 1] as InkPointData] })),
        ]);
    },
    sentence: ({ view }) => `${SENTENCES[view.shape]}${view.axis === null ? '' : '. The mirror is on'}`,
    begin(host, point) {
        if (!may(host, 'colour')) return null;
        const start = host.bench.ink.snapped(point);
        return host.bench.view.shape === 'ellipse' ? new EllipseGesture(host, start) : new PlaceGesture(host, start);
    },
};

const drawing = (points: InkPointData[] | null) => (points === null ? [] : [{ points }]);

class EllipseGesture implements Gesture {
    private to: Spot;

    constructor(
        private readonly host: ToolHost,
        private readonly from: Spot,
    ) {
        this.to = from;
    }

    move(points: ToolPoint[]): void {
        const last = points[points.length - 1];
        const to = this.host.bench.ink.snapped(last);
        this.to = last.shift ? squared(this.from, to) : to;
    }

    up(): void {
        const wide = Math.abs(this.to.x - this.from.x) * this.host.view.scale;
        if (wide >= 2) this.host.bench.ink.inkLine(lineOf('ellipse', [this.from, this.to]));
    }

    cancel(): void {
        this.to = this.from;
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        drawLines(context, toScreen, drawing(lineOf('ellipse', [this.from, this.to])));
    }
}

/** One more place of a shape; it may be dragged before it is let go. */
class PlaceGesture implements Gesture {
    private at: Spot;

    constructor(
        private readonly host: ToolHost,
        start: Spot,
    ) {
        this.at = start;
    }

    move(points: ToolPoint[]): void {
        this.at = this.host.bench.ink.snapped(points[points.length - 1]);
    }

    up(): void {
        const { bench } = this.host;
        const { draft } = bench.view;
        const isOn = (place: Spot | undefined): boolean =>
            place !== undefined && Math.hypot(place.x - this.at.x, place.y - this.at.y) * this.host.view.scale < REACH;
        if (draft.length > 1 && isOn(draft[draft.length - 1])) bench.ink.endDraft(false);
        else if (draft.length > 2 && isOn(draft[0])) bench.ink.endDraft(true);
        else bench.set({ draft: [...draft, { x: this.at.x, y: this.at.y }] });
    }

    cancel(): void {
        this.host.bench.set({ draft: [] });
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        const { draft, shape: kind } = this.host.bench.view;
        drawLines(context, toScreen, drawing(lineOf(kind, [...draft, this.at])));
    }
}
