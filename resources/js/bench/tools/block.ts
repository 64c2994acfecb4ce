/** Flats laid by hand where no line bounds them: with a loop, with corners, or with a broad pen. */
import type { FlatPenData, ShapeUse } from '../../api/generated';
import type { BenchModel } from '../model/model';
import { drawPath } from '../surface/overlays';
import { may } from './may';
import { OutlineGesture, thinned } from './outline';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';
import { shapeRegions } from '../../page/ops/flats/shapeRegions';
import { filledWith } from '../../page/ops/shown';
import { Size } from '../options/brush';
import { BlockWithChoice, ShapeUseChoice } from '../options/shapes';
import { drawCorners } from './corners';
import type { BlockWith } from './ways';

/** Screen pixels within which a click on the first corner closes the shape. */
const CLOSE = 10;

const WORDS: Record<ShapeUse, string> = {
    add: 'what is inside becomes',
    take: 'what is inside is no more',
    keep: 'only what is inside stays',
};

function sentence({ target, view: { shapeUse, blockWith } }: BenchModel): string {
    if (blockWith === 'push')
        return 'Pushing a border: begin in the region that shall grow, and drag into its neighbour';
    if (target === null)
        return shapeUse === 'take'
            ? 'Taking away whatever is filled inside the shape'
            : 'Pick a material at the left first';
    return `Blocking in: ${WORDS[shapeUse]} ${target.figureName}’s ${target.material.name}; with Alt it is taken away`;
}

export interface BlockView {
    /** What a shape laid by hand does to the flats, and what it is drawn with. */
    shapeUse: ShapeUse;
    blockWith: BlockWith;
}

export const blockAtFirst: BlockView = { shapeUse: 'add', blockWith: 'loop' };

export const block: Tool = {
    id: 'block',
    name: 'Block in',
    key: 'Z',
    what: 'Draw flats where no line bounds them; pieces of one material that touch are one region',
    cursor: 'crosshair',
    options: [BlockWithChoice, ShapeUseChoice, Size],
    overlay: drawCorners,
    sentence,
    begin(host, start) {
        if (!may(host, 'flat')) return null;
        const { bench } = host;
        if (bench.view.blockWith === 'push') return push(host, start);
        const use = start.alt ? 'take' : bench.view.shapeUse;
        if (bench.target === null && use !== 'take') {
            bench.session.say('Pick a material at the left first; then draw its shape.');
            return null;
        }
        switch (bench.view.blockWith) {
            case 'corners':
                return setCorner(host, start);
            case 'pen':
                return new PenGesture(host, start, (pen) => bench.flats.shape(use, { outline: null, pen }));
            case 'loop':
                return new OutlineGesture(start, (outline) => {
                    if (outline.length > 2) bench.flats.shape(use, { outline: thinned(outline), pen: null });
                });
        }
    },
};

function push(host: ToolHost, start: ToolPoint): Gesture | null {
    const into = host.labelAt(start.x, start.y);
    if (into === 0) return null;
    return new PenGesture(host, start, (pen) =>
        host.bench.session.apply(shapeRegions({ use: 'add', outline: null, pen, into, ...filledWith(null) })),
    );
}

function setCorner({ bench, view }: ToolHost, { x, y }: ToolPoint): null {
    const { draft } = bench.view;
    const isClosing = draft.length > 2 && Math.hypot(x - draft[0].x, y - draft[0].y) * view.scale <= CLOSE;
    if (isClosing) bench.flats.endCorners();
    else bench.set({ draft: [...draft, { x, y }] });
    return null;
}

class PenGesture implements Gesture {
    private readonly path: ToolPoint[];

    constructor(
        private readonly host: ToolHost,
        start: ToolPoint,
        private readonly done: (pen: FlatPenData) => void,
    ) {
        this.path = [start];
    }

    move(points: ToolPoint[]): void {
        this.path.push(...points);
    }

    up(): void {
        this.done({ points: this.path.map(({ x, y }) => [x, y, 1]), width: this.width });
    }

    cancel(): void {
        this.path.length = 1;
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        drawPath(context, toScreen, this.path, this.width * this.host.view.scale);
    }

    private get width(): number {
        return Math.min(WIDEST, this.host.bench.view.size);
    }
}

/** Px; as wide as the core takes it. */
const WIDEST = 600;
