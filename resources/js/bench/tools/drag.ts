import type { AxisData } from '../../api/generated';
import { reachOf } from '../../page/reach';
import { sizeOf } from '../../page/store';
import { SIDE } from '../../picture/compose';
import { PullPreview, type PullTile } from '../../picture/pull';
import { spotInMirror, type Spot } from '../model/lines';
import { passAt, type Aim } from './aim';
import { insideTile } from './covering';
import { rounded } from './layerPreview';
import { pointOf, strokeSentence } from './strokes';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';
import { dragPaint } from '../../page/ops/paint/dragPaint';
import { Size, Strength, Within } from '../options/brush';

export interface DragView {
    /** How strongly paint is dragged along, 0..1. */
    strength: number;
}

export const dragAtFirst: DragView = { strength: 0.4 };

export const drag: Tool = {
    id: 'drag',
    name: 'Drag',
    key: 'D',
    what: 'Pull paint along',
    cursor: 'ring',
    options: [Size, Strength, Within],
    isMirrored: true,
    sentence: (bench) => strokeSentence(bench, false).replace('Painting', 'Dragging paint in'),
    begin(host, start) {
        const aim = passAt(host, start);
        return aim === null ? null : new DragGesture(host, aim, start);
    },
};

/** Px; as wide as the core takes it. */
const WIDEST = 400;

class DragGesture implements Gesture {
    private readonly points: ToolPoint[] = [];
    private readonly brush;
    private readonly axis: AxisData | null;
    /** What the hand pulls; with a mirror, what its twin pulls, too. */
    private readonly pulled: { preview: PullPreview; at: (spot: Spot) => Spot }[];
    private readonly tiles = new Map<string, PullTile | null>();
    /** As each tile was. */
    private readonly before = new Map<string, Uint8Array>();

    constructor(
        private readonly host: ToolHost,
        private readonly aim: Aim,
        start: ToolPoint,
    ) {
        const { size, strength, axis } = host.bench.view;
        this.axis = axis;
        this.brush = { size: Math.min(WIDEST, size), hardness: 0.5, opacity: strength, smoothing: 0 };
        const preview = (): PullPreview =>
            new PullPreview(this.brush.size, 0.5, strength, host.level, aim.bytesPerPixel, (key) => this.tileAt(key));
        const hand = { preview: preview(), at: (spot: Spot): Spot => spot };
        this.pulled = axis === null ? [hand] : [hand, { preview: preview(), at: (spot) => spotInMirror(spot, axis) }];
        this.move([start]);
    }

    move(points: ToolPoint[]): void {
        const touched = new Set<string>();
        for (const point of points) {
            this.points.push(point);
            for (const { preview, at } of this.pulled) {
                const { x, y } = at(point);
                preview.add(x, y).forEach((key) => touched.add(key));
            }
        }
        this.show(touched);
    }

    up(): void {
        for (const { preview } of this.pulled) this.show(preview.end());
        const { pass, inside } = this.aim;
        if (this.before.size === 0) return;
        this.host.bench.session.apply(
            dragPaint({
                pass,
                brush: this.brush,
                points: this.points.map((point) => rounded(pointOf(point))),
                inside,
                mirror: this.axis,
            }),
        );
    }

    cancel(): void {
        const { tiles } = this.host.bench.session;
        for (const [key, bytes] of this.before) {
            const [column, row] = key.split(',').map(Number);
            tiles.setLocal(this.host.level, this.aim.layer, column, row, bytes);
        }
        this.host.touched(this.host.level, new Set(this.before.keys()), this.aim.layer);
    }

    private show(touched: Set<string>): void {
        const { tiles } = this.host.bench.session;
        for (const key of touched) {
            const tile = this.tiles.get(key);
            const [column, row] = key.split(',').map(Number);
            if (tile !== null && tile !== undefined)
                tiles.setLocal(this.host.level, this.aim.layer, column, row, tile.bytes.slice());
        }
        this.host.touched(this.host.level, touched, this.aim.layer);
    }

    private tileAt(key: string): PullTile | null {
        const known = this.tiles.get(key);
        if (known !== undefined) return known;
        const tile = this.read(key);
        this.tiles.set(key, tile);
        if (tile !== null) this.before.set(key, tile.bytes.slice());
        return tile;
    }

    private read(key: string): PullTile | null {
        const { session } = this.host.bench;
        const [column, row] = key.split(',').map(Number);
        const size = sizeOf(session.view);
        const span = SIDE << this.host.level;
        if (size === null || column * span >= size.width || row * span >= size.height) return null;
        const held = session.tiles.peek(this.host.level, this.aim.layer, column, row);
        const labels = reachOf(session.view.records, this.aim.pass, this.aim.inside);
        const inside = labels === null ? null : (insideTile(this.host, labels, key) ?? new Uint8Array(SIDE * SIDE));
        return { bytes: held?.slice() ?? new Uint8Array(this.aim.bytesPerPixel * SIDE * SIDE), inside };
    }
}
