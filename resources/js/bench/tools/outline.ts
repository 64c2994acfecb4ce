import type { Spot } from '../model/lines';
import { drawOutline } from '../surface/overlays';
import type { Gesture, ToolPoint } from './tool';

/** Places of a loop that are sent, at the most. */
const MOST = 2000;

/** How a path shows over the page while it is drawn. */
export type DrawPath = (context: CanvasRenderingContext2D, toScreen: DOMMatrix, path: Spot[]) => void;

/** A path of the hand; most are loops that are drawn round something. */
export class OutlineGesture implements Gesture {
    private readonly outline: Spot[];

    constructor(
        start: ToolPoint,
        private readonly done: (outline: Spot[]) => void,
        private readonly show: DrawPath = drawOutline,
    ) {
        this.outline = [start];
    }

    move(points: ToolPoint[]): void {
        this.outline.push(...points);
    }

    up(): void {
        this.done(this.outline);
    }

    cancel(): void {
        this.outline.length = 0;
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        this.show(context, toScreen, this.outline);
    }
}

/** Every second, third … place of a long loop, to whole pixels. */
export function thinned(outline: Spot[]): [number, number][] {
    const step = Math.ceil(outline.length / MOST);
    return outline.filter((_, i) => i % step === 0).map(({ x, y }) => [Math.round(x), Math.round(y)]);
}
