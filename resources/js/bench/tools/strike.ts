import type { DrawnData } from '../../api/generated';
import { randomId } from '../../page/ids';
import { thinned } from '../../picture/stroke';
import { lineAt, without, type Spot } from '../model/lines';
import { drawLines, drawPath } from '../surface/overlays';
import { rounded } from './layerPreview';
import { may } from './may';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';

/** Screen pixels by which a line may be missed. */
const REACH = 5;

export const strike: Tool = {
    id: 'strike',
    name: 'Strike',
    key: 'T',
    what: 'Take lines away, whole or in parts',
    cursor: 'crosshair',
    options: ['cut'],
    sentence: ({ view }) =>
        view.isCutting
            ? `Erasing parts of lines that were drawn here, ${view.cut} px wide; scanned lines stay`
            : 'Striking out: each line that was drawn here and that you cross goes; scanned lines stay',
    begin(host, point) {
        if (!may(host, 'colour')) return null;
        return host.bench.view.isCutting ? new CutGesture(host, point) : new StrikeGesture(host, point);
    },
};

class StrikeGesture implements Gesture {
    private readonly struck = new Set<string>();

    constructor(
        private readonly host: ToolHost,
        start: ToolPoint,
    ) {
        this.move([start]);
    }

    move(points: ToolPoint[]): void {
        const { stroke } = this.host.bench.session.view.records;
        for (const point of points) {
            const id = lineAt(stroke, point, REACH / this.host.view.scale);
            if (id !== null) this.struck.add(id);
        }
    }

    up(): void {
        if (this.struck.size > 0) this.host.bench.session.drawInk([...this.struck].map((id) => ({ id, stroke: null })));
    }

    cancel(): void {
        this.struck.clear();
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        const { stroke } = this.host.bench.session.view.records;
        drawLines(
            context,
            toScreen,
            [...this.struck].map((id) => stroke[id]).filter((line) => line !== undefined),
        );
    }
}

/** Parts of lines under a round eraser; what is left of each stays a line. */
class CutGesture implements Gesture {
    private readonly path: Spot[];

    constructor(
        private readonly host: ToolHost,
        start: ToolPoint,
    ) {
        this.path = [start];
    }

    move(points: ToolPoint[]): void {
        this.path.push(...points);
    }

    up(): void {
        const { session, view } = this.host.bench;
        const radius = view.cut / 2;
        const changed = Object.entries(session.view.records.stroke).flatMap(([id, stroke]): DrawnData[] => {
            const left = without(stroke, this.path, radius);
            if (left === null) return [];
            const [first, ...others] = left.map((piece) => ({ ...piece, points: thinned(piece.points).map(rounded) }));
            return [{ id, stroke: first ?? null }, ...others.map((piece) => ({ id: randomId(12), stroke: piece }))];
        });
        if (changed.length > 0) session.drawInk(changed);
    }

    cancel(): void {
        this.path.length = 0;
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        drawPath(context, toScreen, this.path, this.host.bench.view.cut * this.host.view.scale);
    }
}
