/**
 * The hand on the canvas: one pointer at a time makes a gesture. A second one, Escape, or losing the pointer calls it
 * off; the middle button, Space or the look tool move the page instead.
 */
import { sizeOf } from '../../page/store';
import { SIDE } from '../../picture/compose';
import type { BenchModel } from '../model/model';
import { gripAxis } from '../tools/axisGrip';
import { gripEdge } from '../tools/edgeGrip';
import { TOOLS } from '../tools/registry';
import type { Gesture, Tool, ToolHost, ToolPoint } from '../tools/tool';
import type { SurfaceRenderer } from './render';
import { panBy, toPage, type View } from './viewport';

interface Spot {
    x: number;
    y: number;
}

export class Hand {
    isSpaceHeld = false;
    private pointer: number | null = null;
    private panFrom: Spot | null = null;
    /** Where the gesture under way was last. */
    private last: ToolPoint | null = null;

    constructor(
        private readonly bench: BenchModel,
        private readonly renderer: SurfaceRenderer,
    ) {}

    down(event: PointerEvent): void {
        if (this.pointer !== null) {
            if (event.pointerId !== this.pointer) this.cancel();
            return;
        }
        const { canvas, view } = this.renderer;
        if (view === null || sizeOf(this.bench.session.view) === null) return;
        const tool = TOOLS[this.bench.view.tool];
        canvas.setPointerCapture(event.pointerId);
        this.pointer = event.pointerId;
        const isPanned = event.button === 1 || this.isSpaceHeld || tool.id === 'look';
        const point = this.point(event, view);
        const grip = event.button === 0 ? this.grip(tool, point, view) : null;
        if (isPanned && grip === null) this.panFrom = spot(event, canvas);
        else if (event.button === 0) {
            this.last = point;
            this.renderer.gesture = grip ?? tool.begin(this.host(view), point);
        }
        this.renderer.schedule();
    }

    move(event: PointerEvent): void {
        const { canvas, view, gesture } = this.renderer;
        const at = spot(event, canvas);
        this.renderer.pointer = at;
        if (view === null) return;
        if (this.panFrom !== null && event.pointerId === this.pointer) this.pan(at, view);
        else if (gesture !== null && event.pointerId === this.pointer)
            this.follow(
                gesture,
                coalesced(event).map((each) => this.point(each, view)),
            );
        this.hover(at, view);
        this.renderer.schedule();
    }

    up(event: PointerEvent): void {
        if (event.pointerId !== this.pointer) return;
        const { gesture, view } = this.renderer;
        if (gesture !== null && view !== null) this.arrive(gesture, this.point(event, view));
        this.letGo();
        gesture?.up();
    }

    /** A shape that is set corner by corner is whole. */
    end(): void {
        const { view } = this.renderer;
        if (view !== null) TOOLS[this.bench.view.tool].end?.(this.host(view));
    }

    /** Whatever was under way is called off. */
    cancel(): void {
        const { gesture } = this.renderer;
        this.letGo();
        gesture?.cancel();
    }

    /** The browser took the pointer away. After an ordinary up there is nothing left to call off. */
    lost(event: PointerEvent): void {
        if (event.pointerId === this.pointer) this.cancel();
    }

    leave(): void {
        this.renderer.pointer = null;
        this.bench.set({ under: null });
        this.renderer.schedule();
    }

    labelAt(x: number, y: number): number {
        const size = sizeOf(this.bench.session.view);
        if (size === null || x < 0 || y < 0 || x >= size.width || y >= size.height) return 0;
        for (let level = this.renderer.level; level >= 0; level--) {
            const px = Math.floor(x) >> level;
            const py = Math.floor(y) >> level;
            const tile = this.bench.session.tiles.peek(level, 'flats', px >> 8, py >> 8);
            if (tile !== null) {
                const at = 2 * ((py & 255) * SIDE + (px & 255));
                return (tile[at] << 8) | tile[at + 1];
            }
        }
        return 0;
    }

    /** What lies under the hand to be dragged, whichever tool it holds; null: nothing does. */
    private grip(tool: Tool, point: ToolPoint, view: View): Gesture | null {
        const axis =
            tool.isMirrored === true && this.bench.view.overlays ? gripAxis(this.bench, point, view.scale) : null;
        const width = sizeOf(this.bench.session.view)?.width ?? 1;
        return axis ?? gripEdge(this.bench, point, width, view.scale);
    }

    private follow(gesture: Gesture, points: ToolPoint[]): void {
        this.last = points[points.length - 1];
        gesture.move(points);
    }

    /** A quick hand lets go before it was seen to arrive. Where it lets go it presses no more: as hard as before. */
    private arrive(gesture: Gesture, point: ToolPoint): void {
        if (this.last === null || (point.x === this.last.x && point.y === this.last.y)) return;
        this.follow(gesture, [{ ...point, pressure: this.last.pressure }]);
    }

    private letGo(): void {
        this.pointer = null;
        this.panFrom = null;
        this.renderer.gesture = null;
        this.renderer.schedule();
    }

    private pan(at: Spot, view: View): void {
        const from = this.panFrom ?? at;
        this.renderer.isFitted = false;
        this.renderer.view = panBy(view, this.renderer.canvas, at.x - from.x, at.y - from.y);
        this.panFrom = at;
    }

    private hover(at: Spot, view: View): void {
        const on = toPage(view, this.renderer.canvas, at.x, at.y);
        this.bench.set({ under: { x: Math.floor(on.x), y: Math.floor(on.y), label: this.labelAt(on.x, on.y) } });
    }

    private host(view: View): ToolHost {
        return {
            bench: this.bench,
            view,
            level: this.renderer.level,
            places: (spots) => this.renderer.placesInView(spots),
            labelAt: (x, y) => this.labelAt(x, y),
            touched: (level, places, layer) => this.renderer.touched(level, places, layer),
        };
    }

    private point(event: PointerEvent, view: View): ToolPoint {
        const at = spot(event, this.renderer.canvas);
        const on = toPage(view, this.renderer.canvas, at.x, at.y);
        return {
            x: on.x,
            y: on.y,
            pressure: pressureOf(event),
            shift: event.shiftKey,
            alt: event.altKey,
            isMouse: event.pointerType === 'mouse',
            time: event.timeStamp,
        };
    }
}

/** A mouse has no pressure, and a pen that says none or nonsense means full. */
export function pressureOf({ pointerType, pressure }: Pick<PointerEvent, 'pointerType' | 'pressure'>): number {
    return pointerType !== 'mouse' && pressure > 0 && pressure <= 1 ? pressure : 1;
}

function coalesced(event: PointerEvent): PointerEvent[] {
    const events = event.getCoalescedEvents?.() ?? [];
    return events.length > 0 ? events : [event];
}

function spot(event: { clientX: number; clientY: number }, element: HTMLElement): Spot {
    const box = element.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
}
