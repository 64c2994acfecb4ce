// @vitest-environment happy-dom
/** What is drawn over the page: in screen pixels, wherever the page lies. */
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Cue } from '../bench/model/flatsModel';
import {
    asLimited,
    drawArrow,
    drawAxis,
    drawBridges,
    drawCues,
    drawDraftBridge,
    drawEdge,
    drawFrame,
    drawGrid,
    drawHandles,
    drawLines,
    drawOutline,
    drawPath,
    drawRing,
} from '../bench/surface/overlays';
import { matrix, panBy, shown, tilesIn, toPage, zoomAt, type View } from '../bench/surface/viewport';
import { Matrix, Recorder, stubMatrices } from './matrices';
import { bridgeOf, oilskin } from './world';

const ACCENT = '#2b5a7a';
let canvas: Recorder;
let context: CanvasRenderingContext2D;
/** Twice as large, the page's corner at 100, 50. */
let toScreen: DOMMatrix;

beforeEach(() => {
    stubMatrices();
    vi.stubGlobal('getComputedStyle', () => ({
        getPropertyValue: (name: string) => (name === '--color-primary' ? ACCENT : ''),
    }));
    canvas = new Recorder();
    context = canvas as unknown as CanvasRenderingContext2D;
    toScreen = new Matrix([2, 0, 0, 2, 100, 50]) as unknown as DOMMatrix;
});

describe('bridges', () => {
    it('are bars between the middles of their pixels, each with the mark of its kind', () => {
        drawBridges(context, toScreen, [bridgeOf('found', 10, 20, 14, 20), bridgeOf('kept', 0, 0, 0, 6)]);
        expect(canvas.drawn.map(({ path, width }) => [path, width])).toEqual([
            [[['121,91', '129,91']], 2.5],
            [[['o 125,91 7']], 1.2],
            [[['101,51', '101,63']], 2.5],
            [[['94,50 14x14']], 1.2],
        ]);
        expect(new Set(canvas.drawn.map(({ colour }) => colour))).toEqual(new Set([ACCENT]));
    });
    it('are broken where they are in doubt, and a cross alone where they were taken away', () => {
        drawBridges(context, toScreen, [bridgeOf('doubtful', 10, 20, 14, 20), bridgeOf('refused', 10, 20, 14, 20)]);
        expect(canvas.drawn.map(({ path, dash }) => [path, dash])).toEqual([
            [[['121,91', '129,91']], [3, 3]],
            [[['o 125,91 7']], [3, 3]],
            [
                [
                    ['121,87', '129,95'],
                    ['121,95', '129,87'],
                ],
                [],
            ],
        ]);
    });
    it('are crossed out where a limit drops them, and whole where it takes them in', () => {
        const all = [
            bridgeOf('found', 0, 0, 3, 4),
            bridgeOf('found', 0, 0, 6, 8),
            bridgeOf('doubtful', 0, 0, 0, 5),
            bridgeOf('doubtful', 0, 0, 0, 6),
            bridgeOf('kept', 0, 0, 90, 0),
            bridgeOf('refused', 0, 0, 1, 0),
        ];
        expect(asLimited(all, 5).map(({ kind }) => kind)).toEqual([
            'found',
            'refused',
            'found',
            'doubtful',
            'kept',
            'refused',
        ]);
        expect(asLimited(all, null)).toBe(all);
    });
    it('show under the hand before they are made', () => {
        drawDraftBridge(context, toScreen, { x: 1, y: 2 }, { x: 5, y: 2 });
        expect(canvas.drawn.map(({ path, colour }) => [path, colour])).toEqual([[[['102,54', '110,54']], ACCENT]]);
    });
});

describe('what the hand draws', () => {
    const path = [
        { x: 0, y: 0 },
        { x: 10, y: 0 },
        { x: 10, y: 20 },
    ];
    const on = ['100,50', '120,50', '120,90'];

    it('a dab is its colour, in a light and a dark line', () => {
        drawCues(context, toScreen, [{ path, material: oilskin } as unknown as Cue]);
        expect(canvas.drawn.map(({ path: [line], width, colour }) => [line, width, colour])).toEqual([
            [on, 13, '#111111'],
            [on, 11, '#ffffff'],
            [on, 8, oilskin.tones.base],
        ]);
    });
    it('the brush is a ring as large as it paints, and never too small to see', () => {
        drawRing(context, { x: 30, y: 40 }, 12);
        drawRing(context, { x: 30, y: 40 }, 0.5);
        expect(canvas.drawn.map(({ path: [[arc]], width }) => [arc, width])).toEqual([
            ['o 30,40 12', 3],
            ['o 30,40 12', 1],
            ['o 30,40 2', 3],
            ['o 30,40 2', 1],
        ]);
    });
    it('picked lines have a square at each end', () => {
        drawLines(context, toScreen, [
            {
                points: [
                    [0, 0, 1],
                    [10, 0, 1],
                    [10, 20, 1],
                ],
            },
        ]);
        expect(canvas.drawn.map(({ what, path: [line] }) => [what, ...line])).toEqual([
            ['stroke', ...on],
            ['fillRect', '97,47 6x6'],
            ['fillRect', '117,87 6x6'],
        ]);
    });
    it('an arrow ends in a head that looks along its last stretch', () => {
        drawArrow(context, toScreen, path);
        const [line, head] = canvas.drawn;
        expect([line.path[0], line.colour, canvas.drawn[2].colour]).toEqual([on, '#ffffff', ACCENT]);
        const [left, tip, right] = head.path[0].map((at) => at.split(',').map(Number));
        expect(tip).toEqual([120, 90]);
        // Straight down: both barbs lie above, as far to either side.
        expect(left[1]).toBe(right[1]);
        expect(left[1]).toBeLessThan(90);
        expect(left[0] - 120).toBeCloseTo(120 - right[0]);
        expect(Math.hypot(left[0] - 120, left[1] - 90)).toBeCloseTo(12, 0);
        canvas.drawn.length = 0;
        drawArrow(context, toScreen, path.slice(0, 1));
        expect(canvas.drawn).toEqual([]);
    });
    it('a loop is closed and filled faintly, an eraser’s way is as wide as it is', () => {
        drawOutline(context, toScreen, path);
        expect(canvas.drawn.map(({ what, path: [line], alpha }) => [what, line, alpha])).toEqual([
            ['fill', [...on, 'closed'], 0.12],
            ['stroke', [...on, 'closed'], 1],
        ]);
        canvas.drawn.length = 0;
        drawPath(context, toScreen, path, 33);
        expect(canvas.drawn.map(({ path: [line], width, alpha }) => [line, width, alpha])).toEqual([[on, 33, 0.35]]);
    });
});

describe('frames, grids and axes', () => {
    it('a grid has a line every step, and every fourth once more', () => {
        drawGrid(context, toScreen, { width: 50, height: 20 }, 10);
        const [fine, strong] = canvas.drawn;
        expect(fine.path.slice(0, 2)).toEqual([
            ['0,0', '0,20'],
            ['10,0', '10,20'],
        ]);
        expect(fine.path).toHaveLength(6 + 3);
        expect(strong.path).toEqual([
            ['0,0', '0,20'],
            ['40,0', '40,20'],
            ['0,0', '50,0'],
        ]);
        // A line of the page is as fine as one of the screen.
        expect(fine.width).toBeCloseTo(0.3);
    });
    it('an axis goes right across, the way it is turned', () => {
        drawAxis(context, toScreen, { x: 30, y: 40, turn: 0 });
        drawAxis(context, toScreen, { x: 30, y: 40, turn: Math.PI / 2 });
        const ends = canvas.drawn.map(({ path: [line] }) => line.map((at) => at.split(',').map(Number)));
        expect(ends[0].map(([x]) => x)).toEqual([160, 160]);
        expect(ends[0][0][1]).toBeLessThan(-9999);
        expect(ends[0][1][1]).toBeGreaterThan(9999);
        expect(ends[1].map(([, y]) => y)).toEqual([130, 130]);
        expect(canvas.drawn[0].dash).toEqual([10, 5]);
    });
    it('a frame has handles at its corners and a knob at the end of a stem', () => {
        const corners = [
            { x: 0, y: 0 },
            { x: 20, y: 0 },
            { x: 20, y: 10 },
            { x: 0, y: 10 },
        ];
        drawFrame(context, toScreen, corners, { x: 10, y: -8 });
        const [outline, knob, ring, ...handles] = canvas.drawn;
        expect(outline.path).toEqual([
            ['100,50', '140,50', '140,70', '100,70', 'closed'],
            ['120,50', '120,34'],
        ]);
        expect([knob.what, knob.path, ring.what]).toEqual(['fill', [['o 120,34 6']], 'stroke']);
        expect(handles.filter(({ what }) => what === 'strokeRect').map(({ path: [[box]] }) => box)).toEqual([
            '95,45 10x10',
            '135,45 10x10',
            '135,65 10x10',
            '95,65 10x10',
        ]);
    });
    it('handles of sides are lozenges', () => {
        drawHandles(context, toScreen, [{ x: 5, y: 5 }], true);
        expect(canvas.drawn.map(({ path: [[box]] }) => box)).toEqual(['105,55 10x10 turned', '105,55 10x10 turned']);
    });
    it('an edge between two pictures is as high as the page', () => {
        drawEdge(context, toScreen, 12, 100);
        expect(canvas.drawn.map(({ path, width }) => [path, width])).toEqual([[[['124,50', '124,250']], 3]]);
    });
});

describe('where the page lies', () => {
    const box = { width: 400, height: 300 };
    const view: View = { scale: 2, x: 100, y: 80, turn: 0, mirror: false };
    const at = (to: View, x: number, y: number): number[] => {
        const on = matrix(to, box).transformPoint(new DOMPoint(x, y));
        return [on.x, on.y];
    };

    it('its point in the middle is in the middle, scaled, turned and mirrored about that', () => {
        expect(at(view, 100, 80)).toEqual([200, 150]);
        expect(at(view, 110, 85)).toEqual([220, 160]);
        expect(at({ ...view, mirror: true }, 110, 85)).toEqual([180, 160]);
        const [x, y] = at({ ...view, turn: Math.PI / 2 }, 110, 85);
        expect([x, y].map(Math.round)).toEqual([190, 170]);
    });
    it('a place on the screen is told from how it lies', () => {
        for (const to of [view, { ...view, mirror: true }, { ...view, turn: 0.7 }]) {
            const [x, y] = at(to, 33, 91);
            const back = toPage(to, box, x, y);
            expect(back.x).toBeCloseTo(33);
            expect(back.y).toBeCloseTo(91);
        }
    });
    it('zooming leaves what is under the pointer there, and ends at sixteen times and at a fiftieth', () => {
        const near = zoomAt(view, box, 330, 40, 1.25);
        expect(near.scale).toBe(2.5);
        const under = toPage(view, box, 330, 40);
        const [x, y] = at(near, under.x, under.y);
        expect([x, y].map(Math.round)).toEqual([330, 40]);
        expect(zoomAt(view, box, 0, 0, 100).scale).toBe(16);
        expect(zoomAt(view, box, 0, 0, 0.001).scale).toBe(0.02);
    });
    it('moving follows the hand, mirrored, too', () => {
        expect(panBy(view, box, 20, -10)).toMatchObject({ x: 90, y: 85 });
        expect(panBy({ ...view, mirror: true }, box, 20, -10)).toMatchObject({ x: 110, y: 85 });
    });
    it('what is seen holds every corner of the screen', () => {
        expect(shown(view, box)).toEqual({ left: 0, right: 200, top: 5, bottom: 155 });
        const turned = shown({ ...view, turn: Math.PI / 2 }, box);
        expect([turned.left, turned.right, turned.top, turned.bottom].map(Math.round)).toEqual([25, 175, -20, 180]);
    });
    it('tiles are those that are seen, and so many round about, none beyond the page', () => {
        const page = { width: 1000, height: 600 };
        const part = { left: 300, right: 700, top: 20, bottom: 100 };
        const named = (level: number, ring = 0): string[] =>
            tilesIn(level, part, page, ring).map(({ column, row }) => `${column},${row}`);
        expect(named(0)).toEqual(['1,0', '2,0']);
        expect(named(0, 1)).toEqual(['0,0', '1,0', '2,0', '3,0', '0,1', '1,1', '2,1', '3,1']);
        expect(named(1)).toEqual(['0,0', '1,0']);
        expect(named(1, 5)).toEqual(['0,0', '1,0', '0,1', '1,1']);
        expect(tilesIn(0, { left: -900, right: -800, top: 9000, bottom: 9900 }, page)).toEqual([{ column: 0, row: 2 }]);
    });
});
