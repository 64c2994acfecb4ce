/** A stroke under the hand, and with a mirror its twin on the other side: shown as one. */
import type { AxisData } from '../../api/generated';
import type { Point, StrokePreview } from '../../picture/stroke';
import { most } from './covering';
import { inMirror } from '../model/lines';

export class TwinPreview {
    readonly tiles = new Map<string, Uint8Array>();

    /** @param twin the stroke in the mirror; null: there is none */
    constructor(
        private readonly stroke: StrokePreview,
        private readonly twin: { stroke: StrokePreview; axis: AxisData } | null,
    ) {}

    /** Everything the hand did. */
    get points(): Point[] {
        return this.stroke.points;
    }

    /** Gives back the tiles that are touched. */
    add(point: Point): Set<string> {
        const touched = this.stroke.add(point);
        if (this.twin !== null) {
            const [x, y] = inMirror(point[0], point[1], this.twin.axis);
            this.twin.stroke.add([x, y, point[2]]).forEach((key) => touched.add(key));
        }
        return this.joined(touched);
    }

    end(): Set<string> {
        const touched = this.stroke.end();
        this.twin?.stroke.end().forEach((key) => touched.add(key));
        return this.joined(touched);
    }

    /** Where both lie over each other it is no darker; as in the core. */
    private joined(touched: Set<string>): Set<string> {
        for (const key of touched) {
            const [one, other] = [this.stroke.tiles.get(key), this.twin?.stroke.tiles.get(key)];
            const tile = one !== undefined && other !== undefined ? most(one, other) : (one ?? other);
            if (tile !== undefined) this.tiles.set(key, tile);
        }
        return touched;
    }
}
