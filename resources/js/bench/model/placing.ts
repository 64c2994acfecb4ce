/** Where a drawing lies: its frame on the page, and what a pull at it makes of its place. */
import type { CornerData, CropData, DrawingData, PlacementData } from '../../api/generated';
import { hundredth, type Spot } from './lines';

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

type Size = Pick<DrawingData, 'width' | 'height'>;

/** Left, top, right and bottom of the part that is laid, in pixels of the drawing or of the sheet set straight. */
export function partOf(drawing: Size, place: PlacementData): CropData {
    const { x, y } = sidesOf(drawing, place);
    return place.crop ?? [0, 0, x, y];
}

/** The four corners of what is laid on the page, clockwise from the drawing's upper left. */
export function frameOf(drawing: Size, place: PlacementData): Spot[] {
    const { x, y } = sidesOf(drawing, place);
    const [left, top, right, bottom] = partOf(drawing, place);
    const [cos, sin] = [Math.cos((place.turn * Math.PI) / 180), Math.sin((place.turn * Math.PI) / 180)];
    const across = place.mirror ? -place.scale : place.scale;
    return [
        [left, top],
        [right, top],
        [right, bottom],
        [left, bottom],
    ].map(([px, py]) => {
        const [dx, dy] = [(px - x / 2) * across, (py - y / 2) * place.scale];
        return { x: place.x + cos * dx - sin * dy, y: place.y + sin * dx + cos * dy };
    });
}

/** The middles of its sides: left, top, right, bottom. */
export function sidesAt(drawing: Size, place: PlacementData): Spot[] {
    const [a, b, c, d] = frameOf(drawing, place);
    const between = (p: Spot, q: Spot): Spot => ({ x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 });
    return [between(a, d), between(a, b), between(b, c), between(c, d)];
}

/** The least that is left of a drawing, px. */
const LEAST_PART = 8;

/** A side pulled to a place of the page: what lies beyond it is left out. Pulled back to its edge, nothing is. */
export function croppedTo(place: PlacementData, drawing: Size, side: number, to: Spot): PlacementData {
    const { x, y } = sidesOf(drawing, place);
    const whole: CropData = [0, 0, x, y];
    const [cos, sin] = [Math.cos((place.turn * Math.PI) / 180), Math.sin((place.turn * Math.PI) / 180)];
    const [dx, dy] = [to.x - place.x, to.y - place.y];
    const across = (cos * dx + sin * dy) / (place.mirror ? -place.scale : place.scale) + x / 2;
    const down = (cos * dy - sin * dx) / place.scale + y / 2;
    const crop: CropData = [...partOf(drawing, place)];
    const [least, most] = side < 2 ? [0, crop[side + 2] - LEAST_PART] : [crop[side - 2] + LEAST_PART, whole[side]];
    crop[side] = Math.round(Math.max(least, Math.min(most, side % 2 === 0 ? across : down)));
    return { ...place, crop: crop.every((at, i) => Math.abs(at - whole[i]) < 1) ? null : crop };
}

/** Whether the sheet's corners are being set, on the original as it was photographed. */
export const isCuttingOut = (drawing: DrawingData, place: PlacementData): boolean =>
    place.corners !== null && drawing.place.corners === null;

/** One corner of a sheet that was photographed from aside, moved to a place of the original. */
export function cornerAt(place: PlacementData, corner: number, to: Spot): PlacementData {
    const corners =
        place.corners?.map((at, i): CornerData => (i === corner ? [Math.round(to.x), Math.round(to.y)] : at)) ?? null;
    return { ...place, corners };
}

/** The knob above the middle of the upper side, by which it is turned. */
export function knobOf(drawing: Size, place: PlacementData, away: number): Spot {
    const [a, b] = frameOf(drawing, place);
    const angle = (place.turn * Math.PI) / 180;
    return { x: (a.x + b.x) / 2 + Math.sin(angle) * away, y: (a.y + b.y) / 2 - Math.cos(angle) * away };
}

export const movedBy = (place: PlacementData, dx: number, dy: number): PlacementData => ({
    ...place,
    x: hundredth(place.x + dx),
    y: hundredth(place.y + dy),
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
    return { ...place, turn: inSteps ? Math.round(degrees / 15) * 15 : hundredth(degrees) };
}
