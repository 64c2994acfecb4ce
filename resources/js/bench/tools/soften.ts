import { spotInMirror } from '../model/lines';
import { drawPath } from '../surface/overlays';
import { passAt, type Aim } from './aim';
import { rounded } from './layerPreview';
import { pointOf, strokeSentence } from './strokes';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';
import { softenPass } from '../../page/ops/paint/softenPass';
import { Size, Softness, Within } from '../options/brush';

export interface SoftenView {
    /** Px that a softened edge takes to either side. */
    softness: number;
    /** Whether edges that lie where regions meet stay as they are when others are softened. */
    isSoftApart: boolean;
}

export const softenAtFirst: SoftenView = { softness: 12, isSoftApart: false };

export const soften: Tool = {
    id: 'soften',
    name: 'Soften',
    key: 'S',
    what: 'Brush over an edge to make it soft; where paint meets the border of its figure it stays',
    cursor: 'ring',
    options: [Size, Softness, Within],
    isMirrored: true,
    sentence: (bench) => strokeSentence(bench, false).replace('Painting', 'Softening'),
    begin(host, start) {
        const aim = passAt(host, start);
        return aim === null ? null : new SoftenGesture(host, aim, start);
    },
};

class SoftenGesture implements Gesture {
    private readonly path: ToolPoint[];

    constructor(
        private readonly host: ToolHost,
        private readonly aim: Aim,
        start: ToolPoint,
    ) {
        this.path = [start];
    }

    move(points: ToolPoint[]): void {
        this.path.push(...points);
    }

    up(): void {
        const { bench } = this.host;
        bench.session.apply(
            softenPass({
                pass: this.aim.pass,
                by: bench.view.softness,
                // The rim of the brush lets go gently.
                brush: { size: bench.view.size, hardness: 0.5, opacity: 1, smoothing: 0 },
                points: this.path.map((point) => rounded(pointOf(point))),
                inside: this.aim.inside,
                mirror: bench.view.axis,
                apart: bench.view.isSoftApart,
            }),
        );
    }

    cancel(): void {
        this.path.length = 1;
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        const { axis, size } = this.host.bench.view;
        const paths = axis === null ? [this.path] : [this.path, this.path.map((point) => spotInMirror(point, axis))];
        for (const path of paths) drawPath(context, toScreen, path, size * this.host.view.scale);
    }
}
