import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api } from '../api/client';
import type { Op } from '../page/ops/registry';
import type { BridgeData } from '../api/generated';
import type { BenchModel, SurfaceHandle } from '../bench/model/model';
import { bridgeAt } from '../bench/tools/bridge';
import type { ToolId, ToolPoint } from '../bench/tools/tool';
import { filledAs } from '../page/records';
import { kindOf } from '../page/ops/registry';
import { dragOn, flatting, opsOf, point } from './flatting';
import { clogs, oilskin, pageState, region, stubWindow } from './world';
import { changeBridges } from '../page/ops/flats/changeBridges';

vi.mock('../api/client', () => ({ api: { giveBack: () => undefined, apply: () => new Promise(() => undefined) } }));

const found: BridgeData = { x1: 100, y1: 50, x2: 109, y2: 50, kind: 'found', score: 0.9 };
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

describe('bridges', () => {
    it('are hit by their middle, the nearest first', () => {
        const bridges = { 4: found, 7: { ...found, x1: 104, x2: 113 } };
        expect(bridgeAt(bridges, { x: 105, y: 50 }, 5)).toBe('4');
        expect(bridgeAt(bridges, { x: 108.5, y: 50 }, 5)).toBe('7');
        expect(bridgeAt(bridges, { x: 105, y: 57 }, 5)).toBeNull();
    });
    it('are drawn by a drag, in whole pixels', () => {
        open();
        drag('bridge', [point(20.7, 30.2), point(40, 41.9)]);
        expect(ops()).toEqual([{ kind: 'bridges', draw: [20, 30, 40, 41], bridge: null, as: null }]);
    });
    it('are taken away by a click, kept with Shift, and made where they are doubtful', () => {
        open({ bridge: { 4: found, 9: { ...found, y1: 90, y2: 90, kind: 'doubtful' } } });
        drag('bridge', [point(105, 50, { shift: true })]);
        drag('bridge', [point(105, 50)]);
        drag('bridge', [point(105, 90)]);
        drag('bridge', [point(300, 300)]);
        expect(ops().map((op) => (op.kind === 'bridges' ? [op.bridge, op.as] : null))).toEqual([
            [4, 'kept'],
            [4, 'refused'],
            [9, 'kept'],
        ]);
        expect(bench.session.view.records.bridge[4].kind).toBe('refused');
        expect(bench.session.view.message).toContain('There is no bridge here');
        expect(ops().map((op) => kindOf(op).touches(op))).toEqual([['bridge 4'], ['bridge 4'], ['bridge 9']]);
    });
    it('in doubt are looked at one after the other, and round again', () => {
        const doubtful = { ...found, kind: 'doubtful' as const };
        open({ bridge: { 3: found, 5: doubtful, 12: { ...doubtful, x1: 200, x2: 221 } } });
        const goTo = vi.fn();
        bench.surface = { goTo } as unknown as SurfaceHandle;
        const seen = [1, 2, 3].map(() => {
            bench.flats.nextDoubtful();
            return bench.view.bridge;
        });
        expect(seen).toEqual(['5', '12', '5']);
        expect(goTo.mock.calls[1]).toEqual([210.5, 50]);
        bench.session.apply(changeBridges({ draw: null, bridge: Number('5'), as: 'kept' }));
        bench.session.apply(changeBridges({ draw: null, bridge: Number('12'), as: 'refused' }));
        bench.flats.nextDoubtful();
        expect(bench.view.bridge).toBeNull();
        expect(bench.session.view.message).toContain('No gap is in doubt');
    });
});

describe('filling many at once', () => {
    it('a loop sends where it went; with Shift for filled ones, too', () => {
        open();
        drag('loop', [point(1.4, 2), point(50, 2), point(50, 60.6)]);
        drag('loop', [point(1, 2, { shift: true }), point(50, 2), point(50, 60)]);
        drag('loop', [point(1, 2), point(3, 3)]);
        expect(ops()).toEqual([
            {
                kind: 'fill.inside',
                outline: [
                    [1, 2],
                    [50, 2],
                    [50, 61],
                ],
                figure: oilskin.figure,
                material: oilskin.id,
                unfilled: true,
            },
            expect.objectContaining({ unfilled: false }),
        ]);
    });
    it('Alt picks the material that is there instead of filling', () => {
        open({ region: { 1: region(0, 90), 2: region(clogs.id, 50) } });
        const alt = { ...point(5, 5), alt: true };
        drag('fill', [alt], () => 2);
        expect([bench.target?.material.id, bench.target?.figureName, bench.target?.tone]).toEqual([
            clogs.id,
            'Tamsin',
            'base',
        ]);
        drag('fill', [alt], () => 1);
        expect(bench.target?.material.id).toBe(clogs.id);
        expect(bench.session.view.message).toContain('Nothing is filled here');
        expect(ops()).toEqual([]);
        drag('fill', [point(5, 5)], () => 1);
        expect(ops()).toEqual([{ kind: 'fill', labels: [1], figure: clogs.figure, material: clogs.id }]);
    });
    it('all but the outside takes what is unfilled and was not touched', () => {
        open({ region: { 1: region(0, 90), 2: region(9, 50), 3: region(0, 400), 4: region(0, 5) } });
        drag('allBut', [point(1, 1)], () => 3);
        expect(ops()).toEqual([{ kind: 'fill', labels: [1, 4], figure: oilskin.figure, material: oilskin.id }]);
    });
});

describe('cues', () => {
    it('count how much of a dab lies in each region, and are kept until they are spread', async () => {
        open();
        drag('cue', [point(0, 0), point(40, 0)], (x) => (x < 20 ? 1 : 3));
        bench.set({ target: { material: clogs, figureName: 'Tamsin', tone: 'base', pass: null } });
        drag('cue', [point(100, 100)], () => 2);
        drag('cue', [point(100, 100)], () => 0);
        expect(bench.view.cues.map(({ material, lengths }) => [material.id, lengths])).toEqual([
            [oilskin.id, { 1: 5, 3: 6 }],
            [clogs.id, { 2: 1 }],
        ]);
        const asked = vi.fn(async () => ({ 1: oilskin.id, 2: clogs.id, 3: clogs.id }));
        Object.assign(api, { spreadCues: asked });
        await bench.flats.spreadCues();
        expect(asked).toHaveBeenCalledWith(7, [
            [1, oilskin.id, 5],
            [3, oilskin.id, 6],
            [2, clogs.id, 1],
        ]);
        expect(ops()).toEqual([]);
        bench.flats.takeCues(clogs.figure);
        expect(ops()).toEqual([{ kind: 'fill', labels: [2, 3], figure: clogs.figure, material: clogs.id }]);
        expect([bench.view.meant, bench.view.cues.length]).toEqual([{ 1: oilskin.id }, 2]);
        bench.flats.takeCues(null);
        expect([ops().length, bench.view.meant, bench.view.cues.length]).toEqual([2, null, 0]);
    });
    it('are shown as they would fill', () => {
        const regions = { 1: region(0, 90), 2: region(9, 50) };
        const filled = filledAs(regions, { 1: clogs.id, 8: 3 }, pageState().palette);
        expect(filled).toEqual({ 1: { ...regions[1], material: clogs.id, figure: clogs.figure }, 2: regions[2] });
        expect(regions[1].material).toBe(0);
    });
});
