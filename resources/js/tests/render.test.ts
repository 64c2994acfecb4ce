// @vitest-environment happy-dom
/** What the surface draws, where, and what it has drawn anew. */
import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { RegionData } from '../api/generated';
import { placeIn, SurfaceRenderer } from '../bench/surface/render';
import type { BenchModel } from '../bench/model/model';
import type { ComposePool } from '../picture/pool';
import { Recorder, stubMatrices } from './matrices';
import { open } from './showing';
import { bridgeOf, pageState, region } from './world';

/** What was asked of the tiles' pictures, which have a test of their own. */
const tiles = {
    draw: vi.fn(),
    takeStack: vi.fn(),
    takeLook: vi.fn(),
    takeTried: vi.fn(),
    touched: vi.fn(),
    dirty: vi.fn(),
    forget: vi.fn(),
    pixels: vi.fn(),
};
vi.mock('../bench/surface/tilePictures', () => ({
    TilePictures: class {
        constructor() {
            return tiles;
        }
    },
}));

class Screen extends Recorder {
    imageSmoothingEnabled = true;
    filter = '';
    clip(): void {}
    drawImage(): void {}
}

let frames: (() => void)[];
let canvas: HTMLCanvasElement;
let screen: Screen;
let bench: BenchModel;
let renderer: SurfaceRenderer;

const frame = (): void => frames.splice(0).forEach((draw) => draw());

function opened(search = '', more: Parameters<typeof open>[0] = {}): void {
    vi.stubGlobal('location', { ...window.location, search });
    Object.defineProperty(window, 'location', { value: { search }, configurable: true });
    bench = open(more);
    screen = new Screen();
    canvas = { width: 832, height: 588, getContext: () => screen } as unknown as HTMLCanvasElement;
    renderer = new SurfaceRenderer(canvas, bench, {} as ComposePool);
    Object.values(tiles).forEach((one) => one.mockReset());
}

beforeEach(() => {
    stubMatrices();
    frames = [];
    vi.stubGlobal('requestAnimationFrame', (draw: () => void) => frames.push(draw));
    opened();
});

const drawn = (): void => {
    screen.drawn.length = 0;
    renderer.schedule();
    frame();
};

describe('the surface', () => {
    it('fits the page into what its tools leave free, once a frame', () => {
        renderer.schedule();
        renderer.schedule();
        expect(frames).toHaveLength(1);
        frame();
        // 600 × 400 in 800 × 460, a strip of tools in two rows below.
        expect(renderer.view).toMatchObject({ scale: 1.15, turn: 0, mirror: false });
        expect(renderer.middle).toEqual({ x: 300, y: 200 });
        expect(tiles.draw).toHaveBeenCalledOnce();
        const [, sight, size] = tiles.draw.mock.calls[0];
        expect([sight.view, size]).toEqual([renderer.view, { width: 600, height: 400, dpi: 300, ...size }]);
        bench.choose('proof');
        drawn();
        // A few tools in one row take less.
        expect(renderer.view?.scale).toBe(1.25);
    });
    it('fits it anew when the window changes, unless somebody looks at a part', () => {
        drawn();
        renderer.resize(432, 588);
        expect([canvas.width, renderer.view?.scale]).toEqual([432, 400 / 600]);
        renderer.isFitted = false;
        renderer.resize(832, 588);
        expect(renderer.view?.scale).toBe(400 / 600);
        renderer.view = { scale: 0.3, x: 10.4, y: 20.6, turn: 0, mirror: false };
        expect([renderer.middle, renderer.level]).toEqual([{ x: 10, y: 21 }, 1]);
    });
    it('begins at the place that a link names, near enough to see it', () => {
        opened('?at=120,340');
        drawn();
        expect(renderer.view).toMatchObject({ x: 120, y: 340, scale: 1.15 });
        expect(renderer.isFitted).toBe(false);
        expect(['?at=1,2', '?at=1,2,3', '?at=-1,2', '?at=1234567,2', '?b=1', ''].map(placeIn)).toEqual([
            { x: 1, y: 2 },
            null,
            null,
            null,
            null,
            null,
        ]);
    });
    it('takes the page anew when that changes, and not for what lies over it', () => {
        bench.session.store.setState({ stack: { ...bench.session.view.stack } });
        expect(tiles.takeStack).toHaveBeenCalledOnce();
        bench.set({ overlays: false, grey: true });
        bench.set({ pointer: null } as never);
        expect([tiles.takeStack, tiles.takeLook].map((one) => one.mock.calls.length)).toEqual([1, 0]);
        bench.set({ isUnlit: true });
        bench.choose('light');
        expect(tiles.takeLook.mock.calls.length).toBeGreaterThanOrEqual(2);
        renderer.end();
        bench.session.store.setState({ stack: { ...bench.session.view.stack } });
        expect(tiles.takeStack.mock.calls.length).toBeLessThanOrEqual(2);
    });
    it('begins anew on a page of another size', () => {
        drawn();
        renderer.isFitted = false;
        const { records } = bench.session.view;
        bench.session.store.setState({ records: { ...records, region: {} } });
        expect(tiles.forget).not.toHaveBeenCalled();
        const page = { ...records.page.page, width: 900 };
        bench.session.store.setState({ records: { ...records, page: { page } } as never });
        expect(tiles.forget).toHaveBeenCalledOnce();
        frame();
        expect([renderer.isFitted, renderer.view?.scale]).toEqual([true, 800 / 900]);
    });
    it('lets go of a light that is tried when its layer is painted', () => {
        const tried = { has: (layer: string) => layer === 'shade1', touches: () => false };
        bench.set({ tried: tried as never });
        renderer.touched(1, new Set(['0,0']), 'other');
        expect(bench.view.tried).toBe(tried);
        renderer.touched(1, new Set(['0,0']), 'shade1');
        expect(bench.view.tried).toBeNull();
        expect(tiles.touched.mock.calls.map(([level, , layer]) => [level, layer])).toEqual([
            [1, 'other'],
            [1, 'shade1'],
        ]);
    });
    it('tells the tiles in view, or round some places in it', () => {
        opened('', {
            records: {
                ...pageState().records,
                page: { page: { ...pageState().records.page.page, width: 2000, height: 1000 } },
            },
        });
        renderer.isFitted = false;
        renderer.view = { scale: 1, x: 800, y: 500, turn: 0, mirror: false };
        // 384 to 1216 by 206 to 794.
        expect(renderer.placesInView(null).size).toBe(4 * 4);
        expect([
            ...renderer.placesInView([
                { x: 600, y: 300 },
                { x: 800, y: 300 },
            ]),
        ]).toEqual(['2,1', '3,1']);
        expect([
            ...renderer.placesInView([
                { x: -90, y: 300 },
                { x: 400, y: 300 },
            ]),
        ]).toEqual(['1,1']);
    });
    it('a pixel is read where it is; a tile that is on its way has none', async () => {
        const pixels = new Uint8ClampedArray(4 * 256 * 256);
        pixels.set([9, 8, 7, 255], 4 * (256 * 3 + 5));
        tiles.pixels.mockImplementation(async (column: number, row: number) =>
            column === 2 && row === 1 ? pixels : null,
        );
        expect(await renderer.colourAt(2 * 256 + 5, 256 + 3)).toEqual([9, 8, 7]);
        expect(await renderer.colourAt(5, 3)).toBeNull();
    });
});

describe('over the page', () => {
    const rings = (): string[] => screen.drawn.flatMap(({ path }) => path.flat()).filter((at) => at.startsWith('o '));

    it('the brush is a ring under the pointer, as large as it paints here', () => {
        bench.choose('light');
        bench.set({ tool: 'pen', size: 40 });
        drawn();
        expect(rings()).toEqual([]);
        renderer.pointer = { x: 111, y: 222 };
        drawn();
        const radius = 20 * (renderer.view?.scale ?? 0);
        expect(rings()).toEqual([
            `o 111,222 ${Math.round(10 * radius) / 10}`,
            `o 111,222 ${Math.round(10 * radius) / 10}`,
        ]);
        bench.set({ tool: 'pick' });
        drawn();
        expect(rings()).toEqual([]);
    });
    it('a grid lies over the ink where its lines are far enough apart, and overlays are shown', () => {
        bench.choose('ink');
        drawn();
        renderer.isFitted = false;
        renderer.view = { scale: 1, x: 300, y: 200, turn: 0, mirror: false };
        const lines = (grid: number, overlays = true): number => {
            bench.set({ grid, overlays });
            drawn();
            return screen.drawn.filter(({ colour }) => colour === '#6b6b6b').length;
        };
        expect([lines(100), lines(4), lines(3), lines(0), lines(100, false)]).toEqual([2, 2, 0, 0, 0]);
        bench.choose('flats');
        expect(lines(100)).toBe(0);
    });
    it('bridges lie over the flats; those that were taken away only while a limit is tried', () => {
        opened('', {
            records: {
                ...pageState().records,
                bridge: { 1: bridgeOf('found', 0, 0, 9, 0), 2: bridgeOf('refused', 0, 0, 9, 0) },
            },
        });
        bench.choose('flats');
        const strokes = (): number => {
            drawn();
            return screen.drawn.filter(({ what }) => what === 'stroke').length;
        };
        bench.set({ bridges: false, overlays: true });
        expect(strokes()).toBe(0);
        bench.set({ bridges: true });
        // A bar and its ring.
        expect(strokes()).toBe(2);
        bench.set({ bridgeLimit: 50 });
        expect(strokes()).toBe(3);
        bench.set({ overlays: false });
        expect(strokes()).toBe(0);
    });
    it('picked regions show which way they run, each way once', () => {
        const flow: RegionData['flow'] = [
            [
                [0.1, 0.5],
                [0.9, 0.5],
            ],
        ];
        opened('', {
            records: {
                ...pageState().records,
                region: { 1: { ...region(9, 5), flow }, 2: { ...region(9, 5), flow }, 3: region(9, 5) },
            },
        });
        bench.choose('light');
        bench.set({ pickedRegions: [1, 2, 3], overlays: true });
        drawn();
        // A line and a head, light and dark.
        expect(screen.drawn.filter(({ what }) => what === 'stroke')).toHaveLength(4);
        const [from, to] = screen.drawn[screen.drawn.length - 2].path[0].map((at) => Number(at.split(',')[0]));
        expect((to - from) / (renderer.view?.scale ?? 1)).toBeCloseTo(0.8 * 600);
    });
    it('the page is grey where somebody asks for it, and sharp near by', () => {
        bench.set({ grey: true });
        drawn();
        expect([screen.filter, screen.imageSmoothingEnabled]).toEqual(['grayscale(1)', true]);
        bench.set({ grey: false });
        renderer.isFitted = false;
        renderer.view = { scale: 2, x: 1, y: 1, turn: 0, mirror: false };
        drawn();
        expect([screen.filter, screen.imageSmoothingEnabled]).toEqual(['none', false]);
    });
});
