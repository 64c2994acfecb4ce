/** What part of the board is seen. */
import type { ReferenceState } from '../api/generated';

export interface BoardView {
    /** The place of the board at the left upper corner. */
    x: number;
    y: number;
    /** Pixels of the screen for one of the board. */
    zoom: number;
}

const SMALLEST = 0.05;
const LARGEST = 16;
/** Nothing is shown larger than this unasked. */
const FITTED = 2;
/** Bare board around what hangs there, in pixels of the screen. */
const RIM = 12;

export const atStart: BoardView = { x: -RIM, y: -RIM, zoom: 1 };

/** Zooms about a place of the screen, which stays where it is. */
export function zoomed(view: BoardView, factor: number, x: number, y: number): BoardView {
    const zoom = Math.min(LARGEST, Math.max(SMALLEST, view.zoom * factor));
    return { zoom, x: view.x + x / view.zoom - x / zoom, y: view.y + y / view.zoom - y / zoom };
}

export const moved = (view: BoardView, right: number, down: number): BoardView => ({
    ...view,
    x: view.x - right / view.zoom,
    y: view.y - down / view.zoom,
});

/** How high a picture hangs. */
export const heightOf = ({ across, width, height }: ReferenceState): number =>
    width === null || height === null ? across * 0.75 : (across * height) / width;

/** Everything that hangs there, as large as it fits. */
export function fitted(pictures: readonly ReferenceState[], width: number, height: number): BoardView {
    if (pictures.length === 0) return atStart;
    const left = Math.min(...pictures.map(({ x }) => x));
    const top = Math.min(...pictures.map(({ y }) => y));
    const right = Math.max(...pictures.map(({ x, across }) => x + across));
    const bottom = Math.max(...pictures.map((one) => one.y + heightOf(one)));
    const zoom = Math.min(FITTED, (width - 2 * RIM) / (right - left), (height - 2 * RIM) / (bottom - top));
    return { zoom: Math.max(SMALLEST, zoom), x: left - RIM / zoom, y: top - RIM / zoom };
}
