import type { DrawingData, PlacementData } from '../../api/generated';
import type { Spot } from '../model/lines';
import type { Trial } from '../model/inkModel';
import {
    cornerAt,
    croppedTo,
    frameOf,
    isCuttingOut,
    knobOf,
    movedBy,
    scaledTo,
    sidesAt,
    turnedTo,
} from '../model/placing';
import { originalMatrix } from '../surface/originals';
import { may } from './may';
import type { Gesture, Paper, Tool, ToolHost, ToolPoint } from './tool';
import { FAINT, KNOB_AWAY, drawFrame, drawHandles, drawOutline } from '../surface/overlays';

/** Screen pixels round a handle that belong to it. */
const REACH = 12;

export const place: Tool = {
    id: 'place',
    name: 'Place',
    key: 'M',
    what: 'Move the picked drawing; pull its corners to scale it, its sides to crop it, the knob to turn it',
    cursor: 'crosshair',
    options: [],
    overlay: drawPlacing,
    sentence: ({ ink: { drawing } }) =>
        drawing === null
            ? 'There is no drawing to place yet'
            : `Placing ${drawing[1].name}: drag it, pull corners or sides, turn it by the knob; it is laid by the button at the right`,
    begin(host, point) {
        const drawing = host.bench.ink.drawing?.[1];
        return drawing !== undefined && may(host, 'flat') ? new PlaceGesture(host, drawing, point) : null;
    },
};

type Pull = (to: ToolPoint) => PlacementData;

class PlaceGesture implements Gesture {
    private readonly pull: Pull;
    private readonly before: Trial | null;

    constructor(
        private readonly host: ToolHost,
        drawing: DrawingData,
        start: ToolPoint,
    ) {
        this.before = host.bench.view.trial;
        this.pull = this.pullAt(drawing, start);
    }

    move(points: ToolPoint[]): void {
        this.host.bench.ink.try({ place: this.pull(points[points.length - 1]) });
    }

    up(): void {}

    cancel(): void {
        this.host.bench.set({ trial: this.before });
    }

    /** What is held: a corner of the sheet that is being cut out; the knob, a corner, a side, or all of it. */
    private pullAt(drawing: DrawingData, start: ToolPoint): Pull {
        const now = this.before?.place ?? drawing.place;
        const isNear = (spot: Spot): boolean =>
            Math.hypot(spot.x - start.x, spot.y - start.y) * this.host.view.scale < REACH;
        if (isCuttingOut(drawing, now)) return this.sheetCornerAt(drawing, now, isNear);
        if (isNear(knobOf(drawing, now, KNOB_AWAY / this.host.view.scale))) return (to) => turnedTo(now, to, to.shift);
        if (frameOf(drawing, now).some(isNear)) return (to) => scaledTo(now, start, to);
        const side = sidesAt(drawing, now).findIndex(isNear);
        if (side >= 0) return (to) => croppedTo(now, drawing, side, to);
        return (to) => movedBy(now, to.x - start.x, to.y - start.y);
    }

    private sheetCornerAt(drawing: DrawingData, now: PlacementData, isNear: (spot: Spot) => boolean): Pull {
        const toPage = originalMatrix(drawing, null);
        const onPage = (now.corners ?? []).map(([x, y]) => toPage.transformPoint(new DOMPoint(x, y)));
        const corner = onPage.findIndex(isNear);
        const toOriginal = toPage.inverse();
        return (to) => (corner < 0 ? now : cornerAt(now, corner, toOriginal.transformPoint(new DOMPoint(to.x, to.y))));
    }
}

/** The frame of what is placed; while a sheet's corners are tried, the original with these marked on it. */
function drawPlacing({ context, toScreen, bench, view, drawOriginal }: Paper): void {
    const drawing = bench.ink.drawing?.[1];
    if (drawing === undefined) return;
    const { trial } = bench.view;
    const now = trial?.place ?? drawing.place;
    if (isCuttingOut(drawing, now)) {
        drawOriginal(drawing, null, 1);
        const toPage = originalMatrix(drawing, null);
        const corners = now.corners?.map(([x, y]) => toPage.transformPoint(new DOMPoint(x, y))) ?? [];
        drawOutline(context, toScreen, corners);
        drawHandles(context, toScreen, corners);
        return;
    }
    if (now !== drawing.place) drawOriginal(drawing, trial, FAINT);
    drawFrame(context, toScreen, frameOf(drawing, now), knobOf(drawing, now, KNOB_AWAY / view.scale));
    drawHandles(context, toScreen, sidesAt(drawing, now), true);
}
