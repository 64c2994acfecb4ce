import type { Tone } from '../../api/generated';
import { spotInMirror, type Spot } from '../model/lines';
import type { BenchModel } from '../model/model';
import { drawLines } from '../surface/overlays';
import { aimAt, laidAs, type Aim } from './aim';
import { CoverPreview } from './coverPreview';
import { joined, rampCover, type Cover } from './covering';
import { strokeSentence } from './strokes';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';
import { paintRamp } from '../../page/ops/paint/paintRamp';
import { Opacity, Within } from '../options/brush';
import { RampFormChoice, RampThrough } from '../options/shapes';
import type { RampForm } from '../../api/generated';

export interface RampView {
    rampForm: RampForm;
    /** Whether a ramp of an outer tone runs through the one between it and the base. */
    isRampThrough: boolean;
}

export const rampAtFirst: RampView = { rampForm: 'straight', isRampThrough: false };

export const ramp: Tool = {
    id: 'ramp',
    name: 'Ramp',
    key: 'J',
    what: 'Drag from where it is full to where nothing is left; with Alt it is taken away',
    cursor: 'crosshair',
    options: [RampFormChoice, RampThrough, Opacity, Within],
    isMirrored: true,
    sentence: (bench) =>
        `${strokeSentence(bench, false)} · fading out ${between(bench) === null ? '' : `through its ${between(bench)} `}along the drag`,
    begin(host, start) {
        const inner = between(host.bench);
        const aims =
            inner === null
                ? [aimAt(host, start, start.alt)]
                : [aimAt(host, start, start.alt, inner), aimAt(host, start, start.alt)];
        return aims.every((aim) => aim !== null) ? new RampGesture(host, aims, start) : null;
    },
};

/** The tone that lies between the picked one and the base, where the ramp shall run through it. */
function between({ view, target }: BenchModel): Tone | null {
    if (!view.isRampThrough || target === null || target.pass !== null) return null;
    return BETWEEN[target.tone] ?? null;
}

const BETWEEN: Partial<Record<Tone, Tone>> = { deep: 'shade', glint: 'light' };

/** The outer of two tones ends at this part of the way. */
const OUTER = 0.5;

class RampGesture implements Gesture {
    private readonly previews: CoverPreview[];
    private to: ToolPoint;

    constructor(
        private readonly host: ToolHost,
        /** The one that reaches all the way first. */
        private readonly aims: Aim[],
        private readonly from: ToolPoint,
    ) {
        this.previews = aims.map((aim) => new CoverPreview(host, aim));
        this.to = from;
    }

    move(points: ToolPoint[]): void {
        this.to = points[points.length - 1];
        if (!this.isLong) return;
        this.previews.forEach((preview, i) => preview.show(this.cover(i === 0 ? this.to : this.partly())));
    }

    up(): void {
        if (!this.isLong) return this.cancel();
        this.host.bench.session.apply(
            paintRamp({
                laying: laidAs(this.aims[0]),
                from: [this.from.x, this.from.y],
                to: [this.to.x, this.to.y],
                form: this.form,
                over: this.aims.slice(1).map((aim) => ({ laying: laidAs(aim), part: OUTER })),
                mirror: this.axis,
            }),
        );
    }

    cancel(): void {
        this.previews.forEach((preview) => preview.takeBack());
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

    /** Full where the drag began, nothing at a place; and its twin. */
    private cover(to: Spot): Cover {
        const { from, axis, host } = this;
        const cover = (here: Spot, there: Spot): Cover =>
            rampCover(here, there, this.form, host.level, host.places(null));
        const one = cover(from, to);
        return axis === null ? one : joined(one, cover(spotInMirror(from, axis), spotInMirror(to, axis)));
    }

    /** Where the outer tone ends. */
    private partly(): Spot {
        const { from, to } = this;
        return { x: from.x + OUTER * (to.x - from.x), y: from.y + OUTER * (to.y - from.y) };
    }

    private get axis() {
        return this.host.bench.view.axis;
    }

    private get form() {
        return this.host.bench.view.rampForm;
    }

    /** Px; a click is no ramp. */
    private get isLong(): boolean {
        return Math.hypot(this.to.x - this.from.x, this.to.y - this.from.y) >= 2;
    }
}
