/** The canvas in the middle: shows the page, listens to the hand. */
import { useEffect, useRef } from 'react';
import { isTyping } from '../../ui/typing';
import { useBench, useBenchModel, usePool } from '../model/context';
import type { BenchModel } from '../model/model';
import { TOOLS } from '../tools/registry';
import { Hand } from './hand';
import { SurfaceRenderer } from './render';
import { panBy, zoomAt } from './viewport';

const ZOOM = 0.0015;
const CURSORS = { grab: 'grab', crosshair: 'crosshair', ring: 'none' };

export function Surface() {
    const bench = useBenchModel();
    const pool = usePool();
    const frame = useRef<HTMLDivElement>(null);
    const canvas = useRef<HTMLCanvasElement>(null);
    const cursor = useBench((view) => TOOLS[view.tool].cursor);
    useEffect(() => {
        if (canvas.current === null || frame.current === null) return;
        const renderer = new SurfaceRenderer(canvas.current, bench, pool);
        const stops = [attach(renderer, bench, frame.current), () => renderer.end()];
        if (window.awning !== undefined) window.awning.renderer = renderer;
        return () => stops.forEach((stop) => stop());
    }, [bench, pool]);
    return (
        <div ref={frame} className="absolute inset-0">
            <canvas
                ref={canvas}
                id="surface"
                role="img"
                aria-label="The page"
                tabIndex={0}
                className="block touch-none outline-offset-[-3px]"
                style={{ cursor: CURSORS[cursor] }}
            />
        </div>
    );
}

/** Connects the canvas to the hand, the wheel and the Space key. @return what undoes it */
function attach(renderer: SurfaceRenderer, bench: BenchModel, frame: HTMLElement): () => void {
    const { canvas } = renderer;
    const hand = new Hand(bench, renderer);
    bench.surface = handleOf(renderer, hand, bench);
    const observer = new ResizeObserver(() => renderer.resize(frame.clientWidth, frame.clientHeight));
    observer.observe(frame);
    const space = spaceKey(hand);
    const wheel = (event: WheelEvent): void => {
        event.preventDefault();
        const box = canvas.getBoundingClientRect();
        zoom(renderer, event.clientX - box.left, event.clientY - box.top, Math.exp(-event.deltaY * ZOOM));
    };
    const on = listeners(canvas);
    on('pointerdown', (event) => hand.down(event));
    on('pointermove', (event) => hand.move(event));
    on('pointerup', (event) => hand.up(event));
    on('pointercancel', (event) => hand.lost(event));
    on('lostpointercapture', (event) => hand.lost(event));
    on('pointerleave', () => hand.leave());
    on('contextmenu', (event) => event.preventDefault());
    canvas.addEventListener('wheel', wheel, { passive: false });
    return () => {
        space.stop();
        observer.disconnect();
        on.stop();
        canvas.removeEventListener('wheel', wheel);
        bench.surface = null;
    };
}

/** Space moves the page while it is held; on a control that was reached by the keyboard it presses that instead. */
function spaceKey(hand: Hand): { stop: () => void } {
    const controller = new AbortController();
    let isByPointer = true;
    const isForThePage = ({ target }: Event): boolean => {
        const isControl = target instanceof HTMLElement && target.matches('button, a, input');
        return !isTyping(target) && (isByPointer || !isControl);
    };
    const space = (event: KeyboardEvent): void => {
        if (event.key === 'Tab') isByPointer = false;
        if (event.code !== 'Space') return;
        hand.isSpaceHeld = event.type === 'keydown' && isForThePage(event);
        // Held for the page, it must not press the button that was clicked last when it goes up.
        if (isForThePage(event)) event.preventDefault();
    };
    const options = { capture: true, signal: controller.signal };
    window.addEventListener('pointerdown', () => (isByPointer = true), options);
    window.addEventListener('keydown', space, options);
    window.addEventListener('keyup', space, options);
    return { stop: () => controller.abort() };
}

function handleOf(renderer: SurfaceRenderer, hand: Hand, bench: BenchModel): NonNullable<BenchModel['surface']> {
    const change = (next: (view: NonNullable<SurfaceRenderer['view']>) => SurfaceRenderer['view']): void => {
        if (renderer.view !== null) renderer.view = next(renderer.view);
        renderer.schedule();
    };
    return {
        fit() {
            renderer.isFitted = true;
            renderer.view = null;
            renderer.schedule();
        },
        mirror() {
            change((view) => ({ ...view, mirror: !view.mirror }));
            bench.set({ mirror: renderer.view?.mirror ?? false });
        },
        turn: (by) => change((view) => ({ ...view, turn: view.turn + by })),
        zoom: (factor) => zoom(renderer, renderer.canvas.width / 2, renderer.canvas.height / 2, factor),
        pan(dx, dy) {
            renderer.isFitted = false;
            change((view) => panBy(view, renderer.canvas, dx, dy));
        },
        goTo(x, y, width) {
            renderer.isFitted = false;
            const near =
                width === undefined ? 0 : Math.min(NEAREST, (renderer.canvas.height * PART) / Math.max(1, width));
            change((view) => ({
                ...view,
                x,
                y,
                scale: Math.max(width === undefined ? view.scale : 0, near, LEAST_SCALE),
            }));
        },
        middle: () => renderer.middle,
        pixels: (column, row) => renderer.pixels(column, row),
        end: () => hand.end(),
        cancel: () => hand.cancel(),
        refresh: () => renderer.schedule(),
    };
}

/** Screen pixels a page pixel takes when something is shown: at the least, and of something tiny. */
const LEAST_SCALE = 0.5;
const NEAREST = 4;
/** How much of the view what is shown takes. */
const PART = 0.3;

function zoom(renderer: SurfaceRenderer, x: number, y: number, factor: number): void {
    if (renderer.view === null) return;
    renderer.isFitted = false;
    renderer.view = zoomAt(renderer.view, renderer.canvas, x, y, factor);
    renderer.schedule();
}

/** Listeners of one element that can be taken off together. */
function listeners(element: HTMLElement) {
    const controller = new AbortController();
    const on = <K extends keyof HTMLElementEventMap>(name: K, work: (event: HTMLElementEventMap[K]) => void): void =>
        element.addEventListener(name, work, { signal: controller.signal });
    return Object.assign(on, { stop: () => controller.abort() });
}
