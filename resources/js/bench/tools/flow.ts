/** Which way hair or folds run in the picked regions: drawn over them, for when light is roughed in. */
import { sizeOf } from '../../page/store';
import { evenly, type Spot } from '../model/lines';
import { drawArrow } from '../surface/overlays';
import type { Gesture, ToolHost, ToolPoint } from './tool';

/** Places a direction is kept with; the core takes no more than twice as many. */
const PLACES = 12;

/** Screen pixels; less is no direction. */
const SHORTEST = 12;

export class FlowGesture implements Gesture {
    private readonly path: Spot[];

    constructor(
        private readonly host: ToolHost,
        start: ToolPoint,
    ) {
        this.path = [start];
    }

    move(points: ToolPoint[]): void {
        this.path.push(...points);
    }

    up(): void {
        const { bench, view } = this.host;
        const size = sizeOf(bench.session.view);
        const places = evenly(this.path, PLACES, SHORTEST / view.scale);
        const labels = bench.chosenRegions.map(([label]) => label);
        if (size === null || places === null || labels.length === 0) return;
        const line = places.map(({ x, y }): [number, number] => [x / size.width, y / size.height]);
        bench.session.tellFlow(labels, line);
        bench.set({ isDrawingFlow: false });
    }

    cancel(): void {
        this.path.length = 0;
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        drawArrow(context, toScreen, this.path);
    }
}
