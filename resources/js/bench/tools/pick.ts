import type { InkStrokeData } from '../../api/generated';
import { randomId } from '../../page/ids';
import { lineAt, linesInside, moved, nearestPoint, pulled, type Spot } from '../model/lines';
import { drawLines } from '../surface/overlays';
import { may } from './may';
import { OutlineGesture } from './outline';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';
import { drawInk } from '../../page/ops/ink/drawInk';

/** Screen pixels by which a line may be missed, and by which a click may slip. */
const REACH = 6;

export const pick: Tool = {
    id: 'pick',
    name: 'Pick',
    key: 'K',
    what: 'Pick lines by a click or a loop; drag them; Alt-drag copies',
    cursor: 'crosshair',
    options: [],
    sentence: ({ view }) =>
        view.pickedLines.length === 0
            ? 'Picking lines that were drawn here: click one, or draw a loop round several'
            : `${view.pickedLines.length === 1 ? 'One line is' : `${view.pickedLines.length} lines are`} picked: ${view.isReshaping ? 'pull it into shape' : 'drag to move, Alt-drag to copy'}; more at the right`,
    begin(host, point) {
        const { session, view } = host.bench;
        const id = lineAt(session.view.records.stroke, point, REACH / host.view.scale);
        if (id === null) return new OutlineGesture(point, (outline) => pickInside(host, outline, point.shift));
        if (!view.pickedLines.includes(id))
            host.bench.set({ pickedLines: point.shift ? [...view.pickedLines, id] : [id] });
        if (!may(host, 'colour')) return null;
        return view.isReshaping ? new PullGesture(host, id, point) : new MoveGesture(host, point);
    },
};

/** The lines inside a loop; with Shift in addition to those that are picked. */
function pickInside({ bench }: ToolHost, outline: Spot[], isMore: boolean): void {
    const found = linesInside(bench.session.view.records.stroke, outline);
    bench.set({ pickedLines: isMore ? [...new Set([...bench.view.pickedLines, ...found])] : found });
}

class MoveGesture implements Gesture {
    private by: Spot = { x: 0, y: 0 };
    private isCopy: boolean;

    constructor(
        private readonly host: ToolHost,
        private readonly start: ToolPoint,
    ) {
        this.isCopy = start.alt;
    }

    move(points: ToolPoint[]): void {
        const last = points[points.length - 1];
        this.by = { x: last.x - this.start.x, y: last.y - this.start.y };
        this.isCopy = last.alt;
    }

    up(): void {
        const { bench } = this.host;
        // A click that slipped moves nothing.
        if (Math.hypot(this.by.x, this.by.y) * this.host.view.scale < REACH / 2) return;
        const lines = this.lines().map(([id, stroke]) => ({ id: this.isCopy ? randomId(12) : id, stroke }));
        bench.session.apply(drawInk({ strokes: lines }));
        bench.set({ pickedLines: lines.map(({ id }) => id) });
    }

    cancel(): void {
        this.by = { x: 0, y: 0 };
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        drawLines(
            context,
            toScreen,
            this.lines().map(([, stroke]) => stroke),
        );
    }

    private lines(): [string, InkStrokeData][] {
        return this.host.bench.ink.pickedLines.map(([id, stroke]) => [id, moved(stroke, this.by.x, this.by.y)]);
    }
}

/** Screen pixels along a line that follow a pull. */
const FOLLOWS = 90;

class PullGesture implements Gesture {
    private readonly line: InkStrokeData;
    private readonly index: number;
    private now: InkStrokeData;

    constructor(
        private readonly host: ToolHost,
        private readonly id: string,
        private readonly start: ToolPoint,
    ) {
        this.line = this.now = host.bench.session.view.records.stroke[id];
        this.index = nearestPoint(this.line, start);
    }

    move(points: ToolPoint[]): void {
        const { x, y } = points[points.length - 1];
        this.now = pulled(this.line, this.index, x - this.start.x, y - this.start.y, FOLLOWS / this.host.view.scale);
    }

    up(): void {
        if (this.now !== this.line)
            this.host.bench.session.apply(drawInk({ strokes: [{ id: this.id, stroke: this.now }] }));
    }

    cancel(): void {
        this.now = this.line;
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        drawLines(context, toScreen, [this.now]);
    }
}
