import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api } from '../api/client';
import type { Op } from '../page/ops/registry';
import type { BenchModel } from '../bench/model/model';
import { TOOLS } from '../bench/tools/registry';
import type { ToolId, ToolPoint } from '../bench/tools/tool';
import { Composer } from '../picture/compose';
import { chromaOf, lightnessOf, outOfRange } from '../picture/lightness';
import { shifted } from '../picture/shift';
import { buildStack } from '../picture/stack';
import { figuresOf } from '../picture/values';
import { dragOn, flatting, opsOf, point } from './flatting';
import { clogs, oilskin, pageState, region, stubWindow, taskState } from './world';
import { setDirections } from '../page/ops/light/setDirections';

vi.mock('../api/client', () => ({ api: { giveBack: () => undefined, apply: () => new Promise(() => undefined) } }));

let bench: BenchModel;
const open = (records?: Parameters<typeof flatting>[0]): BenchModel => (bench = flatting(records));
const ops = (): Op[] => opsOf(bench);
const drag = (tool: ToolId, points: ToolPoint[], labelAt?: (x: number, y: number) => number): void =>
    dragOn(bench, tool, points, labelAt);

beforeEach(() => {
    stubWindow();
    vi.stubGlobal('document', { querySelector: () => null, documentElement: {} });
});
afterEach(() => {
    bench?.session.end();
    vi.unstubAllGlobals();
});

describe('blocking in', () => {
    const loop = [point(10, 20), point(40, 20), point(40, 61)];

    it('sends the outline with the picked material, and with Alt takes it away', () => {
        open();
        drag('block', loop);
        drag('block', [{ ...loop[0], alt: true }, ...loop.slice(1)]);
        const outline = [
            [10, 20],
            [40, 20],
            [40, 61],
        ];
        expect(ops()).toEqual([
            { kind: 'flats.shape', use: 'add', outline, pen: null, into: null, figure: 3, material: 9 },
            { kind: 'flats.shape', use: 'take', outline, pen: null, into: null, figure: 3, material: 9 },
        ]);
    });

    it('is closed by a click on its first corner, and no sooner', () => {
        open().set({ blockWith: 'corners', shapeUse: 'keep' });
        for (const [x, y] of [
            [100, 100],
            [150, 100],
            [150, 160],
        ])
            drag('block', [point(x, y)]);
        expect(ops()).toEqual([]);
        drag('block', [point(104.9, 100)]);
        expect(ops()).toEqual([
            {
                kind: 'flats.shape',
                use: 'keep',
                outline: [
                    [100, 100],
                    [150, 100],
                    [150, 160],
                ],
                pen: null,
                into: null,
                figure: 3,
                material: 9,
            },
        ]);
        expect(bench.view.draft).toEqual([]);
        drag('block', [point(1, 1)]);
        drag('block', [point(2, 2)]);
        bench.flats.endCorners();
        expect(ops()).toHaveLength(1);
    });

    it('draws with a pen as wide as the size says, but no wider than the core takes', () => {
        open().set({ blockWith: 'pen', size: 900 });
        drag('block', [point(5, 6), point(7, 8)]);
        expect(ops()[0]).toMatchObject({
            outline: null,
            pen: {
                points: [
                    [5, 6, 1],
                    [7, 8, 1],
                ],
                width: 600,
            },
        });
    });

    it('pushes the border of the region it begins in, without a material', () => {
        open().set({ target: null, blockWith: 'push', size: 30 });
        drag('block', [point(15, 6), point(37, 8)], (x) => Math.floor(x / 10));
        expect(ops()).toMatchObject([{ use: 'add', into: 1, pen: { width: 30 }, figure: 0, material: 0 }]);
        drag('block', [point(5, 6), point(37, 8)], () => 0);
        expect(ops()).toHaveLength(1);
    });

    it('wants a material unless it takes away', () => {
        open().set({ target: null });
        drag('block', loop);
        expect(bench.session.view.message).toContain('Pick a material');
        bench.set({ shapeUse: 'take' });
        drag('block', loop);
        expect(ops()).toMatchObject([{ use: 'take', figure: 0, material: 0 }]);
    });
});

describe('picked regions', () => {
    const at = (x: number): number => Math.floor(x / 10);

    it('are taken by click and sweep, added and let go with Shift', () => {
        open();
        drag('choose', [point(15, 0)], at);
        expect(bench.view.pickedRegions).toEqual([1]);
        drag('choose', [point(25, 0, { shift: true }), point(35, 0)], at);
        expect(bench.view.pickedRegions).toEqual([1, 2, 3]);
        drag('choose', [point(25, 0, { shift: true })], at);
        expect(bench.view.pickedRegions).toEqual([1, 3]);
        drag('choose', [point(25, 0)], at);
        expect(bench.view.pickedRegions).toEqual([2]);
        bench.choose('light');
        expect(bench.view.pickedRegions).toEqual([]);
    });

    it('are told which way they run by a line over them, in parts of the page', () => {
        open();
        bench.choose('light');
        bench.set({ pickedRegions: [1, 3] });
        const { width, height } = bench.session.view.records.page.page;
        bench.paint.drawFlow(true);
        expect(TOOLS.choose.sentence(bench)).toMatch(/Draw over the picked regions/);
        drag('choose', [point(10, 20), point(12, 20)], at);
        expect([ops(), bench.view.isDrawingFlow, bench.view.pickedRegions]).toEqual([[], true, [1, 3]]);
        drag('choose', [point(10, 20), point(10, 20), point(30, 20), point(30, 60)], at);
        const [op] = ops();
        expect(op).toMatchObject({ kind: 'light.flow', labels: [1, 3], more: true });
        const line = op.kind === 'light.flow' ? (op.line ?? []) : [];
        expect(line).toHaveLength(12);
        expect([line[0], line[11]]).toEqual([
            [10 / width, 20 / height],
            [30 / width, 60 / height],
        ]);
        // 60 px in eleven steps, of which the first 20 px lead to the corner.
        expect(line[4][0] * width).toBeCloseTo(30);
        expect(line[4][1] * height).toBeCloseTo(20 + (60 * 4) / 11 - 20);
        expect([bench.view.isDrawingFlow, bench.session.view.records.region[3].flow]).toEqual([false, [line]]);
        bench.session.apply(setDirections({ labels: [3], line: null, more: true }));
        const other: [number, number][] = [
            [0.25, 0.5],
            [0.5, 0.5],
        ];
        bench.session.apply(setDirections({ labels: [1, 3], line: other, more: true }));
        const { region: now } = bench.session.view.records;
        expect([now[1].flow, now[3].flow]).toEqual([[line, other], [other]]);
    });

    it('stay clear of the veil; else the figure or the material that is meant does', () => {
        open({
            region: {
                1: region(0, 90),
                2: region(9, 50),
                3: { ...region(7, 30), figure: 3 },
                4: { ...region(8, 20), figure: 4 },
            },
        });
        expect(bench.clear).toBeNull();
        bench.set({ veil: 'figure' });
        expect(bench.clear).toEqual(new Set([2, 3]));
        bench.set({ veil: 'material' });
        expect(bench.clear).toEqual(new Set([2]));
        bench.set({ pickedRegions: [4] });
        expect(bench.clear).toEqual(new Set([4]));
        bench.choose('light');
        expect(bench.clear).toBeNull();
        bench.set({ pickedRegions: [2] });
        expect(bench.clear).toEqual(new Set([2]));
        bench.choose('proof');
        bench.set({ pickedRegions: [2] });
        expect(bench.clear).toBeNull();
    });

    it('are shifted alone; without any, all of the material that are not locked', () => {
        open({
            region: { 1: region(9, 90), 2: region(9, 50), 3: { ...region(9, 30), locked: true }, 4: region(8, 20) },
        });
        expect(bench.flats.shiftable()).toEqual([1, 2]);
        bench.set({ pickedRegions: [2, 4, 99] });
        expect(bench.flats.shiftable()).toEqual([2]);
    });

    it('take their materials with them to another figure', async () => {
        open({ region: { 1: region(9, 90), 2: { ...region(8, 50), figure: 4 }, 3: region(0, 5) } });
        const { palette } = bench.session.view;
        const copy = { ...oilskin, id: 21, figure: 4 };
        const figures = palette.figures.map((figure) =>
            figure.id === 4 ? { ...figure, materials: [clogs, copy] } : figure,
        );
        const copies = vi.fn(async () => ({ title: '', added: 21, version: 2, shown: { ...palette, figures } }));
        Object.assign(api, { applyToSeries: copies });
        await bench.session.palette.giveTo([1, 2, 3], 4, '');
        expect(copies).toHaveBeenCalledWith(
            2,
            'material.copy',
            { figure: 4, materials: [9, 8] },
            expect.any(String),
            7,
        );
        expect(ops()).toEqual([
            { kind: 'fill', labels: [1], figure: 4, material: 21 },
            { kind: 'fill', labels: [2], figure: 4, material: 8 },
        ]);
        expect(bench.session.view.records.region[3].material).toBe(0);
    });
});

describe('a sweep', () => {
    const at = (x: number): number => Math.floor(x / 10);

    it('crosses what is filled and fills the rest; with Shift all of it', () => {
        open({ region: { 1: region(0, 90), 2: region(8, 50), 3: region(0, 5) } });
        drag('sweep', [point(15, 0), point(35, 0)], at);
        expect(ops()).toEqual([{ kind: 'fill', labels: [1, 3], figure: 3, material: 9 }]);
        drag('sweep', [point(15, 0), point(35, 0)], at);
        expect(bench.session.view.message).toContain('Hold Shift');
        drag('sweep', [point(15, 0, { shift: true }), point(25, 0)], at);
        expect(ops().slice(1)).toEqual([{ kind: 'fill', labels: [1, 2], figure: 3, material: 9 }]);
    });
});

describe('a veil and what is proposed', () => {
    const look = { ink: 0, hatch: true, veil: true, passes: false };
    const block = (labels: number[]) => ({
        count: labels.length,
        x: 0,
        y: 0,
        width: labels.length,
        bytes: (layer: string) =>
            layer === 'flats' ? Uint8Array.from(labels.flatMap((label) => [label >> 8, label & 255])) : null,
    });
    const stack = () =>
        buildStack({ ...pageState().records, region: { 1: region(9, 9), 2: region(9, 9) } }, pageState().palette);
    const colours = (clear: Set<number> | null, proposed: Set<number> | null, veil = true): number[][] => {
        const pixels = new Composer({ ...stack(), clear, proposed }, block([1, 2, 1, 1, 1, 1, 2, 2]), { ...look, veil })
            .compose()
            .rgba();
        return Array.from({ length: 8 }, (_, i) => [...pixels.slice(4 * i, 4 * i + 3)]);
    };
    const base = [16, 8, 0].map((bits) => (parseInt(oilskin.tones.base.slice(1), 16) >> bits) & 255);

    it('turns all but the meant to grey, only where that is looked for', () => {
        const veiled = colours(new Set([1]), null);
        expect(veiled[0]).toEqual(base);
        expect(veiled[1]).toEqual(base.map((part) => Math.round(0.22 * part + 0.78 * 0x8c)));
        expect(colours(new Set([1]), null, false)[1]).toEqual(base);
        expect(colours(null, null)[1]).toEqual(base);
    });

    it('is hatched over its colour', () => {
        const seen = colours(null, new Set([2]));
        expect(seen[1]).toEqual([0xb2, 0xb2, 0xb2]);
        expect(seen[0]).toEqual(base);
        expect(seen[6]).toEqual(base);
    });
});

describe('colours of flats', () => {
    it('have the lightness the standard gives them', () => {
        // CIE 15 with sRGB's white: worked by hand from the formula.
        expect(lightnessOf(0xffffff)).toBeCloseTo(100, 6);
        expect(lightnessOf(0x777777)).toBeCloseTo(50.03, 1);
        expect(lightnessOf(0x000000)).toBe(0);
        expect(lightnessOf(0xff0000)).toBeCloseTo(53.24, 1);
        expect(chromaOf(0x808080)).toBeCloseTo(0, 5);
        expect(chromaOf(0xff0000)).toBeCloseTo(0.2577, 3);
    });

    it('are told when they leave no room for light or shadow, and by how much', () => {
        expect(outOfRange(0xf4f4f4)).toMatch(/^L\* 96: 8 too bright/);
        expect(outOfRange(0x101010)).toMatch(/^L\* 5: 15 too dark/);
        expect(outOfRange(0xff0000)).toMatch(/129 %/);
        expect(outOfRange(0xe0a93a)).toBeNull();
    });

    it('are shifted to nothing by nothing, and to grey by no chroma', () => {
        for (const colour of [0xe0a93a, 0x123456, 0xffffff, 0]) {
            expect(shifted(colour, { lightness: 0, chroma: 1, hue: 0 })).toBe(colour);
            const grey = shifted(colour, { lightness: 0, chroma: 0, hue: 50 });
            expect(
                Math.max(grey >> 16, (grey >> 8) & 255, grey & 255) -
                    Math.min(grey >> 16, (grey >> 8) & 255, grey & 255),
            ).toBeLessThan(2);
        }
    });

    it('are weighed by their area, the figure against the rest', () => {
        const { region: regions } = {
            region: { 1: region(9, 90), 2: region(9, 10), 3: { ...region(8, 50), figure: 4 }, 4: region(0, 5) },
        };
        const { flats } = buildStack({ ...pageState().records, region: regions }, pageState().palette);
        const { ours, others } = figuresOf(regions, flats, 3);
        expect(ours.map(({ area }) => area)).toEqual([100]);
        expect(others.map(({ area }) => area)).toEqual([50]);
        expect(figuresOf(regions, flats, null).others.reduce((sum, { area }) => sum + area, 0)).toBe(150);
    });
});

describe('flats that were taken over', () => {
    it('are settled row by row', async () => {
        open();
        const rows = [
            { colour: '#112233', share: 0.2, verdict: 'new' as const, difference: 30, material: null, labels: [1, 3] },
            { colour: '#445566', share: 0.1, verdict: 'new' as const, difference: 20, material: null, labels: [2] },
        ];
        const task = taskState({ kind: 'take', report: { name: 'theirs.png', right: 0, down: 0, rows } });
        bench.session.store.setState({ taken: task.report });
        bench.session.work.settleTaken(rows[0], clogs);
        expect(ops()).toEqual([{ kind: 'fill', labels: [1, 3], figure: 4, material: 8 }]);
        expect(bench.session.view.taken?.rows.map(({ material }) => material)).toEqual([8, null]);
        bench.session.work.forgetTaken();
        expect(bench.session.view.taken).toBeNull();
    });
});

describe('what the page before suggests', () => {
    it('is looked at before it is taken, and said when there is nothing', async () => {
        open();
        Object.assign(api, { asBefore: async () => ({ 1: 9 }) });
        await bench.flats.suggestAsBefore();
        expect(bench.view.meant).toEqual({ 1: 9 });
        expect(ops()).toEqual([]);
        bench.flats.takeCues(null);
        expect(ops()).toEqual([{ kind: 'fill', labels: [1], figure: 3, material: 9 }]);
        Object.assign(api, { asBefore: async () => ({}) });
        await bench.flats.suggestAsBefore();
        expect(bench.view.meant).toBeNull();
        expect(bench.session.view.message).toContain('No unfilled region');
    });
});
