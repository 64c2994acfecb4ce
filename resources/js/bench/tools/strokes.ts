/** A stroke under the hand: previewed in the layer it goes into, sent when the hand goes up. */
import type { NewPass } from '../../api/client';
import type { BrushData } from '../../api/generated';
import { mayColour, sizeOf, whyNot } from '../../page/store';
import { passFor, sentence } from '../../page/target';
import { layerOf, toColour } from '../../picture/stack';
import { layStroke, type Laying, type Point, type StrokePreview } from '../../picture/stroke';
import type { BenchModel } from '../model/model';
import { LayerPreview, rounded } from './layerPreview';
import type { Gesture, ToolHost, ToolPoint } from './tool';

/** Where a stroke goes, and how. */
interface Aim {
    pass: string;
    make: NewPass | null;
    layer: string;
    /** As it is sent; a pass that holds coverage has no use for it. */
    colour: string | null;
    laying: Laying;
}

export const strokeSentence = (bench: BenchModel, erasing: boolean): string =>
    sentence(bench.session.view.rules, bench.session.view.records, bench.target, erasing);

export function beginStroke(host: ToolHost, start: ToolPoint, erase: boolean): Gesture | null {
    const aim = aimAt(host.bench, erase);
    if (typeof aim === 'string') {
        host.bench.session.say(aim);
        return null;
    }
    if (aim.make !== null) host.bench.session.showPass(aim.pass, aim.make);
    return new StrokeGesture(host, aim, host.bench.brush, start);
}

/** @return what to say when there is nothing to aim at */
function aimAt({ session, target, brush }: BenchModel, erase: boolean): Aim | string {
    const { view } = session;
    if (!mayColour(view)) return whyNot(view, 'colour');
    if (sizeOf(view) === null) return 'The page has no line art yet. Go to Ink and import a scan.';
    if (target === null) return 'Pick a tone at the left first; it says where the paint goes.';
    const { id, make } = passFor(view.rules, view.records, target);
    const pass = make ?? view.records.pass[id];
    if (make === null && !view.records.pass[id].visible)
        return 'This pass is rolled up. Let it down in the panel at the right, then paint.';
    const colour = pass.kind === 'paint' ? target.material.tones[target.tone] : null;
    const number = toColour(colour ?? '#000000');
    const paint: Laying['paint'] = colour === null ? null : [(number >> 16) & 255, (number >> 8) & 255, number & 255];
    return { pass: id, make, layer: layerOf(id, pass), colour, laying: { opacity: brush.opacity, erase, paint } };
}

class StrokeGesture implements Gesture {
    private readonly preview: LayerPreview;
    private stroke: StrokePreview;

    constructor(
        private readonly host: ToolHost,
        private readonly aim: Aim,
        private readonly brush: BrushData,
        start: ToolPoint,
    ) {
        this.preview = new LayerPreview(host, aim.layer, aim.laying.paint === null ? 1 : 4, (base, stroke) =>
            layStroke(base, stroke, aim.laying),
        );
        this.stroke = this.preview.stroke(brush);
        this.preview.show([this.stroke], this.stroke.add(pointOf(start)));
    }

    move(points: ToolPoint[]): void {
        const last = points[points.length - 1];
        if (last.shift) return this.straighten(last);
        const touched = new Set<string>();
        for (const point of points) this.stroke.add(pointOf(point)).forEach((key) => touched.add(key));
        this.preview.show([this.stroke], touched);
    }

    up(): void {
        this.preview.show([this.stroke], this.stroke.end());
        const { pass, make, colour, laying } = this.aim;
        this.host.bench.session.stroke({
            kind: 'stroke',
            pass,
            make,
            colour,
            erase: laying.erase,
            brush: this.brush,
            points: this.stroke.points.map(rounded),
        });
    }

    cancel(): void {
        this.preview.takeBack();
        if (this.aim.make !== null) this.host.bench.session.hidePass(this.aim.pass);
    }

    /** Shift: the stroke so far becomes a straight one from where it began. */
    private straighten(to: ToolPoint): void {
        const [start] = this.stroke.points;
        this.preview.takeBack();
        this.stroke = this.preview.stroke(this.brush);
        const touched = this.stroke.add(start);
        this.stroke.add(pointOf(to)).forEach((key) => touched.add(key));
        this.preview.show([this.stroke], touched);
    }
}

export const pointOf = ({ x, y, pressure }: ToolPoint): Point => [x, y, pressure];
