/** Where a drawing lies: its frame on the page, and what a pull at it makes of its place. */
import type { DrawingData, PlacementData } from '../../api/generated';
import type { Spot } from './lines';

/** Width and height of what is laid: the drawing's, or those of the sheet whose corners are set. */
export function sidesOf({ width, height }: Pick<DrawingData, 'width' | 'height'>, { corners }: PlacementData): Spot {
    if (corners === null) return { x: width, y: height };
    const [a, b, c, d] = corners;
    const long = (p: number[], q: number[]): number => Math.hypot(q[0] - p[0], q[1] - p[1]);
    return { x: (long(a, b) + long(d, c)) / 2, y: (long(a, d) + long(b, c)) / 2 };
}

/** From the drawing's pixels to the page's; a sheet seen from aside only as near as moving and turning come. */
export function placeMatrix(drawing: Pick<DrawingData, 'width' | 'height'>, place: PlacementData): DOMMatrix {
    const { x, y } = sidesOf(drawing, place);
    return new DOMMatrix()
        .translate(place.x, place.y)
        .rotate(place.turn)
        .scale(place.mirror ? -place.scale : place.scale, place.scale)
        .translate(-x / 2, -y / 2);
}

/** The four corners on the page, clockwise from the drawing's upper left. */
export function frameOf(drawing: Pick<DrawingData, 'width' | 'height'>, place: PlacementData): Spot[] {
    const { x, y } = sidesOf(drawing, place);
    const [half, high] = [(place.scale * x) / 2, (place.scale * y) / 2];
    const [cos, sin] = [Math.cos((place.turn * Math.PI) / 180), Math.sin((place.turn * Math.PI) / 180)];
    return [
        [-half, -high],
        [half, -high],
        [half, high],
        [-half, high],
    ].map(([dx, dy]) => ({ x: place.x + cos * dx - sin * dy, y: place.y + sin * dx + cos * dy }));
}

/** The knob above the middle of the upper side, by which it is turned. */
export function knobOf(drawing: Pick<DrawingData, 'width' | 'height'>, place: PlacementData, away: number): Spot {
    const [a, b] = frameOf(drawing, place);
    const angle = (place.turn * Math.PI) / 180;
    return { x: (a.x + b.x) / 2 + Math.sin(angle) * away, y: (a.y + b.y) / 2 - Math.cos(angle) * away };
}

const tidy = (value: number): number => Math.round(value * 100) / 100;

export const movedBy = (place: PlacementData, dx: number, dy: number): PlacementData => ({
    ...place,
    x: tidy(place.x + dx),
    y: tidy(place.y + dy),
});

/** Pulled at a corner: it keeps its middle and its shape. */
export function scaledTo(place: PlacementData, from: Spot, to: Spot): PlacementData {
    const before = Math.hypot(from.x - place.x, from.y - place.y);
    const factor = before > 0 ? Math.hypot(to.x - place.x, to.y - place.y) / before : 1;
    return { ...place, scale: Math.round(1000 * Math.max(0.02, Math.min(20, place.scale * factor))) / 1000 };
}

/** Pulled at the knob; with steps, to the next fifteen degrees. */
export function turnedTo(place: PlacementData, to: Spot, inSteps: boolean): PlacementData {
    const degrees = (Math.atan2(to.x - place.x, place.y - to.y) * 180) / Math.PI;
    return { ...place, turn: inSteps ? Math.round(degrees / 15) * 15 : tidy(degrees) };
}
