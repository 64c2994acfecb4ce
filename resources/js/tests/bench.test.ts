import { remembered, wayOf } from '../bench/model/carried';
import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Op } from '../page/ops/registry';
import type { CloudsData, GradientData, LightState, PageStateData, RecordsState, TipData } from '../api/generated';
import { bindingFor, KEYS } from '../bench/keymap';
import { BenchModel, type SurfaceHandle } from '../bench/model/model';
import { STAGES, stageOf } from '../bench/stages/stage';
import { TOOLS } from '../bench/tools/registry';
import type { ToolHost, ToolId, ToolPoint } from '../bench/tools/tool';
import type { OutboxStorage } from '../page/outboxStorage';
import { PageSession } from '../page/session';
import { SIDE } from '../picture/compose';
import { clogs, oilskin, pageState, region, shade, stubWindow } from './world';
import { fillRegions } from '../page/ops/flats/fillRegions';
import { filledWith } from '../page/ops/shown';

vi.mock('../api/client', () => ({ api: { giveBack: () => undefined, apply: () => new Promise(() => undefined) } }));

const nowhere: OutboxStorage = {
    claim: async () => true,
    load: async () => [],
    add: async () => undefined,
    remove: async () => undefined,
};
let bench: BenchModel;

function open(more: Partial<PageStateData> = {}): BenchModel {
    const session = new PageSession(pageState(more), 1, nowhere);
    session.store.setState({ held: true });
    bench = new BenchModel(session);
    return bench;
}

const ops = (): Op[] =>
    bench.session.outbox.waiting.flatMap((entry) => (entry.change.kind === 'op' ? [entry.change.op] : []));
/** Whether a gradient runs there, as exactly as it is kept. */
const near = (content: unknown, way: { from: number[]; to: number[] }): boolean => {
    const { from, to } = content as { from: number[]; to: number[] };
    return [...from, ...to].every((value, i) => Math.abs(value - [...way.from, ...way.to][i]) < 1e-4);
};
const target = { material: oilskin, figureName: 'Oda', tone: 'shade' as const, pass: null };

class Control {
    constructor(readonly selectors: string[] = []) {}
    matches = (list: string): boolean => list.split(',').some((one) => this.selectors.includes(one.trim()));
    closest = (): null => null;
}

beforeEach(() => {
    stubWindow();
    vi.stubGlobal('HTMLElement', Control);
    vi.stubGlobal('document', { querySelector: () => null, documentElement: {} });
});
afterEach(() => {
    bench.session.end();
    vi.unstubAllGlobals();
});

const tip: TipData = {
    kind: 'grain',
    seed: 4,
    flow: 0.5,
    spacing: 0.2,
    scatter: 0,
    along: true,
    angle: 0,
    turn: 0,
    jitter: 0,
    taper: 0,
    sizeBy: [0.5, 0.6, 0.7, 0.8, 1],
    flowBy: [1, 1, 1, 1, 1],
    opacityBy: [1, 1, 1, 1, 1],
    wet: 0,
    picture: null,
    grain: 0,
};

describe('the bench', () => {
    it('begins where the work is', () => {
        expect(open().view.stage).toBe('flats');
        expect(open({ records: { ...pageState().records, page: {} } }).view.stage).toBe('ink');
        expect(open({ records: { ...pageState().records, pass: { shade1: shade } } }).view.stage).toBe('light');
        expect(open({ records: { ...pageState().records, region: { 1: region(9, 5) } } }).view).toMatchObject({
            stage: 'light',
            tool: 'pen',
        });
    });
    it('takes the first tool of a stage, and drops what was being tried', () => {
        open().set({ compare: 0.4, pickedLines: ['line0001'] });
        bench.choose('light');
        expect(bench.view).toMatchObject({ stage: 'light', tool: 'pen', compare: 0, pickedLines: [], trial: null });
    });
    it('holds another tool while a key is down', () => {
        open().choose('light');
        bench.set({ tool: 'pour' });
        bench.hold('erase');
        bench.hold('erase');
        expect(bench.view.tool).toBe('erase');
        bench.release();
        expect(bench.view.tool).toBe('pour');
        bench.release();
        expect(bench.view.tool).toBe('pour');
        bench.choose('flats');
        bench.hold('erase');
        expect(bench.view.tool).toBe('fill');
    });
    it('keeps the brush within what can be painted', () => {
        open().set({ size: 1 });
        bench.resize(1 / 1.25);
        expect(bench.view.size).toBe(1);
        bench.resize(1.25);
        expect(bench.view.size).toBe(2);
        bench.set({ size: 1199 });
        bench.resize(1.25);
        expect(bench.view.size).toBe(1200);
        const fog = { id: 0, name: 'Sea fog', what: 'soft', size: 160, hardness: 0, tip: null };
        bench.set({ boxed: fog, opacity: 0.25, steady: 0.75 });
        expect(bench.paint.brush).toEqual({ size: 1200, hardness: 0, opacity: 0.25, smoothing: 0.75 });
        bench.set({ boxed: { ...fog, hardness: 0.5, tip } });
        expect(bench.paint.brush).toMatchObject({ hardness: 0.5, opacity: 0.25, tip });
        bench.set({ flow: 0.125 });
        expect(bench.paint.brush).toMatchObject({ opacity: 0.25, tip: { ...tip, flow: 0.125 } });
        bench.paint.take({ ...fog, hardness: 0.5, tip });
        expect(bench.paint.brush.tip?.flow).toBe(0.5);
        bench.set({ flow: 0.125 });
        bench.set({ boxed: null });
        expect(bench.paint.brush).toEqual({ size: 1200, hardness: 1, opacity: 0.25, smoothing: 0.75 });
    });
    it('steps through the figures that have materials, round and round, and keeps the tone', () => {
        open();
        bench.stepFigure(1);
        expect(bench.target).toMatchObject({ figureName: 'Oda', tone: 'base' });
        bench.pickTone('glint');
        bench.stepFigure(1);
        expect(bench.target).toMatchObject({ figureName: 'Tamsin', material: clogs, tone: 'glint', pass: null });
        bench.stepFigure(1);
        expect(bench.target?.figureName).toBe('Oda');
        bench.stepFigure(-1);
        expect(bench.target?.figureName).toBe('Tamsin');
        bench.pickPass('shade1');
        expect(bench.target?.pass).toBe('shade1');
        bench.pickTone('deep');
        expect(bench.target).toMatchObject({ tone: 'deep', pass: null });
    });
    it('goes to the largest region that is left', () => {
        const goTo = vi.fn();
        open().surface = { goTo } as unknown as SurfaceHandle;
        bench.flats.nextUnfilled();
        expect(goTo.mock.calls).toEqual([[31, 32, 20]]);
        bench.flats.nextUnfilled();
        expect(goTo.mock.calls[1]).toEqual([11, 12, Math.sqrt(90)]);
        bench.flats.nextUnfilled();
        expect(goTo.mock.calls[2]).toEqual([31, 32, 20]);
        bench.session.apply(fillRegions({ labels: [1, 3], ...filledWith(oilskin) }));
        bench.flats.nextUnfilled();
        expect(goTo).toHaveBeenCalledTimes(3);
        expect(bench.session.view.message).toBe('Every region is filled.');
    });
    it('says on the rail what is left in each stage', () => {
        open({ records: { ...pageState().records, pass: { a: shade, b: { ...shade, figure: 0 }, c: shade } } });
        expect(STAGES.map((stage) => stage.left(bench.session.view, 3))).toEqual(['✓', '2 left', '2', '1', '']);
        const gap = { x1: 1, y1: 2, x2: 3, y2: 4, score: 0.5 };
        const bridge = {
            1: { ...gap, kind: 'doubtful' as const },
            2: { ...gap, kind: 'found' as const },
            3: { ...gap, kind: 'doubtful' as const },
        };
        expect(STAGES[1].left(open({ records: { ...pageState().records, bridge } }).session.view, 3)).toBe('2 left');
        const filled = { 1: { ...pageState().records.region[2] } };
        expect(
            STAGES[1].left(open({ records: { ...pageState().records, bridge, region: filled } }).session.view, 3),
        ).toBe('5 to look at');
        expect(STAGES[1].left(open({ records: { ...pageState().records, region: filled } }).session.view, 0)).toBe('✓');
        const empty = open({ records: { ...pageState().records, page: {}, region: {} } });
        expect(STAGES.map((stage) => stage.left(empty.session.view, 0))).toEqual(['import', '', '', '', '']);
    });
});

describe('the keys', () => {
    const press = (key: string, more: Partial<KeyboardEvent> = {}): KeyboardEvent =>
        ({
            key,
            code: '',
            target: null,
            ctrlKey: false,
            metaKey: false,
            altKey: false,
            shiftKey: false,
            repeat: false,
            ...more,
        }) as KeyboardEvent;
    const run = (event: KeyboardEvent): void => bindingFor(event)?.run?.(bench, event);

    it('are each one thing', () => {
        open();
        const letters = 'abcdefghijklmnopqrstuvwxyz0123456789[]?+-'.split('');
        for (const letter of letters) {
            const fitting = KEYS.filter(
                (binding) => binding.run !== undefined && binding.withCommand !== true && binding.is(press(letter)),
            );
            expect(
                fitting.length,
                `"${letter}" does ${fitting.map((binding) => binding.what).join(' and ')}`,
            ).toBeLessThanOrEqual(1);
        }
        expect(new Set(KEYS.map((binding) => binding.shown)).size).toBe(KEYS.length);
        for (const tool of Object.values(TOOLS).filter(({ id }) => id !== 'look'))
            expect(KEYS.some((binding) => binding.shown === tool.key)).toBe(true);
    });
    it('pick the tools of the stage only', () => {
        open().choose('light');
        run(press('q'));
        expect(bench.view.tool).toBe('pen');
        run(press('X', { shiftKey: true }));
        expect(bench.view.tool).toBe('erase');
        bench.choose('flats');
        run(press('s'));
        expect(bench.view.tool).toBe('sweep');
    });
    it('undo with Ctrl or Cmd, and only then', () => {
        open();
        const undo = vi.spyOn(bench.session, 'undo').mockImplementation(() => undefined);
        const redo = vi.spyOn(bench.session, 'redo').mockImplementation(() => undefined);
        run(press('z'));
        run(press('z', { ctrlKey: true }));
        run(press('Z', { metaKey: true, shiftKey: true }));
        run(press('z', { ctrlKey: true, altKey: true }));
        expect([undo.mock.calls.length, redo.mock.calls.length]).toEqual([1, 1]);
        expect(bindingFor(press('s', { ctrlKey: true }))).toBeUndefined();
    });
    it('leave fields, dialogs and focused controls alone', () => {
        open();
        const field = new Control(['select']) as unknown as EventTarget;
        expect(bindingFor(press('g', { target: field }))).toBeUndefined();
        const slider = new Control(['input']) as unknown as EventTarget;
        expect(bindingFor(press('ArrowLeft', { target: slider }))).toBeUndefined();
        expect(bindingFor(press('g', { target: slider }))?.what).toBe('grey');
        expect(bindingFor(press('ArrowLeft'))?.what).toBe('move the page');
        vi.stubGlobal('document', { querySelector: (selector: string) => (selector === 'dialog[open]' ? {} : null) });
        expect(bindingFor(press('g'))).toBeUndefined();
    });
    it('switch what is looked at', () => {
        open();
        run(press('g'));
        run(press('h'));
        run(press('?'));
        expect(bench.view).toMatchObject({ grey: true, overlays: false, isKeySheetOpen: true });
    });
});

describe('tools', () => {
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
    const touched = vi.fn();
    /** Region 1 lies left of 100, region 2 up to 200, region 3 beyond; above the page there is none. */
    const host = (): ToolHost => ({
        bench,
        view: { scale: 1, x: 0, y: 0, turn: 0, mirror: false },
        level: 0,
        places: () => new Set(['0,0', '1,0']),
        labelAt: (x, y) => (y < 0 ? 0 : x < 100 ? 1 : x < 200 ? 2 : 3),
        touched,
    });
    const begin = (tool: ToolId, at: ToolPoint) => TOOLS[tool].begin(host(), at);

    beforeEach(() => {
        open().set({ target });
        touched.mockClear();
    });

    it('fill: the region that was clicked, wherever the hand goes then', () => {
        const gesture = begin('fill', point(50, 50));
        gesture?.move([point(150, 50), point(250, 50)]);
        gesture?.up();
        expect(ops()).toEqual([{ kind: 'fill', labels: [1], figure: 3, material: 9 }]);
    });
    it('sweep: every unfilled region between the places the hand was seen at', () => {
        const gesture = begin('sweep', point(50, 50));
        gesture?.move([point(250, 50)]);
        gesture?.up();
        expect(ops()).toMatchObject([{ labels: [1, 3] }]);
    });
    it('unfill: only what is filled', () => {
        const gesture = begin('unfill', point(50, 50));
        gesture?.move([point(250, 50)]);
        gesture?.up();
        expect(ops()).toEqual([{ kind: 'fill', labels: [2], figure: 0, material: 0 }]);
        begin('unfill', point(50, 50))?.up();
        expect(ops()).toHaveLength(1);
    });
    it('called off or beside every region change nothing', () => {
        const gesture = begin('sweep', point(50, 50));
        gesture?.move([point(250, 50)]);
        gesture?.cancel();
        gesture?.up();
        begin('fill', point(50, -5))?.up();
        expect(ops()).toEqual([]);
    });
    it('say why they do nothing', () => {
        const why = (tool: ToolId): string | null => {
            bench.session.say(null);
            expect(begin(tool, point(5, 5))).toBeNull();
            return bench.session.view.message;
        };
        bench.set({ target: null });
        expect(why('fill')).toMatch(/Pick a material/);
        expect(why('pen')).toMatch(/Pick a tone/);
        bench.set({ target });
        bench.session.store.setState({ held: false, holder: 'Ida' });
        expect(why('sweep')).toMatch(/Ida is working/);
        expect(why('erase')).toMatch(/Ida is working/);
        bench.session.store.setState({ held: true });
        open({ records: { ...pageState().records, pass: { shade1: { ...shade, visible: false } } } }).set({ target });
        expect(why('pen')).toMatch(/rolled up/);
        const masked = {
            ...shade,
            content: { kind: 'tone' as const, tone: 'light' as const },
            mask: { pass: 'shade1', outside: true },
        };
        open({
            records: { ...pageState().records, pass: { shade1: { ...shade, visible: false }, light1: masked } },
        }).set({ target });
        expect(begin('pen', point(5, 5))).not.toBeNull();
        open({ records: { ...pageState().records, page: {} } }).set({ target });
        expect(why('pen')).toMatch(/no line art/);
    });
    it('paint into the layer of the tone’s pass, which is made by painting', () => {
        bench.choose('light');
        bench.set({ size: 20, opacity: 0.5, steady: 0 });
        const gesture = begin('pen', point(30.123, 40.456, { pressure: 0.55555 }));
        const [id] = Object.keys(bench.session.view.records.pass);
        expect(bench.session.view.records.pass[id]).toMatchObject({
            name: 'Shade',
            content: { kind: 'tone', tone: 'shade' },
            figure: 3,
            order: 1,
        });
        gesture?.move([point(60, 40)]);
        expect(bench.session.tiles.peek(0, `pass:${id}`, 0, 0)?.[40 * SIDE + 55]).toBe(128);
        expect(touched).toHaveBeenLastCalledWith(0, new Set(['0,0']), `pass:${id}`);
        gesture?.up();
        expect(ops()).toEqual([
            {
                kind: 'stroke',
                pass: id,
                make: {
                    name: 'Shade',
                    figure: 3,
                    content: { kind: 'tone', tone: 'shade' },
                    scope: { kind: 'figure', id: 3 },
                },
                colour: null,
                erase: false,
                brush: { size: 20, hardness: 1, opacity: 0.5, smoothing: 0 },
                points: [
                    [30.12, 40.46, 0.556],
                    [60, 40, 1],
                ],
                inside: [],
                mirror: null,
            },
        ]);
    });
    it('keep paint inside the region it begins in, where that is wished', () => {
        bench.choose('light');
        bench.set({ isWithin: true });
        begin('pen', point(150, 40))?.up();
        begin('pen', point(150, -40))?.up();
        expect(ops()).toMatchObject([{ inside: [2] }, { inside: [] }]);
    });
    it('pour into the region, the figure with Shift, and clear with Alt', () => {
        bench.choose('light');
        const { region } = bench.session.view.records;
        begin('pour', point(150, 40));
        begin('pour', point(150, 40, { shift: true, alt: true }));
        const figure = Object.keys(region)
            .map(Number)
            .filter((label) => region[label].figure === region[2].figure);
        expect(ops()).toMatchObject([
            { kind: 'paint.pour', labels: [2], laying: { erase: false, make: { name: 'Shade' }, inside: [] } },
            { kind: 'paint.pour', labels: figure, laying: { erase: true, make: null } },
        ]);
        expect(figure).toContain(2);
    });
    it('ramp from where the drag began to where it ended; a click is none', () => {
        bench.choose('light');
        bench.set({ rampForm: 'round', opacity: 0.5 });
        begin('ramp', point(40, 40))?.up();
        expect(Object.keys(bench.session.view.records.pass)).toEqual([]);
        const gesture = begin('ramp', point(40, 40));
        gesture?.move([point(60, 50), point(80, 40)]);
        const [id] = Object.keys(bench.session.view.records.pass);
        expect(bench.session.tiles.peek(0, `pass:${id}`, 0, 0)?.[40 * SIDE + 60]).toBeCloseTo(64, -1);
        gesture?.up();
        expect(ops()).toMatchObject([
            { kind: 'paint.ramp', from: [40, 40], to: [80, 40], form: 'round', laying: { opacity: 0.5 } },
        ]);
    });
    describe('draw clouds', () => {
        const { width, height } = pageState().records.page.page;
        const content: CloudsData = {
            kind: 'clouds',
            colour: '#ffffff',
            shade: '#a0b0c0',
            heaps: [[0.1, 0.2, 0.3, 0.4]],
            lumps: 28,
            fullness: 0.5,
            softness: 0.1,
            contrast: 0.6,
            light: 10,
            height: 20,
            seed: 1,
        };
        const sky = { kind: 'material' as const, id: 9 };
        const clouds = { ...shade, figure: 0, scope: sky, content };
        const hangable = [{ title: 'Clouds', scopes: ['page'], pass: { ...clouds, name: 'Clouds' } }];
        const rules = { ...pageState().rules, hangable } as unknown as PageStateData['rules'];
        const box = (left: number, top: number, wide: number, high: number): number[] =>
            [left / width, top / height, wide / width, high / height].map((part) => Math.round(10_000 * part) / 10_000);
        /** From there to 60 px left of it and 50 below. */
        const drag = (x = 180): ReturnType<typeof begin> => {
            const gesture = begin('clouds', point(x, 40));
            gesture?.move([point(x - 10, 50), point(x - 60, 90)]);
            return gesture;
        };
        const hung = (pass: RecordsState['pass']): void => {
            open({ rules, records: { ...pageState().records, pass } });
            bench.choose('mood');
        };
        const heaps = (id: string): unknown => (bench.session.view.records.pass[id].content as CloudsData).heaps;

        it('in what the place is filled with, lit as the page is', () => {
            hung({ below001: { ...clouds, figure: 3 } });
            const plan = { azimuth: 200, elevation: 35 } as LightState['plan'];
            const { palette } = bench.session.view;
            const lights = [{ id: 4, name: 'Noon', plan, colours: palette.lightColours }] as LightState[];
            bench.session.store.setState({ palette: { ...palette, plan: 4, lights } });
            drag()?.up();
            expect(ops()).toMatchObject([{ kind: 'pass.add', pass: { figure: 0, scope: sky, name: 'Clouds' } }]);
            const [{ pass }] = ops() as unknown as { pass: { content: CloudsData } }[];
            expect(pass.content).toEqual({ ...content, heaps: [box(120, 40, 60, 50)], light: -160, height: 35 });
        });
        it('over the page where nothing is filled', () => {
            hung({});
            drag(80)?.up();
            expect(ops()).toMatchObject([{ pass: { scope: { kind: 'page', id: 0 }, content: { light: 135 } } }]);
        });
        it('one more in those that lie there, shown while the hand drags', () => {
            hung({ there001: clouds, other001: { ...clouds, order: 9, scope: { kind: 'material', id: 8 } } });
            const gesture = drag();
            expect(heaps('there001')).toEqual([[0.1, 0.2, 0.3, 0.4], box(120, 40, 60, 50)]);
            gesture?.cancel();
            expect([heaps('there001'), ops()]).toEqual([content.heaps, []]);
            drag()?.up();
            expect(ops()).toMatchObject([{ kind: 'pass.change', id: 'there001' }]);
        });
        it('of a usual size where somebody clicks', () => {
            hung({ there001: clouds });
            begin('clouds', point(180, 40))?.up();
            const longer = Math.max(width, height);
            const [wide, high] = [0.16 * longer, 0.07 * longer];
            expect(heaps('there001')).toEqual([content.heaps[0], box(180 - wide / 2, 40 - high / 2, wide, high)]);
        });
        it('anew where the last ones are full', () => {
            hung({ there001: { ...clouds, content: { ...content, heaps: Array(24).fill(content.heaps[0]) } } });
            drag()?.up();
            expect(ops()).toMatchObject([{ kind: 'pass.add' }]);
        });
    });
    it('draw a gradient anew from where the drag began to where it ended, or hang one', () => {
        const { width, height } = pageState().records.page.page;
        const stops = [
            { at: 0, colour: '#102030', alpha: 1 },
            { at: 1, colour: '#ffffff', alpha: 0 },
        ];
        const content: GradientData = {
            kind: 'gradient',
            form: 'linear',
            space: 'oklab',
            from: [0, 0],
            to: [0, 1],
            stops,
        };
        const dusk = { ...shade, figure: 0, scope: { kind: 'page' as const, id: 0 }, content };
        const hangable = [{ title: 'Gradient', scopes: ['page'], pass: { ...dusk, name: 'Gradient' } }];
        const rules = { ...pageState().rules, hangable } as unknown as PageStateData['rules'];
        const way = { from: [40 / width, 40 / height], to: [80 / width, 20 / height] };
        const draw = (): ReturnType<typeof begin> => {
            const gesture = begin('gradient', point(40, 40));
            gesture?.move([point(60, 50), point(80, 20)]);
            return gesture;
        };
        const at = (id: string): unknown => bench.session.view.records.pass[id].content;
        open({ rules, records: { ...pageState().records, pass: { low00001: dusk, top00001: { ...dusk, order: 9 } } } });
        bench.choose('mood');
        begin('gradient', point(40, 40))?.up();
        expect(ops(), 'a click is no way').toEqual([]);
        const tried = draw();
        expect(near(at('top00001'), way), 'shown while it is drawn').toBe(true);
        tried?.cancel();
        expect(at('top00001')).toEqual(content);
        draw()?.up();
        bench.set({ target: { ...target, pass: 'low00001' } });
        draw()?.up();
        expect(ops().map((op) => [op.kind, (op as { id: string }).id])).toEqual([
            ['pass.change', 'top00001'],
            ['pass.change', 'low00001'],
        ]);
        open({ rules });
        bench.choose('mood');
        draw()?.up();
        const [hung] = ops() as { kind: string; pass: { figure: number; content: unknown } }[];
        expect([hung.kind, hung.pass.figure, near(hung.pass.content, way)]).toEqual(['pass.add', 0, true]);
    });
    it('paint on both sides of a mirror, no darker where both lie', () => {
        bench.choose('light');
        bench.set({ size: 10, opacity: 0.5, steady: 0, axis: { x: 60, y: 0, turn: 0 } });
        const gesture = begin('pen', point(30, 40));
        gesture?.move([point(63, 40)]);
        gesture?.up();
        const [id] = Object.keys(bench.session.view.records.pass);
        const at = (x: number): number => bench.session.tiles.peek(0, `pass:${id}`, 0, 0)?.[40 * SIDE + x] ?? -1;
        expect([at(35), at(85), at(60), at(15), at(105)]).toEqual([128, 128, 128, 0, 0]);
        expect(ops()).toMatchObject([
            {
                kind: 'stroke',
                points: [
                    [30, 40, 1],
                    [63, 40, 1],
                ],
                mirror: { x: 60, y: 0, turn: 0 },
            },
        ]);
    });
    it('set a block corner by corner, and Enter makes it whole', () => {
        vi.stubGlobal(
            'OffscreenCanvas',
            class {
                getContext = () => null;
            },
        );
        bench.choose('light');
        bench.set({ areaWith: 'corners', tool: 'area' });
        bench.surface = { end: () => TOOLS.area.end?.(host()) } as unknown as SurfaceHandle;
        const enter = (): void => KEYS.find(({ shown }) => shown === 'Enter')?.run?.(bench, {} as KeyboardEvent);
        begin('area', point(20, 30));
        begin('area', point(70, 30));
        enter();
        expect([ops(), bench.view.draft.length]).toEqual([[], 2]);
        begin('area', point(70, 90));
        enter();
        const outline = [
            [20, 30],
            [70, 30],
            [70, 90],
        ];
        expect(ops()).toMatchObject([{ kind: 'paint.shape', outline, laying: { erase: false } }]);
        expect(bench.view.draft).toEqual([]);
    });
    it('ramp, soften, drag, pour and move in the mirror, too', () => {
        const axis = { x: 60, y: 0, turn: 0 };
        open({ records: { ...pageState().records, pass: { shade1: shade } } }).set({ target, size: 20, strength: 1 });
        bench.choose('light');
        bench.set({ axis, rampForm: 'round', isSoftApart: true });
        const ramp = begin('ramp', point(20, 40));
        ramp?.move([point(40, 40)]);
        const at = (x: number): number => bench.session.tiles.peek(0, 'pass:shade1', 0, 0)?.[40 * SIDE + x] ?? -1;
        expect(at(25)).toBeGreaterThan(150);
        expect([at(94), at(60)]).toEqual([at(25), 0]);
        ramp?.up();
        begin('soften', point(5, 5))?.up();
        const drag = begin('drag', point(22, 40));
        drag?.move([point(40, 40)]);
        drag?.up();
        begin('pour', point(30, 40));
        const loop = begin('move', point(10, 10));
        loop?.move([point(50, 10), point(50, 50)]);
        loop?.up();
        const carry = begin('move', point(45, 30));
        carry?.move([point(48, 30)]);
        carry?.up();
        expect(ops()).toMatchObject([
            { kind: 'paint.ramp', mirror: axis },
            { kind: 'pass.soften', mirror: axis, apart: true },
            { kind: 'paint.drag', mirror: axis },
            { kind: 'paint.pour', labels: [1] },
            { kind: 'paint.move', mirror: axis },
        ]);
        // What lies on the other side of the axis is another region.
        bench.set({ axis: { x: 90, y: 0, turn: 0 } });
        begin('pour', point(30, 40));
        expect(ops().at(-1)).toMatchObject({ labels: [1, 2] });
    });
    it('ramp through the tone between, which lies below', () => {
        bench.choose('light');
        bench.set({ isRampThrough: true, opacity: 1, target: { ...target, tone: 'deep' } });
        const gesture = begin('ramp', point(20, 40));
        gesture?.move([point(100, 40)]);
        const passes = bench.session.view.records.pass;
        const [shade, deep] = Object.keys(passes).sort((a, b) => passes[a].order - passes[b].order);
        expect([passes[shade].content, passes[deep].content]).toMatchObject([{ tone: 'shade' }, { tone: 'deep' }]);
        const at = (id: string, x: number): number =>
            bench.session.tiles.peek(0, `pass:${id}`, 0, 0)?.[40 * SIDE + x] ?? -1;
        expect(at(shade, 60)).toBeCloseTo(127, -1);
        expect([at(deep, 40), at(deep, 62)]).toEqual([expect.closeTo(127, -1), 0]);
        gesture?.up();
        expect(ops()).toMatchObject([
            {
                kind: 'paint.ramp',
                to: [100, 40],
                laying: { pass: shade },
                over: [{ laying: { pass: deep, make: { content: { kind: 'tone', tone: 'deep' } } }, part: 0.5 }],
            },
        ]);
        // A tone next to the base has none between.
        bench.set({ target: { ...target, tone: 'shade' } });
        begin('ramp', point(20, 40))?.cancel();
        expect(Object.keys(bench.session.view.records.pass)).toHaveLength(2);
    });
    it('soften and drag only what is there', () => {
        bench.choose('light');
        expect(begin('soften', point(5, 5))).toBeNull();
        expect(bench.session.view.message).toMatch(/no paint in this pass/);
        open({ records: { ...pageState().records, pass: { shade1: shade } } }).set({
            target,
            softness: 9,
            strength: 0.7,
            size: 500,
        });
        const gesture = begin('soften', point(5, 5));
        gesture?.move([point(7, 8)]);
        gesture?.up();
        begin('drag', point(5, 5))?.up();
        expect(ops()).toMatchObject([
            {
                kind: 'pass.soften',
                pass: 'shade1',
                by: 9,
                brush: { size: 500 },
                points: [
                    [5, 5, 1],
                    [7, 8, 1],
                ],
            },
            { kind: 'paint.drag', pass: 'shade1', brush: { size: 400, opacity: 0.7 } },
        ]);
    });
    it('move what was drawn round, and its outline with it', () => {
        open({ records: { ...pageState().records, pass: { shade1: shade } } }).set({ target });
        bench.choose('light');
        const loop = begin('move', point(10, 10));
        loop?.move([point(50, 10), point(50, 50), point(10, 50)]);
        loop?.up();
        const carry = begin('move', point(30, 30));
        carry?.move([point(70.4, 35, { alt: true })]);
        carry?.up();
        expect(ops()).toMatchObject([
            {
                kind: 'paint.move',
                pass: 'shade1',
                by: [40, 5],
                copy: true,
                outline: [
                    [10, 10],
                    [50, 10],
                    [50, 50],
                    [10, 50],
                ],
            },
        ]);
        expect(bench.view.movedOutline?.[0]).toEqual({ x: 50, y: 15 });
        begin('move', point(20, 20))?.up();
        expect(bench.view.movedOutline).toBeNull();
    });
    it('take what was drawn round along, and put it into another pass or on another page', () => {
        const kept = new Map<string, string>();
        vi.stubGlobal('sessionStorage', {
            getItem: (key: string) => kept.get(key) ?? null,
            setItem: (key: string, value: string) => kept.set(key, value),
            removeItem: (key: string) => kept.delete(key),
        });
        open({ records: { ...pageState().records, pass: { shade1: shade } } }).set({ target });
        bench.paint.carry('shade1');
        expect(bench.view.carried).toBeNull();
        const movedOutline = [
            { x: 10, y: 20 },
            { x: 51, y: 20 },
            { x: 51, y: 60 },
        ];
        bench.set({ movedOutline });
        bench.paint.carry('shade1');
        const name = `Shade of ${target.figureName}`;
        expect(remembered()).toEqual({ page: bench.session.view.id, pass: 'shade1', name, outline: movedOutline });
        bench.set({ movedOutline: null, target: { ...target, tone: 'light' } });
        bench.paint.placeCarried();
        const [made] = Object.entries(bench.session.view.records.pass).filter(
            ([, { content }]) => content.kind === 'tone' && content.tone === 'light',
        );
        const outline = [
            [10, 20],
            [51, 20],
            [51, 60],
        ];
        const make = { content: { kind: 'tone', tone: 'light' }, figure: target.material.figure };
        expect(ops()).toMatchObject([
            {
                kind: 'paint.place',
                pass: made[0],
                make,
                page: bench.session.view.id,
                from: 'shade1',
                outline,
                by: [0, 0],
            },
        ]);
        expect(bench.view.movedOutline).toEqual(movedOutline);
        // On another page it comes into the middle of what is in view, by whole pixels.
        expect(wayOf({ page: 99, pass: 'shade1', name, outline: movedOutline }, 4, { x: 200.2, y: 100 })).toEqual([
            170, 60,
        ]);
        bench.paint.keepCarried(null);
        expect([remembered(), bench.view.carried]).toEqual([null, null]);
        kept.set('awning-carried', '{');
        expect(remembered()).toBeNull();
    });
    it('take a stroke back that was called off, with the pass it would have made', () => {
        bench.choose('light');
        const gesture = begin('pen', point(30, 40));
        const [id] = Object.keys(bench.session.view.records.pass);
        gesture?.move([point(60, 40)]);
        gesture?.cancel();
        expect(bench.session.view.records.pass).toEqual({});
        expect(bench.session.tiles.peek(0, `pass:${id}`, 0, 0)?.some((value) => value > 0)).toBe(false);
        expect(ops()).toEqual([]);
    });
    it('draw straight from the beginning while Shift is held', () => {
        open({ records: { ...pageState().records, pass: { shade1: shade } } }).set({ target, size: 10, steady: 0 });
        bench.choose('light');
        const gesture = begin('pen', point(30, 40));
        gesture?.move([point(60, 90)]);
        gesture?.move([point(90, 40, { shift: true })]);
        const tile = bench.session.tiles.peek(0, 'pass:shade1', 0, 0);
        expect([tile?.[40 * SIDE + 60], tile?.[85 * SIDE + 58]]).toEqual([255, 0]);
        gesture?.up();
        expect(ops()).toMatchObject([
            {
                pass: 'shade1',
                make: null,
                points: [
                    [30, 40, 1],
                    [90, 40, 1],
                ],
            },
        ]);
    });
    it('erase with the eraser or with Alt, and paint free colour where the pass holds paint', () => {
        open({ records: { ...pageState().records, pass: { free01: { ...shade, content: { kind: 'paint' } } } } }).set({
            target: { ...target, pass: 'free01' },
            steady: 0,
        });
        bench.choose('light');
        begin('erase', point(30, 40))?.up();
        begin('pen', point(30, 40, { alt: true }))?.up();
        bench.set({ boxed: { id: 0, name: 'Sea fog', what: 'soft', size: 160, hardness: 0, tip: null } });
        begin('pen', point(30, 40))?.up();
        expect(ops()).toMatchObject([
            { erase: true, colour: oilskin.tones.shade },
            { erase: true },
            { erase: false, brush: { hardness: expect.any(Number) } },
        ]);
        const paint = bench.session.tiles.peek(0, 'paint:free01', 0, 0);
        expect([paint?.[40 * SIDE + 30], paint?.[SIDE * SIDE + 40 * SIDE + 30]]).toEqual([0x01, 0x10]);
    });
    it('read out what the hand will do', () => {
        expect(TOOLS.fill.sentence(bench)).toBe('Filling with Oda’s oilskin');
        expect(TOOLS.pen.sentence(bench)).toMatch(/^Painting Oda’s shade/);
        expect(TOOLS.erase.sentence(bench)).toMatch(/^Erasing in Oda’s shade/);
        bench.set({ target: null });
        expect(TOOLS.sweep.sentence(bench)).toMatch(/^Pick a material/);
        for (const stage of STAGES)
            expect(stageOf(stage.id).tools.every((id) => TOOLS[id].sentence(bench) !== '')).toBe(true);
    });
});
