/** A stroke under the hand: previewed in the layer it goes into, sent when the hand goes up. */
import type { AxisData, BrushData } from '../../api/generated';
import { sentence } from '../../page/target';
import { layStroke, type Point } from '../../picture/stroke';
import type { BenchModel } from '../model/model';
import { aimAt, type Aim } from './aim';
import { insideTile } from './covering';
import { LayerPreview, rounded } from './layerPreview';
import { TwinPreview } from './twin';
import type { Gesture, ToolHost, ToolPoint } from './tool';
import { stroke } from '../../page/ops/paint/stroke';
import { addPass } from '../../page/ops/passes/addPass';
import { removePass } from '../../page/ops/passes/removePass';

export const strokeSentence = (bench: BenchModel, erasing: boolean): string =>
    sentence(bench.session.view.rules, bench.session.view.records, bench.target, erasing);

export function beginStroke(host: ToolHost, start: ToolPoint, erase: boolean): Gesture | null {
    const aim = aimAt(host, start, erase);
    if (aim === null) return null;
    if (aim.make !== null) host.bench.session.preview(addPass({ id: aim.pass, pass: aim.make }));
    return new StrokeGesture(host, aim, host.bench.paint.brush, start);
}

class StrokeGesture implements Gesture {
    private readonly preview: LayerPreview;
    private readonly axis: AxisData | null;
    private stroke: TwinPreview;
    /** Where the stroke may go in each tile, when it is kept inside regions. */
    private readonly reach = new Map<string, Uint8Array>();

    constructor(
        private readonly host: ToolHost,
        private readonly aim: Aim,
        private readonly brush: BrushData,
        start: ToolPoint,
    ) {
        this.axis = host.bench.view.axis;
        this.preview = new LayerPreview(host, aim.layer, aim.bytesPerPixel, (base, stroke, column, row) =>
            layStroke(base, this.kept(stroke, `${column},${row}`), aim.laying),
        );
        this.stroke = this.begun();
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
        const { pass, make, colour, laying, inside } = this.aim;
        this.host.bench.session.apply(
            stroke({
                pass,
                make,
                colour,
                erase: laying.erase,
                brush: this.brush,
                points: this.stroke.points.map(rounded),
                inside,
                mirror: this.axis,
            }),
        );
    }

    private begun(): TwinPreview {
        const twin = this.axis === null ? null : { stroke: this.preview.stroke(this.brush), axis: this.axis };
        return new TwinPreview(this.preview.stroke(this.brush), twin);
    }

    cancel(): void {
        this.preview.takeBack();
        if (this.aim.make !== null) this.host.bench.session.preview(removePass({ id: this.aim.pass }));
    }

    /** What of a tile of the stroke lies where it may. */
    private kept(stroke: Uint8Array, key: string): Uint8Array {
        const { inside } = this.aim;
        if (inside.length === 0) return stroke;
        const reach = this.reach.get(key) ?? insideTile(this.host, inside, key) ?? new Uint8Array(stroke.length);
        this.reach.set(key, reach);
        return stroke.map((value, i) => value & reach[i]);
    }

    /** Shift: the stroke so far becomes a straight one from where it began. */
    private straighten(to: ToolPoint): void {
        const [start] = this.stroke.points;
        this.preview.takeBack();
        this.stroke = this.begun();
        const touched = this.stroke.add(start);
        this.stroke.add(pointOf(to)).forEach((key) => touched.add(key));
        this.preview.show([this.stroke], touched);
    }
}

export const pointOf = ({ x, y, pressure }: ToolPoint): Point => [x, y, pressure];
