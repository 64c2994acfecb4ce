import { SIDE } from '../../picture/compose';

/** Where the page lies on the screen: scale, turn and mirror about the middle of the canvas. */
export interface View {
    /** Screen pixels a page pixel. */
    scale: number;
    /** The page's point that lies in the middle of the canvas. */
    x: number;
    y: number;
    /** Radians. */
    turn: number;
    mirror: boolean;
}

export interface Box {
    width: number;
    height: number;
}

const LEAST = 0.02;
const MOST = 16;

/** Room along the canvas's edges that the page keeps out of, in screen pixels. */
export interface Insets {
    top: number;
    right: number;
    bottom: number;
    left: number;
}

/** The whole page in the middle of the free area. */
export function fit(page: Box, canvas: Box, insets: Insets): View {
    const width = Math.max(40, canvas.width - insets.left - insets.right);
    const height = Math.max(40, canvas.height - insets.top - insets.bottom);
    const scale = Math.max(LEAST, Math.min(width / page.width, height / page.height));
    const aside = { x: (insets.left - insets.right) / 2, y: (insets.top - insets.bottom) / 2 };
    return { scale, x: page.width / 2 - aside.x / scale, y: page.height / 2 - aside.y / scale, turn: 0, mirror: false };
}

export function matrix(view: View, canvas: Box): DOMMatrix {
    return new DOMMatrix()
        .translate(canvas.width / 2, canvas.height / 2)
        .scale(view.mirror ? -1 : 1, 1)
        .rotate((view.turn * 180) / Math.PI)
        .scale(view.scale)
        .translate(-view.x, -view.y);
}

export function toPage(view: View, canvas: Box, x: number, y: number): { x: number; y: number } {
    const point = matrix(view, canvas).inverse().transformPoint(new DOMPoint(x, y));
    return { x: point.x, y: point.y };
}

/** Zooms so that the page's point under the pointer stays under it. */
export function zoomAt(view: View, canvas: Box, x: number, y: number, factor: number): View {
    const before = toPage(view, canvas, x, y);
    const scale = Math.min(MOST, Math.max(LEAST, view.scale * factor));
    const after = toPage({ ...view, scale }, canvas, x, y);
    return { ...view, scale, x: view.x + before.x - after.x, y: view.y + before.y - after.y };
}

export function panBy(view: View, canvas: Box, dx: number, dy: number): View {
    const from = toPage(view, canvas, 0, 0);
    const to = toPage(view, canvas, dx, dy);
    return { ...view, x: view.x - (to.x - from.x), y: view.y - (to.y - from.y) };
}

/** The coarsest level that still has a pixel for each of the screen's. */
export function levelFor(scale: number, highest: number): number {
    return Math.max(0, Math.min(highest, Math.floor(Math.log2(1 / scale) + 0.01)));
}

/** Part of the page, in its pixels. */
export interface Part {
    left: number;
    top: number;
    right: number;
    bottom: number;
}

/** The page's rectangle that the canvas shows. */
export function shown(view: View, canvas: Box): Part {
    const corners = [
        [0, 0],
        [canvas.width, 0],
        [0, canvas.height],
        [canvas.width, canvas.height],
    ].map(([x, y]) => toPage(view, canvas, x, y));
    return {
        left: Math.min(...corners.map((c) => c.x)),
        right: Math.max(...corners.map((c) => c.x)),
        top: Math.min(...corners.map((c) => c.y)),
        bottom: Math.max(...corners.map((c) => c.y)),
    };
}

/** The tiles of a level that lie in a part of the page, and so many round about. */
export function tilesIn(level: number, part: Part, page: Box, ring = 0): { column: number; row: number }[] {
    const span = SIDE << level;
    const between = (from: number, to: number, length: number): number[] => {
        const last = Math.ceil(length / span) - 1;
        const clamp = (value: number): number => Math.max(0, Math.min(last, value));
        const first = clamp(Math.floor(from / span) - ring);
        return Array.from({ length: clamp(Math.floor(to / span) + ring) - first + 1 }, (_, i) => first + i);
    };
    const columns = between(part.left, part.right, page.width);
    return between(part.top, part.bottom, page.height).flatMap((row) => columns.map((column) => ({ column, row })));
}
