/** What the hand makes of a layer, shown in its tiles until the server's truth takes its place. */
import { sizeOf } from '../../page/store';
import { SIDE } from '../../picture/compose';
import { previewOf } from '../../picture/dabs';
import type { Point, StrokePreview } from '../../picture/stroke';
import type { BrushData } from '../../api/generated';
import { hundredth } from '../model/lines';
import type { ToolHost } from './tool';

/** @param base what the tile held before; null: nothing */
export type Lay = (base: Uint8Array | null, stroke: Uint8Array, column: number, row: number) => Uint8Array;

export class LayerPreview {
    /** What each tile held before. */
    private readonly base = new Map<string, Uint8Array | null>();

    constructor(
        private readonly host: ToolHost,
        private readonly layer: string,
        private readonly bytesPerPixel: number,
        private readonly lay: Lay,
    ) {}

    /** A stroke at the scale that is on screen. */
    stroke(brush: BrushData): StrokePreview {
        const size = sizeOf(this.host.bench.session.view);
        return previewOf(brush, this.host.level, size?.width ?? 0, size?.height ?? 0);
    }

    /** A whole stroke at once. */
    drawn(brush: BrushData, points: readonly Point[]): StrokePreview {
        const stroke = this.stroke(brush);
        for (const point of points) stroke.add(point);
        stroke.end();
        return stroke;
    }

    /** Shows strokes, or whatever else covers tiles, in the tiles they touched. */
    show(strokes: Pick<StrokePreview, 'tiles'>[], touched: Set<string>): void {
        const { tiles } = this.host.bench.session;
        const { level } = this.host;
        for (const key of touched) {
            const [column, row] = key.split(',').map(Number);
            if (!this.base.has(key)) this.base.set(key, tiles.peek(level, this.layer, column, row));
            let bytes = this.base.get(key) ?? null;
            for (const stroke of strokes) {
                const coverage = stroke.tiles.get(key);
                if (coverage !== undefined) bytes = this.lay(bytes, coverage, column, row);
            }
            // A tile that held nothing may have been shown with something before.
            bytes ??= new Uint8Array(this.bytesPerPixel * SIDE * SIDE);
            tiles.setLocal(level, this.layer, column, row, bytes);
        }
        this.host.touched(level, touched, this.layer);
    }

    /** Every tile as it was. */
    takeBack(): void {
        const { tiles } = this.host.bench.session;
        const { level } = this.host;
        const blank = new Uint8Array(this.bytesPerPixel * SIDE * SIDE);
        for (const [key, bytes] of this.base) {
            const [column, row] = key.split(',').map(Number);
            tiles.setLocal(level, this.layer, column, row, bytes ?? blank);
        }
        this.host.touched(level, new Set(this.base.keys()), this.layer);
    }
}

/** A hundredth of a pixel and a thousandth of the pressure are enough. */
export const rounded = ([x, y, pressure]: Point): Point => [
    hundredth(x),
    hundredth(y),
    Math.round(pressure * 1000) / 1000,
];
