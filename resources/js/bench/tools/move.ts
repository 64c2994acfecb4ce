import { isInside, spotInMirror, type Spot } from '../model/lines';
import { drawOutline } from '../surface/overlays';
import { passAt, type Aim } from './aim';
import { OutlineGesture, thinned } from './outline';
import { strokeSentence } from './strokes';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';
import { MovedPaint } from '../options/MovedPaint';

export const move: Tool = {
    id: 'move',
    name: 'Move',
    key: 'M',
    what: 'Draw round paint, then drag it; Alt-drag copies it',
    cursor: 'crosshair',
    options: [MovedPaint],
    isMirrored: true,
    overlay({ context, toScreen, bench, isBusy }) {
        const { movedOutline, overlays } = bench.view;
        if (overlays && movedOutline !== null && !isBusy) drawOutline(context, toScreen, movedOutline);
    },
    sentence: (bench) =>
        `${strokeSentence(bench, false).replace('Painting', 'Moving paint of')} · ${bench.view.movedOutline === null ? 'draw round what you mean' : 'drag it; outside of it draw round something else'}`,
    begin(host, start) {
        const aim = passAt(host, start);
        if (aim === null) return null;
        const { movedOutline } = host.bench.view;
        if (movedOutline !== null && isInside(movedOutline, start.x, start.y))
            return new CarryGesture(host, aim, movedOutline, start);
        return new OutlineGesture(start, (outline) => {
            const corners = thinned(outline).map(([x, y]) => ({ x, y }));
            host.bench.set({ movedOutline: corners.length > 2 ? corners : null });
        });
    },
};

class CarryGesture implements Gesture {
    private by: Spot = { x: 0, y: 0 };
    private isCopy: boolean;

    constructor(
        private readonly host: ToolHost,
        private readonly aim: Aim,
        private readonly outline: Spot[],
        private readonly start: ToolPoint,
    ) {
        this.isCopy = start.alt;
    }

    move(points: ToolPoint[]): void {
        const last = points[points.length - 1];
        // Whole pixels: paint stays as sharp as it is.
        this.by = { x: Math.round(last.x - this.start.x), y: Math.round(last.y - this.start.y) };
        this.isCopy = last.alt;
    }

    up(): void {
        if (this.by.x === 0 && this.by.y === 0) return;
        this.host.bench.paint.movePaint(this.aim.pass, { by: [this.by.x, this.by.y], copy: this.isCopy });
    }

    cancel(): void {
        this.by = { x: 0, y: 0 };
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        const { axis } = this.host.bench.view;
        const moved = this.outline.map(({ x, y }) => ({ x: x + this.by.x, y: y + this.by.y }));
        drawOutline(context, toScreen, moved);
        if (axis === null) return;
        drawOutline(
            context,
            toScreen,
            moved.map((spot) => spotInMirror(spot, axis)),
        );
    }
}
