import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { BenchModel } from '../bench/model/model';
import { TilePictures, type Sight } from '../bench/surface/tilePictures';
import { composeBlock, PIXELS, SIDE, type Look } from '../picture/compose';
import type { ComposePool, TileRequest } from '../picture/pool';
import { BLACK_LINES, EMPTY, type Flat, type Stack } from '../picture/stack';
import { HIGHEST } from '../picture/tiles';
import { flatOf } from './world';

const LOOK: Look = { ink: 1, hatch: false, veil: false, passes: true };
const PAGE = { width: 2 * SIDE, height: SIDE };
const SIGHT: Sight = {
    view: { scale: 1, x: SIDE, y: SIDE / 2, turn: 0, mirror: false },
    seen: { left: 0, top: 0, right: 2 * SIDE, bottom: SIDE },
};

/** Region 7 fills the left tile and the first columns of the right one, then comes a little of 9, then 5. */
function flatsOf(column: number): Uint8Array {
    const flats = new Uint8Array(2 * PIXELS);
    for (let i = 0; i < PIXELS; i++) flats[2 * i + 1] = column === 0 || i % SIDE < 40 ? 7 : i % SIDE < 90 ? 9 : 5;
    return flats;
}

const stackOf = (seven: number, nine = 0x506070): Stack => ({
    ...EMPTY,
    flats: new Map<number, Flat>([
        [7, flatOf(seven)],
        [9, flatOf(nine)],
        [5, flatOf(0x102030)],
    ]),
});

/**
 * A page of two tiles in a browser without pixels: the pictures that were put on canvases, and what was asked of the
 * workers.
 */
class Window {
    readonly asked: TileRequest[] = [];
    readonly bench: BenchModel;
    readonly tiles: TilePictures;
    private readonly canvases: { picture: Uint8ClampedArray | null }[] = [];
    private drawn: { picture: Uint8ClampedArray | null }[] = [];
    private stack: Stack;

    constructor(stack: Stack) {
        this.stack = stack;
        const flats = [flatsOf(0), flatsOf(1)];
        const cache = {
            versionOf: () => 1,
            get: (_: number, layer: string, column: number) => (layer === 'flats' ? flats[column] : null),
        };
        const session = {
            view: { records: { page: { page: PAGE }, pass: {} }, palette: null, stack },
            tiles: { ...cache, peek: cache.get },
        };
        this.bench = {
            session,
            view: { meant: null, solo: null, tried: null, trial: null },
            clear: null,
            drawing: null,
            look: LOOK,
        } as unknown as BenchModel;
        const pool = {
            setStack: () => undefined,
            ask: (request: TileRequest) => this.asked.push(request),
        } as unknown as ComposePool;
        vi.stubGlobal(
            'ImageData',
            class {
                constructor(readonly data: Uint8ClampedArray) {}
            },
        );
        vi.stubGlobal('document', { createElement: () => this.canvas() });
        this.tiles = new TilePictures(this.bench, pool, () => undefined);
        this.take(stack);
    }

    take(stack: Stack): void {
        this.stack = stack;
        Object.assign(this.bench.session.view, { stack });
        this.tiles.takeStack(SIGHT);
    }

    /** The next frame. @return the pictures of what is in view, from the left */
    draw(): (Uint8ClampedArray | null)[] {
        this.drawn = [];
        const context = {
            fillRect: () => undefined,
            drawImage: (canvas: { picture: Uint8ClampedArray }) => this.drawn.push(canvas),
        };
        this.tiles.draw(context as unknown as CanvasRenderingContext2D, SIGHT, PAGE);
        return this.drawn.map(({ picture }) => picture);
    }

    /** A worker is done with what was asked for, under the stack of then. */
    answer(request: TileRequest, stack = this.stack): void {
        request.done(this.composed(request, stack));
    }

    composed({ layers }: TileRequest, stack = this.stack): Uint8ClampedArray<ArrayBuffer> {
        const bytes = new Map(layers.map((sent) => [sent.layer, sent.bytes()]));
        return composeBlock(
            stack,
            { count: PIXELS, bytes: (layer) => bytes.get(layer) ?? null, x: 0, y: 0, width: SIDE },
            LOOK,
        );
    }

    /** What was asked for of the level in view, since last time. */
    takeAsked(): TileRequest[] {
        return this.asked.splice(0).filter(({ key }) => key.startsWith('view 0'));
    }

    private canvas() {
        const canvas = { picture: null as Uint8ClampedArray | null };
        this.canvases.push(canvas);
        const putImageData = ({ data }: { data: Uint8ClampedArray }) => (canvas.picture = data.slice());
        return Object.assign(canvas, { getContext: () => ({ putImageData }) });
    }
}

const colour = (picture: Uint8ClampedArray | null, x: number): number[] => [
    ...(picture?.subarray(4 * x, 4 * x + 3) ?? []),
];
const RED = [0x80, 0x40, 0x20];

describe('the pictures of tiles', () => {
    let window: Window;
    beforeEach(() => {
        window = new Window(stackOf(0x804020));
        window.draw();
        for (const request of window.takeAsked()) window.answer(request);
    });

    it('are composited by the workers once, the coarsest first, and drawn from then on', () => {
        const fresh = new Window(stackOf(0x804020));
        fresh.draw();
        expect(fresh.asked.map(({ key }) => key)).toEqual([`view ${HIGHEST} 0,0`, 'view 0 0,0', 'view 0 1,0']);
        fresh.takeAsked().forEach((request) => fresh.answer(request));
        expect(fresh.draw().map((picture) => colour(picture, 200))).toEqual([RED, [0x10, 0x20, 0x30]]);
        expect(fresh.takeAsked()).toEqual([]);
    });

    it('have a tone that is changed before the next frame, without a worker where it is little', () => {
        window.take(stackOf(0x804020, 0x99aabb));
        expect(window.takeAsked()).toEqual([]);
        const [left, right] = window.draw();
        expect([colour(left, 60), colour(right, 60), colour(right, 200)]).toEqual([
            RED,
            [0x99, 0xaa, 0xbb],
            [0x10, 0x20, 0x30],
        ]);
        expect(window.takeAsked()).toEqual([]);
    });

    it('are made right by the workers where a little changes while much is on its way', () => {
        window.take(stackOf(0x904828));
        window.takeAsked();
        window.take(stackOf(0x904828, 0x99aabb));
        expect(colour(window.draw()[1], 60)).toEqual([0x99, 0xaa, 0xbb]);
        expect(window.takeAsked().map(({ key }) => key)).toEqual(['view 0 1,0']);
    });

    it('follow a tone that is much of the page at once, and come from the workers when these are done', () => {
        window.take(stackOf(0x904828));
        expect(window.draw().map((picture) => colour(picture, 20))).toEqual([
            [0x90, 0x48, 0x28],
            [0x90, 0x48, 0x28],
        ]);
        const [left, right] = window.takeAsked();
        const told = window.composed(left).fill(9, 0, 3);
        left.done(told);
        window.answer(right);
        expect(colour(window.draw()[0], 0)).toEqual([9, 9, 9]);
        window.take(stackOf(0x904828, 0x99aabb));
        window.draw();
        expect(window.takeAsked()).toEqual([]);
    });

    it('never go back to what was asked for before', () => {
        window.take(stackOf(0x904828));
        const [first] = window.takeAsked();
        window.take(stackOf(0xa05030));
        const [second] = window.takeAsked();
        window.answer(first, stackOf(0x904828));
        expect(colour(window.draw()[0], 20)).toEqual([0xa0, 0x50, 0x30]);
        second.done(window.composed(second).fill(9, 0, 3));
        expect(colour(window.draw()[0], 0)).toEqual([9, 9, 9]);
    });

    it('are not patched where something else is out of date, too', () => {
        window.take(stackOf(0x884424));
        window.takeAsked();
        window.tiles.touched(0, new Set(['0,0']), 'ink');
        window.take(stackOf(0x904828));
        expect(window.draw().map((picture) => colour(picture, 20))).toEqual([
            [0x88, 0x44, 0x24],
            [0x90, 0x48, 0x28],
        ]);
        const asked = window.takeAsked();
        expect(asked.map(({ key }) => key)).toEqual(['view 0 0,0', 'view 0 1,0']);
        asked.forEach((request) => window.answer(request));
        expect(window.draw().map((picture) => colour(picture, 20))).toEqual([
            [0x90, 0x48, 0x28],
            [0x90, 0x48, 0x28],
        ]);
    });

    it('are asked for again when a worker had to give up and something changes', () => {
        window.take(stackOf(0x904828));
        window.takeAsked().forEach(({ done }) => done(null));
        window.draw();
        expect(window.takeAsked()).toHaveLength(2);
    });

    describe('while the whole page changes', () => {
        const plain = (value: number): Uint8ClampedArray<ArrayBuffer> => new Uint8ClampedArray(4 * PIXELS).fill(value);
        const inked = (colour: number): Stack => ({ ...stackOf(0x804020), lines: { ...BLACK_LINES, colour } });
        const coarsest = (): TileRequest => {
            const found = window.asked.filter(({ level }) => level === HIGHEST);
            return found[found.length - 1];
        };

        beforeEach(() => {
            // A page whose coarsest picture is there as well.
            window = new Window(stackOf(0x804020));
            window.draw();
            coarsest().done(plain(100));
            window.takeAsked().forEach((request) => window.answer(request));
        });

        it('the coarsest picture is asked for first, and the others have its change at once', () => {
            window.take(inked(1));
            const coarse = coarsest();
            expect([coarse.level, coarse.isFirst]).toEqual([HIGHEST, true]);
            window.draw();
            const fine = window.takeAsked();
            expect(fine.map(({ key, isFirst }) => [key, isFirst])).toEqual([
                ['view 0 0,0', false],
                ['view 0 1,0', false],
            ]);
            coarse.done(plain(130));
            expect(window.draw().map((picture) => colour(picture, 200))).toEqual([
                [0x80 + 30, 0x40 + 30, 0x20 + 30],
                [0x10 + 30, 0x20 + 30, 0x30 + 30],
            ]);
            // Each is exact as soon as it comes.
            fine[0].done(plain(7));
            expect(window.draw().map((picture) => colour(picture, 200))).toEqual([
                [7, 7, 7],
                [0x10 + 30, 0x20 + 30, 0x30 + 30],
            ]);
        });

        it('what is late is shown with the change since', () => {
            window.take(inked(1));
            coarsest().done(plain(130));
            window.draw();
            const [left] = window.takeAsked();
            window.take(inked(2));
            coarsest().done(plain(90));
            expect(colour(window.draw()[0], 200)).toEqual([0x80 - 10, 0x40 - 10, 0x20 - 10]);
            left.done(plain(150));
            expect(colour(window.draw()[0], 200)).toEqual([110, 110, 110]);
        });

        it('a picture goes on through what does not change it', () => {
            window.take(stackOf(0x804020));
            window.take(stackOf(0x804020));
            window.take(inked(1));
            coarsest().done(plain(101));
            expect(colour(window.draw()[0], 200)).toEqual([0x81, 0x41, 0x21]);
        });

        it('a picture on its way is not older for what does not change it', () => {
            window.take(inked(1));
            const coarse = coarsest();
            window.take(inked(1));
            coarse.done(plain(130));
            expect(colour(window.draw()[0], 200)).toEqual([0x80 + 30, 0x40 + 30, 0x20 + 30]);
            window.takeAsked().forEach(({ done }) => done(plain(50)));
            window.take(inked(2));
            coarsest().done(plain(120));
            expect(colour(window.draw()[1], 200)).toEqual([40, 40, 40]);
        });

        it('a picture that is awaited is still that of before', () => {
            window.take(inked(1));
            window.draw();
            window.take(inked(1));
            coarsest().done(plain(130));
            expect(colour(window.draw()[0], 200)).toEqual([0x80 + 30, 0x40 + 30, 0x20 + 30]);
        });

        it('nothing is guessed where the coarsest picture of before is not known', () => {
            window.tiles.forget();
            window.draw();
            window.takeAsked().forEach((request) => window.answer(request));
            window.take(inked(1));
            coarsest().done(plain(130));
            expect(colour(window.draw()[0], 200)).toEqual(RED);
        });
    });
});
