import { drawLines } from '../surface/overlays';
import { aimAt, laidAs, type Aim } from './aim';
import { CoverPreview } from './coverPreview';
import { rampCover } from './covering';
import { strokeSentence } from './strokes';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';

export const ramp: Tool = {
    id: 'ramp',
    name: 'Ramp',
    key: 'J',
    what: 'Drag from where it is full to where nothing is left; with Alt it is taken away',
    cursor: 'crosshair',
    options: ['rampForm', 'flow', 'within'],
    sentence: (bench) => `${strokeSentence(bench, false)} · fading out along the drag`,
    begin(host, start) {
        const aim = aimAt(host, start, start.alt);
        return aim === null ? null : new RampGesture(host, aim, start);
    },
};

class RampGesture implements Gesture {
    private readonly preview: CoverPreview;
    private to: ToolPoint;

    constructor(
        private readonly host: ToolHost,
        private readonly aim: Aim,
        private readonly from: ToolPoint,
    ) {
        this.preview = new CoverPreview(host, aim);
        this.to = from;
    }

    move(points: ToolPoint[]): void {
        this.to = points[points.length - 1];
        if (!this.isLong) return;
        const { level } = this.host;
        this.preview.show(rampCover(this.from, this.to, this.form, level, this.host.places(null)));
    }

    up(): void {
        if (!this.isLong) return this.cancel();
        this.host.bench.session.paint({
            kind: 'paint.ramp',
            laying: laidAs(this.aim),
            from: [this.from.x, this.from.y],
            to: [this.to.x, this.to.y],
            form: this.form,
        });
    }

    cancel(): void {
        this.preview.takeBack();
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        const { from, to } = this;
        drawLines(context, toScreen, [
            {
                points: [
                    [from.x, from.y, 1],
                    [to.x, to.y, 1],
                ],
            },
        ]);
    }

    private get form() {
        return this.host.bench.view.rampForm;
    }

    /** Px; a click is no ramp. */
    private get isLong(): boolean {
        return Math.hypot(this.to.x - this.from.x, this.to.y - this.from.y) >= 2;
    }
}
