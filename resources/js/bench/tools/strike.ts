import type { DrawnData } from '../../api/generated';
import { randomId } from '../../page/ids';
import { thinned } from '../../picture/stroke';
import { lineAt, without, type Spot } from '../model/lines';
import type { BenchModel } from '../model/model';
import { drawLines, drawPath } from '../surface/overlays';
import { rounded } from './layerPreview';
import { may } from './may';
import { OutlineGesture } from './outline';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';
import { drawInk } from '../../page/ops/ink/drawInk';
import { Cut } from '../options/brush';

/** Screen pixels by which a line may be missed. */
const REACH = 5;

export interface StrikeView {
    /** Whether Strike erases parts of lines, and how wide, px. */
    isCutting: boolean;
    cut: number;
}

export const strikeAtFirst: StrikeView = { isCutting: false, cut: 30 };

export const strike: Tool = {
    id: 'strike',
    name: 'Strike',
    key: 'T',
    what: 'Delete lines, whole or in parts',
    cursor: 'crosshair',
    options: [Cut],
    sentence: ({ view }) =>
        view.isCutting
            ? `Erasing parts of lines that were drawn here, ${view.cut} px wide; scanned lines stay`
            : 'Deleting lines: each line drawn here that you cross goes; scanned lines stay',
    begin(host, point) {
        if (!may(host, 'colour')) return null;
        return host.bench.view.isCutting ? cutting(host, point) : new StrikeGesture(host, point);
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
        if (this.struck.size > 0)
            this.host.bench.session.apply(drawInk({ strokes: [...this.struck].map((id) => ({ id, stroke: null })) }));
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
function cutting(host: ToolHost, start: ToolPoint): Gesture {
    const { bench, view } = host;
    return new OutlineGesture(
        start,
        (path) => cut(bench, path),
        (context, toScreen, path) => drawPath(context, toScreen, path, bench.view.cut * view.scale),
    );
}

function cut({ session, view }: BenchModel, path: Spot[]): void {
    const radius = view.cut / 2;
    const changed = Object.entries(session.view.records.stroke).flatMap(([id, stroke]): DrawnData[] => {
        const left = without(stroke, path, radius);
        if (left === null) return [];
        const [first, ...others] = left.map((piece) => ({ ...piece, points: thinned(piece.points).map(rounded) }));
        return [{ id, stroke: first ?? null }, ...others.map((piece) => ({ id: randomId(12), stroke: piece }))];
    });
    if (changed.length > 0) session.apply(drawInk({ strokes: changed }));
}
