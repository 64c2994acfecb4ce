import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Op } from '../page/ops/registry';
import type { InkStrokeData, PageStateData } from '../api/generated';
import {
    distanceTo,
    isInside,
    joined,
    lineAt,
    linesInside,
    mirrored,
    moved,
    nearestPoint,
    pulled,
    reshaped,
    without,
} from '../bench/model/lines';
import { BenchModel } from '../bench/model/model';
import { croppedTo, frameOf, knobOf, movedBy, scaledTo, sidesAt, sidesOf, turnedTo } from '../bench/model/placing';
import { countOf } from '../bench/panels/ink/Histogram';
import { curve, ellipse, squared } from '../bench/model/shapes';
import { tilesInView } from '../bench/surface/cleanLooks';
import { TOOLS } from '../bench/tools/registry';
import type { ToolHost, ToolId, ToolPoint } from '../bench/tools/tool';
import type { OutboxStorage } from '../page/outboxStorage';
import { PageSession } from '../page/session';
import { SIDE } from '../picture/compose';
import { mostOf, StrokePreview, tapered, thinned, type Point } from '../picture/stroke';
import { drawing, pageState, stubWindow } from './world';

const answers: { importScan: string[]; state: 'done' | 'failed' } = { importScan: [], state: 'done' };
vi.mock('../api/client', () => ({
    api: {
        giveBack: () => undefined,
        apply: () => new Promise(() => undefined),
        feed: async () => (await import('./world')).quiet,
        begin: async (_: number, kind: string, asked: { lease: string; scan: { name: string }; drawing: string }) => {
            const { scan, drawing } = asked;
            if (kind !== 'import' || asked.lease === '') throw new Error(`Asked for ${kind}.`);
            answers.importScan.push(`${scan.name} as ${drawing}`);
            return {
                id: answers.importScan.length,
                kind: 'import',
                state: scan.name.startsWith('bad') ? 'failed' : 'done',
                progress: 100,
                message: scan.name.startsWith('bad') ? 'The image is damaged.' : 'Done',
                download: null,
                name: null,
                question: null,
            };
        },
    },
}));

const nowhere: OutboxStorage = {
    claim: async () => true,
    load: async () => [],
    add: async () => undefined,
    remove: async () => undefined,
};
const line = (points: Point[], weight = 4): InkStrokeData => ({ points, weight, taper: 0, steady: 0, grain: 0 });
const flat = line([
    [100, 100, 1],
    [200, 100, 1],
]);
const steep = line([
    [300, 50, 1],
    [300, 250, 1],
]);
let bench: BenchModel;

function open(more: Partial<PageStateData['records']> = {}): BenchModel {
    const session = new PageSession(pageState({ records: { ...pageState().records, ...more } }), 1, nowhere);
    session.store.setState({ held: true });
    bench = new BenchModel(session);
    bench.choose('ink');
    bench.set({ weight: 10, taper: 0, steady: 0 });
    return bench;
}

const ops = (): Op[] =>
    bench.session.outbox.waiting.flatMap((entry) => (entry.change.kind === 'op' ? [entry.change.op] : []));
const drawn = (): { id: string; stroke: InkStrokeData | null }[] =>
    ops().flatMap((op) => (op.kind === 'ink.draw' ? op.strokes : []));
const point = (x: number, y: number, more: Partial<ToolPoint> = {}): ToolPoint => ({
    x,
    y,
    pressure: 1,
    shift: false,
    alt: false,
    isMouse: false,
    time: 0,
    ...more,
});
const host = (): ToolHost => ({
    bench,
    view: { scale: 1, x: 0, y: 0, turn: 0, mirror: false },
    level: 0,
    labelAt: () => 0,
    places: () => new Set<string>(),
    touched: () => undefined,
});
const begin = (tool: ToolId, at: ToolPoint) => TOOLS[tool].begin(host(), at);
const inkAt = (x: number, y: number): number => bench.session.tiles.peek(0, 'ink', 0, 0)?.[y * SIDE + x] ?? 0;

beforeEach(() => {
    stubWindow();
    vi.stubGlobal('document', { querySelector: () => null, documentElement: {} });
    answers.importScan = [];
});
afterEach(() => {
    bench?.session.end();
    vi.unstubAllGlobals();
});

describe('a part of a drawing', () => {
    const turned = { ...drawing.place, scale: 2, turn: 90, mirror: true };
    it('is pulled by its sides, in the drawing’s own pixels', () => {
        const [left, top, right, bottom] = sidesAt(drawing, drawing.place);
        expect([left, top, right, bottom]).toEqual([
            { x: 100, y: 200 },
            { x: 300, y: 100 },
            { x: 500, y: 200 },
            { x: 300, y: 300 },
        ]);
        expect(croppedTo(drawing.place, drawing, 0, { x: 150, y: 999 }).crop).toEqual([50, 0, 400, 200]);
        expect(croppedTo(drawing.place, drawing, 3, { x: 0, y: 250 }).crop).toEqual([0, 0, 400, 150]);
        expect(croppedTo({ ...drawing.place, crop: [50, 20, 400, 200] }, drawing, 1, { x: 0, y: 130 }).crop).toEqual([
            50, 30, 400, 200,
        ]);
    });
    it('is pulled where it lies turned, mirrored and larger', () => {
        sidesAt(drawing, turned).forEach((at, side) => expect(croppedTo(turned, drawing, side, at).crop).toBeNull());
        const inward = croppedTo(turned, drawing, 0, { x: 300, y: 560 });
        expect(inward.crop).toEqual([20, 0, 400, 200]);
        expect(frameOf(drawing, inward).map(({ x, y }) => [Math.round(x), Math.round(y)])).toEqual([
            [500, 560],
            [500, -200],
            [100, -200],
            [100, 560],
        ]);
    });
    it('keeps something, and is all of it again when it is pulled back', () => {
        expect(croppedTo(drawing.place, drawing, 0, { x: 9999, y: 0 }).crop).toEqual([392, 0, 400, 200]);
        expect(croppedTo(drawing.place, drawing, 2, { x: -9999, y: 0 }).crop).toEqual([0, 0, 8, 200]);
        expect(croppedTo({ ...drawing.place, crop: [50, 0, 400, 200] }, drawing, 0, { x: -5, y: 0 }).crop).toBeNull();
    });
});

describe('tiles that are looked at', () => {
    const size = { width: 4000, height: 3000 };
    it('are those in view, coarser where they would be too many', () => {
        expect(tilesInView({ left: 300, top: -50, right: 900, bottom: 600 }, size, 0)).toEqual({
            level: 0,
            tiles: [1, 0, 4, 3],
        });
        expect(tilesInView({ left: 0, top: 0, right: 9000, bottom: 9000 }, size, 0)).toEqual({
            level: 1,
            tiles: [0, 0, 8, 6],
        });
        expect(tilesInView({ left: 0, top: 0, right: 300, bottom: 300 }, size, 2)).toEqual({
            level: 2,
            tiles: [0, 0, 1, 1],
        });
    });
});

describe('the geometry of lines', () => {
    it('knows how far a place is from one, ends included', () => {
        expect(distanceTo(flat, { x: 150, y: 107 })).toBeCloseTo(7);
        expect(distanceTo(flat, { x: 203, y: 104 })).toBeCloseTo(5);
        expect(distanceTo(line([[5, 5, 1]]), { x: 8, y: 9 })).toBeCloseTo(5);
    });
    it('finds the nearest within reach, its width counted', () => {
        const strokes = { flat, steep: line(steep.points as Point[], 40) };
        expect(lineAt(strokes, { x: 150, y: 106 }, 5)).toBe('flat');
        expect(lineAt(strokes, { x: 150, y: 108 }, 5)).toBeNull();
        expect(lineAt(strokes, { x: 322, y: 100 }, 5)).toBe('steep');
    });
    it('tells inside from outside, and picks what lies mostly inside', () => {
        const loop = [
            { x: 90, y: 90 },
            { x: 160, y: 90 },
            { x: 160, y: 110 },
            { x: 90, y: 110 },
        ];
        expect([isInside(loop, 100, 100), isInside(loop, 170, 100), isInside(loop, 100, 89)]).toEqual([
            true,
            false,
            false,
        ]);
        const mostly = line([
            [100, 100, 1],
            [120, 100, 1],
            [200, 100, 1],
        ]);
        expect(linesInside({ flat, steep, mostly }, loop)).toEqual(['mostly']);
    });
    it('moves, mirrors, scales and turns', () => {
        expect(moved(flat, 3, -4).points[1]).toEqual([203, 96, 1]);
        expect(mirrored(flat, { x: 250, y: 0, turn: 0 }).points).toEqual([
            [400, 100, 1],
            [300, 100, 1],
        ]);
        expect(mirrored(flat, { x: 0, y: 150, turn: Math.PI / 2 }).points[0]).toEqual([100, 200, 1]);
        expect(reshaped([flat], 2, 0)[0].points).toEqual([
            [50, 100, 1],
            [250, 100, 1],
        ]);
        expect(reshaped([flat], 1, Math.PI / 2)[0].points[1]).toEqual([150, 150, 1]);
        // More points than a function takes arguments: an imported drawing, all of it picked.
        const long = { ...flat, points: Array.from({ length: 300_000 }, (_, i): Point => [i, i % 7, 1]) };
        expect(reshaped([long], 1, 0)[0].points[299_999]).toEqual([299_999, 299_999 % 7, 1]);
    });
    it('tapers as the core does, and leaves out points on the way', () => {
        const points = Array.from({ length: 41 }, (_, i): Point => [20 + 10 * i, 50, 1]);
        expect(tapered(points, 0.25).map(([, , pressure]) => pressure)).toEqual(
            points.map((_, i) => Math.min(1, Math.min(i, 40 - i) / 10)),
        );
        expect(thinned(points)).toEqual([points[0], points[40]]);
        const bent: Point[] = [
            [0, 0, 1],
            [5, 0.1, 1],
            [10, 0, 1],
            [15, 4, 1],
            [20, 0, 0.2],
        ];
        expect(thinned(bent)).toEqual([bent[0], bent[2], bent[3], bent[4]]);
    });
    it('is pulled into shape, the nearest the most', () => {
        const straight = line(Array.from({ length: 11 }, (_, i): Point => [10 * i, 0, 1]));
        const bent = pulled(straight, 5, 4, 20, 40);
        expect(bent.points[5]).toEqual([54, 20, 1]);
        expect(bent.points[6][1]).toBeCloseTo(20 * 0.75 ** 2, 2);
        expect([bent.points[1][1], bent.points[9][1], bent.points[0][1]]).toEqual([0, 0, 0]);
        expect(nearestPoint(straight, { x: 62, y: 9 })).toBe(6);
    });
    it('is joined from end to nearest end', () => {
        const before = line([
            [210, 104, 0.5],
            [260, 130, 1],
        ]);
        expect(joined(flat, before).points).toEqual([...flat.points, ...before.points]);
        expect(joined(before, flat).points.map(([x]) => x)).toEqual([260, 210, 200, 100]);
        expect(joined(line([...before.points].reverse() as Point[]), flat).points.map(([x]) => x)).toEqual([
            260, 210, 200, 100,
        ]);
    });
    it('is left in pieces where an eraser went', () => {
        const pieces =
            without(
                flat,
                [
                    { x: 150, y: 90 },
                    { x: 150, y: 110 },
                ],
                10,
            ) ?? [];
        expect(pieces).toHaveLength(2);
        expect(pieces[0].points[0]).toEqual([100, 100, 1]);
        const [left, right] = [pieces[0].points.at(-1)?.[0] ?? 0, pieces[1].points[0][0]];
        expect([left > 136, left < 140, right > 160, right < 164]).toEqual([true, true, true, true]);
        expect(without(flat, [{ x: 150, y: 115 }], 10)).toBeNull();
        expect(
            without(
                flat,
                [
                    { x: 90, y: 100 },
                    { x: 210, y: 100 },
                ],
                10,
            ),
        ).toEqual([]);
    });
    it('sums ink as the more of both', () => {
        expect([...mostOf(Uint8Array.of(10, 200, 0), Uint8Array.of(90, 100, 7))]).toEqual([90, 200, 7]);
        expect([...mostOf(null, Uint8Array.of(3))]).toEqual([3]);
    });
});

describe('the place of a drawing', () => {
    const { place } = drawing;
    it('frames it, with a knob over its upper side', () => {
        expect(frameOf(drawing, place)).toEqual([
            { x: 100, y: 100 },
            { x: 500, y: 100 },
            { x: 500, y: 300 },
            { x: 100, y: 300 },
        ]);
        expect(knobOf(drawing, place, 20)).toEqual({ x: 300, y: 80 });
        const turned = frameOf(drawing, { ...place, turn: 90, scale: 0.5 });
        expect([Math.round(turned[0].x), Math.round(turned[0].y)]).toEqual([350, 100]);
        expect(
            sidesOf(drawing, {
                ...place,
                corners: [
                    [0, 0],
                    [30, 40],
                    [30, 140],
                    [0, 100],
                ],
            }),
        ).toEqual({ x: 50, y: 100 });
    });
    it('follows the hand', () => {
        expect(movedBy(place, 5, -6)).toMatchObject({ x: 305, y: 194 });
        expect(scaledTo(place, { x: 500, y: 300 }, { x: 400, y: 250 }).scale).toBe(0.5);
        expect(scaledTo(place, { x: 500, y: 300 }, { x: 300, y: 200 }).scale).toBe(0.02);
        expect(turnedTo(place, { x: 400, y: 200 }, false).turn).toBe(90);
        expect(turnedTo(place, { x: 306, y: 100 }, true).turn).toBe(0);
    });
    it('is tried before it is laid, and called off with the gesture', () => {
        open({ drawing: { drawing1: drawing } });
        const gesture = begin('place', point(310, 210));
        gesture?.move([point(330, 240)]);
        expect(bench.view.trial?.place).toMatchObject({ x: 320, y: 230, scale: 1 });
        gesture?.cancel();
        expect(bench.view.trial).toBeNull();
        begin('place', point(500, 300))?.move([point(400, 250)]);
        expect(bench.view.trial?.place).toMatchObject({ x: 300, y: 200, scale: 0.5 });
        bench.set({ trial: null });
        begin('place', point(300, 100 - 28))?.move([point(400, 200)]);
        expect(bench.view.trial?.place.turn).toBe(90);
        expect(ops()).toEqual([]);
    });
});

describe('ink tools', () => {
    it('draw a line that is kept as it was calmed, and its twin in the mirror', () => {
        open().set({ steady: 0.5, axis: { x: 100, y: 0, turn: 0 } });
        const gesture = begin('ink', point(20, 40));
        gesture?.move([point(40, 40), point(60, 40, { pressure: 0.5 })]);
        expect(inkAt(45, 40)).toBe(255);
        gesture?.up();
        const [one, twin] = drawn();
        expect(drawn()).toHaveLength(2);
        expect(one.stroke?.points[0]).toEqual([20, 40, 1]);
        expect(one.stroke?.points.at(-1)).toEqual([60, 40, 0.5]);
        expect(one.stroke).toMatchObject({ weight: 10, steady: 0 });
        expect(twin.stroke?.points.map(([x]) => x)).toEqual(one.stroke?.points.map(([x]) => 200 - x));
        expect([inkAt(30, 40), inkAt(170, 40), inkAt(100, 40)]).toEqual([255, 255, 0]);
        expect(one.id).not.toBe(twin.id);
        expect(Object.keys(bench.session.view.records.stroke)).toHaveLength(2);
    });
    it('go straight with Shift, and are called off without a trace', () => {
        open();
        const gesture = begin('ink', point(20, 40));
        gesture?.move([point(60, 90)]);
        gesture?.move([point(120, 40, { shift: true })]);
        expect([inkAt(60, 88), inkAt(70, 40)]).toEqual([0, 255]);
        gesture?.cancel();
        expect([inkAt(70, 40), drawn()]).toEqual([0, []]);
    });
    it('press lighter with a fast mouse than with a slow one', () => {
        const ends = [2, 60].map((step) => {
            open();
            const gesture = begin('ink', point(0, 50, { isMouse: true }));
            for (let i = 1; i < 12; i++)
                gesture?.move([point(step * i, 50 + (i % 2), { isMouse: true, time: 10 * i })]);
            gesture?.up();
            return drawn()[0].stroke?.points.at(-1)?.[2] ?? 0;
        });
        expect(ends[0]).toBeGreaterThan(0.85);
        expect(ends[1]).toBeLessThan(0.65);
        expect(ends[1]).toBeGreaterThan(0.4);
    });
    it('strike out whole lines that are crossed', () => {
        open({ stroke: { flat, steep } });
        const gesture = begin('strike', point(150, 50));
        gesture?.move([point(150, 101)]);
        gesture?.up();
        expect(drawn()).toEqual([{ id: 'flat', stroke: null }]);
        expect(Object.keys(bench.session.view.records.stroke)).toEqual(['steep']);
        begin('strike', point(9, 9))?.up();
        expect(ops()).toHaveLength(1);
    });
    it('erase parts of lines, and keep what is left', () => {
        open({ stroke: { flat, steep } }).set({ isCutting: true, cut: 20 });
        const gesture = begin('strike', point(150, 60));
        gesture?.move([point(150, 140)]);
        gesture?.up();
        expect(drawn().map(({ id }) => id)[0]).toBe('flat');
        expect(drawn()).toHaveLength(2);
        expect(drawn()[0].stroke?.points.at(-1)?.[0]).toBeLessThan(141);
        expect(drawn()[1].stroke?.points[0][0]).toBeGreaterThan(159);
        expect(Object.keys(bench.session.view.records.stroke)).toHaveLength(3);
    });
    it('pick by a click or a loop, move what is picked, and copy it with Alt', () => {
        open({ stroke: { flat, steep } });
        begin('pick', point(150, 101))?.up();
        expect([bench.view.pickedLines, ops()]).toEqual([['flat'], []]);
        const gesture = begin('pick', point(150, 101));
        gesture?.move([point(160, 121)]);
        gesture?.up();
        expect(drawn()).toEqual([{ id: 'flat', stroke: moved(flat, 10, 20) }]);
        const copy = begin('pick', point(300, 100));
        copy?.move([point(320, 100, { alt: true })]);
        copy?.up();
        expect(drawn()[1]).toMatchObject({ stroke: moved(steep, 20, 0) });
        expect(drawn()[1].id).not.toBe('steep');
        const loop = begin('pick', point(90, 10));
        loop?.move([point(290, 10), point(290, 160), point(90, 160)]);
        loop?.up();
        expect(bench.view.pickedLines).toEqual(['flat']);
        bench.ink.removePicked();
        expect(drawn().at(-1)).toEqual({ id: 'flat', stroke: null });
    });
    it('pull a picked line into shape', () => {
        open({ stroke: { flat } }).set({ pickedLines: ['flat'], isReshaping: true });
        const gesture = begin('pick', point(199, 101));
        gesture?.move([point(199, 121)]);
        gesture?.up();
        expect(drawn()).toEqual([{ id: 'flat', stroke: pulled(flat, 1, 0, 20, 90) }]);
        begin('pick', point(199, 118))?.cancel();
        expect(ops()).toHaveLength(1);
    });
    it('are for those who may colour', () => {
        open({ stroke: { flat } }).session.store.setState({ role: 'flatter' });
        expect([begin('ink', point(1, 1)), begin('strike', point(1, 1)), begin('pick', point(150, 100))]).toEqual([
            null,
            null,
            null,
        ]);
        expect(bench.session.view.message).toMatch(/flatting/);
    });
    it('say that the mirror is on', () => {
        open();
        expect(TOOLS.ink.sentence(bench)).not.toMatch(/mirror/);
        bench.toggleAxis();
        expect(bench.view.axis).toEqual({ x: 300, y: 200, turn: 0 });
        expect(TOOLS.ink.sentence(bench)).toMatch(/mirror is on/);
        bench.toggleAxis();
        expect(bench.view.axis).toBeNull();
    });
});

describe('shapes', () => {
    it('go round as ellipses do', () => {
        const points = ellipse({ x: 10, y: 120 }, { x: 110, y: 20 });
        for (const [x, y] of points) expect(((x - 60) / 50) ** 2 + ((y - 70) / 50) ** 2).toBeCloseTo(1, 2);
        for (const [x, y] of ellipse({ x: 0, y: 0 }, { x: 200, y: 60 }))
            expect(((x - 100) / 100) ** 2 + ((y - 30) / 30) ** 2).toBeCloseTo(1, 2);
        expect(points[0]).toEqual(points.at(-1));
        expect(squared({ x: 10, y: 10 }, { x: 40, y: -5 })).toEqual({ x: 40, y: -20 });
    });
    it('go smoothly through every place, straight where they lie straight', () => {
        const places = [
            { x: 0, y: 0 },
            { x: 50, y: 80 },
            { x: 120, y: 10 },
            { x: 200, y: 60 },
        ];
        const points = curve(places);
        for (const { x, y } of places) expect(points.some(([px, py]) => Math.hypot(px - x, py - y) < 0.01)).toBe(true);
        const turns = points.slice(2).map(([x, y], i) => {
            const [[ax, ay], [bx, by]] = [points[i], points[i + 1]];
            const turn = Math.atan2(y - by, x - bx) - Math.atan2(by - ay, bx - ax);
            return Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn)));
        });
        expect(Math.max(...turns)).toBeLessThan(0.7);
        for (const [x, y] of curve([0, 10, 40].map((at) => ({ x: at, y: 2 * at })))) expect(y).toBeCloseTo(2 * x, 1);
    });
    it('are set place by place, and end on the last or the first of them', () => {
        open().set({ tool: 'shape', shape: 'corners' });
        const press = (x: number, y: number): void => begin('shape', point(x, y))?.up();
        press(10, 10);
        press(100, 10);
        press(100, 90);
        expect([bench.view.draft.length, ops()]).toEqual([3, []]);
        press(12, 13);
        expect(drawn()[0].stroke?.points).toEqual([
            [10, 10, 1],
            [100, 10, 1],
            [100, 90, 1],
            [10, 10, 1],
        ]);
        expect(bench.view.draft).toEqual([]);
        press(10, 10);
        press(50, 50);
        press(51, 51);
        expect(drawn()[1].stroke?.points).toHaveLength(2);
        press(10, 10);
        begin('shape', point(30, 30))?.cancel();
        expect(bench.view.draft).toEqual([]);
    });
    it('keep to the grid where that is wanted, and straight lines do', () => {
        open().set({ tool: 'shape', shape: 'ellipse', grid: 50 });
        const gesture = begin('shape', point(103, 96));
        gesture?.move([point(212, 144)]);
        gesture?.up();
        const xs = drawn()[0].stroke?.points.map(([x]) => x) ?? [];
        expect([Math.min(...xs), Math.max(...xs)]).toEqual([100, 200]);
        const straight = begin('ink', point(20, 40));
        straight?.move([point(120, 130, { shift: true })]);
        straight?.up();
        expect([drawn()[1].stroke?.points[0].slice(0, 2), drawn()[1].stroke?.points.at(-1)?.slice(0, 2)]).toEqual([
            [0, 50],
            [100, 150],
        ]);
        bench.set({ isSnapping: false });
        expect(bench.ink.snapped({ x: 103, y: 96 })).toEqual({ x: 103, y: 96 });
    });
    it('come twice with the mirror on, and round with Shift', () => {
        open().set({ tool: 'shape', shape: 'ellipse', axis: { x: 300, y: 0, turn: 0 } });
        const gesture = begin('shape', point(100, 100));
        gesture?.move([point(180, 120, { shift: true })]);
        gesture?.up();
        const [one, twin] = drawn();
        const width = (stroke: InkStrokeData | null, axis: 0 | 1): number => {
            const values = stroke?.points.map((at) => at[axis]) ?? [0];
            return Math.max(...values) - Math.min(...values);
        };
        expect([width(one.stroke, 0), width(one.stroke, 1)]).toEqual([80, 80]);
        expect(Math.max(...(twin.stroke?.points.map(([x]) => x) ?? []))).toBe(500);
        begin('shape', point(100, 100))?.up();
        expect(drawn()).toHaveLength(2);
    });
});

describe('the calmed path', () => {
    it('is what was drawn, each place once', () => {
        const preview = new StrokePreview({ size: 10, hardness: 1, opacity: 1, smoothing: 0.5 }, 0, 600, 400);
        preview.add([20, 20, 0.2]);
        preview.add([20.1, 20, 0.9]);
        preview.add([40, 20, 1]);
        preview.end();
        expect(preview.path[0].slice(0, 2)).toEqual([20, 20]);
        expect(preview.path[0][2]).toBeCloseTo(0.55);
        expect(preview.path.at(-1)).toEqual([40, 20, 1]);
        expect(new Set(preview.path.map(([x]) => x)).size).toBe(preview.path.length);
    });
});

describe('drawings', () => {
    it('come in one after the other, each of its own, with a report of what did not', async () => {
        open();
        await bench.session.work.importScans([{ name: 'a.png' }, { name: 'bad.png' }] as File[]);
        expect(answers.importScan[0]).toBe('a.png as drawing1');
        expect(bench.session.view.message).toBe('1 of 2 files were imported. bad.png: The image is damaged.');
        open({ drawing: { drawing1: drawing } });
        await bench.session.work.importScans([{ name: 'b.png' }] as File[]);
        expect(answers.importScan.at(-1)).toMatch(/^b\.png as [a-z0-9]{12}$/);
        await bench.session.work.importScans([{ name: 'c.png' }] as File[], 'drawing1');
        expect(answers.importScan.at(-1)).toBe('c.png as drawing1');
    });
    it('are tried with some settings changed, the others as they are', () => {
        open({ drawing: { drawing1: drawing, another1: { ...drawing, name: 'b' } } }).set({ drawing: 'another1' });
        bench.ink.try({ clean: { weight: 2 } });
        bench.ink.try({ place: { x: 7 } });
        expect(bench.view.trial).toEqual({ clean: { ...drawing.clean, weight: 2 }, place: { ...drawing.place, x: 7 } });
        expect(bench.ink.drawing?.[1].name).toBe('b');
        bench.set({ drawing: 'gone' });
        expect(bench.ink.drawing?.[0]).toBe('drawing1');
    });
    it('are counted by how dark they are', () => {
        const tile = new Uint8Array(SIDE * SIDE).fill(40, 0, 10).fill(200, 10, 13);
        const counts = countOf({ get: (_, layer) => (layer === 'scan:drawing1' ? tile : null) }, 'scan:drawing1', {
            width: 600,
            height: 400,
        });
        expect([counts[40], counts[200], counts[0]]).toEqual([10, 3, SIDE * SIDE - 13]);
    });
});
