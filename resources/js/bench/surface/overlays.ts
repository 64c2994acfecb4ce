/** What is drawn over the page, in screen pixels. */
import type { AxisData, BridgeData, BridgeKind, InkPointData } from '../../api/generated';
import type { Cue } from '../model/flatsModel';

const RADIUS = 7;

/**
 * Each bridge as a short stroke, its kind told by what stands round it: a ring where it was found, a square where it is
 * kept, a broken ring and stroke where it is doubtful, a cross where it was taken away.
 */
export function drawBridges(context: CanvasRenderingContext2D, toScreen: DOMMatrix, bridges: BridgeData[]): void {
    context.save();
    context.strokeStyle = accent();
    for (const { x1, y1, x2, y2, kind } of bridges) {
        const a = toScreen.transformPoint(new DOMPoint(x1 + 0.5, y1 + 0.5));
        const b = toScreen.transformPoint(new DOMPoint(x2 + 0.5, y2 + 0.5));
        context.setLineDash(kind === 'doubtful' ? [3, 3] : []);
        if (kind !== 'refused') drawBar(context, a, b);
        drawMark(context, kind, (a.x + b.x) / 2, (a.y + b.y) / 2);
    }
    context.restore();
}

/**
 * The bridges as they would be with another limit to their length: crossed out where they go, whole where they come.
 */
export function asLimited(bridges: BridgeData[], longest: number | null): BridgeData[] {
    if (longest === null) return bridges;
    return bridges.map((bridge) => {
        const isLonger = Math.hypot(bridge.x2 - bridge.x1, bridge.y2 - bridge.y1) > longest;
        if (bridge.kind === 'found' && isLonger) return { ...bridge, kind: 'refused' };
        return bridge.kind === 'doubtful' && !isLonger ? { ...bridge, kind: 'found' } : bridge;
    });
}

function drawBar(context: CanvasRenderingContext2D, a: DOMPoint, b: DOMPoint): void {
    context.lineWidth = 2.5;
    context.beginPath();
    context.moveTo(a.x, a.y);
    context.lineTo(b.x, b.y);
    context.stroke();
}

function drawMark(context: CanvasRenderingContext2D, kind: BridgeKind, x: number, y: number): void {
    context.lineWidth = 1.2;
    context.beginPath();
    if (kind === 'kept') context.rect(x - RADIUS, y - RADIUS, 2 * RADIUS, 2 * RADIUS);
    else if (kind === 'refused') {
        addLine(context, x - 4, y - 4, x + 4, y + 4);
        addLine(context, x - 4, y + 4, x + 4, y - 4);
    } else context.arc(x, y, RADIUS, 0, 7);
    context.stroke();
}

/** Dabs of materials in their colours, in a dark and a light line so that they show on anything. */
export function drawCues(context: CanvasRenderingContext2D, toScreen: DOMMatrix, cues: Cue[]): void {
    context.save();
    context.lineCap = context.lineJoin = 'round';
    for (const { path, material } of cues) {
        for (const [width, colour] of [
            [13, '#111111'],
            [11, '#ffffff'],
            [8, material.tones.base],
        ] as const) {
            context.lineWidth = width;
            context.strokeStyle = colour;
            trace(
                context,
                path.map(({ x, y }) => toScreen.transformPoint(new DOMPoint(x, y))),
            );
            context.stroke();
        }
    }
    context.restore();
}

/** A bridge under the hand. */
export function drawDraftBridge(
    context: CanvasRenderingContext2D,
    toScreen: DOMMatrix,
    from: { x: number; y: number },
    to: { x: number; y: number },
): void {
    context.save();
    context.strokeStyle = accent();
    drawBar(
        context,
        toScreen.transformPoint(new DOMPoint(from.x, from.y)),
        toScreen.transformPoint(new DOMPoint(to.x, to.y)),
    );
    context.restore();
}

/** The brush, as large as it paints; light and dark, so that it shows on anything. */
export function drawRing(context: CanvasRenderingContext2D, at: { x: number; y: number }, radius: number): void {
    context.beginPath();
    context.arc(at.x, at.y, Math.max(2, radius), 0, 7);
    context.lineWidth = 3;
    context.strokeStyle = 'rgba(255,255,255,.8)';
    context.stroke();
    context.lineWidth = 1;
    context.strokeStyle = '#111';
    context.stroke();
}

/** How much of an original shows through the page while it is placed. */
export const FAINT = 0.6;

/** Screen pixels between a drawing's frame and the knob that turns it. */
export const KNOB_AWAY = 28;

const accent = (): string => getComputedStyle(document.documentElement).getPropertyValue('--color-primary');

/** Middles of lines, with their ends as small squares. */
export function drawLines(
    context: CanvasRenderingContext2D,
    toScreen: DOMMatrix,
    lines: { points: InkPointData[] }[],
): void {
    context.save();
    context.strokeStyle = context.fillStyle = accent();
    context.lineWidth = 2;
    for (const { points } of lines) {
        const path = points.map(([x, y]) => toScreen.transformPoint(new DOMPoint(x, y)));
        trace(context, path);
        context.stroke();
        for (const end of [path[0], path[path.length - 1]]) context.fillRect(end.x - 3, end.y - 3, 6, 6);
    }
    context.restore();
}

/** A way that is drawn, with a head where it ends. */
export function drawArrow(
    context: CanvasRenderingContext2D,
    toScreen: DOMMatrix,
    path: readonly { x: number; y: number }[],
): void {
    if (path.length < 2) return;
    const on = path.map(({ x, y }) => toScreen.transformPoint(new DOMPoint(x, y)));
    const tip = on[on.length - 1];
    const before = on.findLast(({ x, y }) => Math.hypot(tip.x - x, tip.y - y) > HEAD) ?? on[0];
    const angle = Math.atan2(tip.y - before.y, tip.x - before.x);
    const barb = (turn: number) => ({
        x: tip.x - HEAD * Math.cos(angle + turn),
        y: tip.y - HEAD * Math.sin(angle + turn),
    });
    context.save();
    context.lineCap = context.lineJoin = 'round';
    for (const [colour, width] of [
        ['#ffffff', 4.5],
        [accent(), 2.5],
    ] as const) {
        context.strokeStyle = colour;
        context.lineWidth = width;
        for (const line of [on, [barb(0.5), tip, barb(-0.5)]]) {
            trace(context, line);
            context.stroke();
        }
    }
    context.restore();
}

/** Screen pixels along the head of an arrow. */
const HEAD = 12;

/** A loop drawn by the hand, filled faintly. */
export function drawOutline(
    context: CanvasRenderingContext2D,
    toScreen: DOMMatrix,
    outline: { x: number; y: number }[],
): void {
    context.save();
    trace(
        context,
        outline.map(({ x, y }) => toScreen.transformPoint(new DOMPoint(x, y))),
    );
    context.closePath();
    context.fillStyle = context.strokeStyle = accent();
    context.globalAlpha = 0.12;
    context.fill();
    context.globalAlpha = 1;
    context.lineWidth = 1.5;
    context.stroke();
    context.restore();
}

/** Where a round eraser goes, as wide as it is on the screen. */
export function drawPath(
    context: CanvasRenderingContext2D,
    toScreen: DOMMatrix,
    path: { x: number; y: number }[],
    width: number,
): void {
    context.save();
    context.lineCap = context.lineJoin = 'round';
    context.strokeStyle = accent();
    context.globalAlpha = 0.35;
    context.lineWidth = width;
    trace(
        context,
        path.map(({ x, y }) => toScreen.transformPoint(new DOMPoint(x, y))),
    );
    context.stroke();
    context.restore();
}

/** A square grid over the page, every fourth line a little stronger. */
export function drawGrid(
    context: CanvasRenderingContext2D,
    toScreen: DOMMatrix,
    size: { width: number; height: number },
    step: number,
): void {
    context.save();
    context.setTransform(toScreen);
    context.strokeStyle = '#6b6b6b';
    for (const every of [1, 4]) {
        context.lineWidth = 0.6 / Math.hypot(toScreen.a, toScreen.b);
        context.globalAlpha = 0.4;
        context.beginPath();
        for (let x = 0; x <= size.width; x += step * every) addLine(context, x, 0, x, size.height);
        for (let y = 0; y <= size.height; y += step * every) addLine(context, 0, y, size.width, y);
        context.stroke();
    }
    context.restore();
}

/** The mirror axis: right across, with the word beside it, so that it is not forgotten. */
export function drawAxis(context: CanvasRenderingContext2D, toScreen: DOMMatrix, axis: AxisData): void {
    const [ux, uy] = [Math.sin(axis.turn), Math.cos(axis.turn)];
    const far = 40_000;
    const a = toScreen.transformPoint(new DOMPoint(axis.x - far * ux, axis.y - far * uy));
    const b = toScreen.transformPoint(new DOMPoint(axis.x + far * ux, axis.y + far * uy));
    context.save();
    context.strokeStyle = accent();
    context.lineWidth = 2;
    context.setLineDash([10, 5]);
    trace(context, [a, b]);
    context.stroke();
    context.restore();
}

/** A drawing's frame with its handles. */
export function drawFrame(
    context: CanvasRenderingContext2D,
    toScreen: DOMMatrix,
    frame: { x: number; y: number }[],
    knob: { x: number; y: number },
): void {
    const corners = frame.map(({ x, y }) => toScreen.transformPoint(new DOMPoint(x, y)));
    const top = { x: (corners[0].x + corners[1].x) / 2, y: (corners[0].y + corners[1].y) / 2 };
    const at = toScreen.transformPoint(new DOMPoint(knob.x, knob.y));
    context.save();
    context.strokeStyle = accent();
    context.fillStyle = '#ffffff';
    context.lineWidth = 1.5;
    trace(context, corners);
    context.closePath();
    context.moveTo(top.x, top.y);
    context.lineTo(at.x, at.y);
    context.stroke();
    context.beginPath();
    context.arc(at.x, at.y, 6, 0, 7);
    context.fill();
    context.stroke();
    context.restore();
    drawHandles(context, toScreen, frame);
}

/** Squares by which a shape is pulled; lozenges where its sides are. */
export function drawHandles(
    context: CanvasRenderingContext2D,
    toScreen: DOMMatrix,
    places: { x: number; y: number }[],
    isSide = false,
): void {
    context.save();
    context.strokeStyle = accent();
    context.fillStyle = '#ffffff';
    context.lineWidth = 1.5;
    for (const place of places) {
        const { x, y } = toScreen.transformPoint(new DOMPoint(place.x, place.y));
        context.setTransform(1, 0, 0, 1, x, y);
        if (isSide) context.rotate(Math.PI / 4);
        context.fillRect(-5, -5, 10, 10);
        context.strokeRect(-5, -5, 10, 10);
    }
    context.restore();
}

/** Where one of two pictures that are compared ends and the other begins. */
export function drawEdge(context: CanvasRenderingContext2D, toScreen: DOMMatrix, x: number, height: number): void {
    const [from, to] = [0, height].map((y) => toScreen.transformPoint(new DOMPoint(x, y)));
    context.save();
    context.lineWidth = 3;
    context.strokeStyle = accent();
    trace(context, [from, to]);
    context.stroke();
    context.restore();
}

function trace(context: CanvasRenderingContext2D, path: { x: number; y: number }[]): void {
    context.beginPath();
    path.forEach(({ x, y }, i) => (i === 0 ? context.moveTo(x, y) : context.lineTo(x, y)));
}

function addLine(context: CanvasRenderingContext2D, ax: number, ay: number, bx: number, by: number): void {
    context.moveTo(ax, ay);
    context.lineTo(bx, by);
}
