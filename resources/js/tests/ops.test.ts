import { describe, expect, it } from 'vitest';
import type { NewPass } from '../api/client';
import { OP_KINDS, type HeldMoodData, type RecordsState } from '../api/generated';
import { kindOf, type Op } from '../page/ops/registry';
import { createPageStore, type PageView } from '../page/store';
import { pageState, region, shade } from './world';

const make: NewPass = {
    name: 'Rim',
    figure: 3,
    content: { kind: 'tint', colour: '#ffffff', follows: null },
    scope: { kind: 'figure', id: 3 },
};
const laying = { pass: 'new00001', make, erase: false, colour: null, opacity: 1, inside: [] };
const square: [number, number][] = [
    [1, 1],
    [9, 1],
    [9, 9],
];
const brush = { size: 9, hardness: 1, flow: 1, spacing: 0.1 } as unknown as Extract<Op, { kind: 'stroke' }>['brush'];
const stroke = { points: [[1, 2, 1]] as [number, number, number][], weight: 4, taper: 0, steady: 0, grain: 0 };
const place = { pass: 'shade001', inside: [], mirror: null };
const setupPass = { ...shade, marks: null, rough: null } as unknown as Extract<
    Op,
    { kind: 'setup.hang' }
>['passes'][number];
const crop = { x: 1, y: 2, scale: 1, turn: 0, mirror: false, crop: null, corners: null, covers: false };
const drawing = { order: 1, visible: true, tint: '#4060ff', place: crop } as unknown as RecordsState['drawing'][string];
const bridge = { x0: 1, y0: 2, x1: 3, y1: 4, width: 2, kind: 'doubtful' } as unknown as RecordsState['bridge'][string];

const storm: HeldMoodData = {
    name: 'Storm',
    brought: { plan: 3, variant: null },
    layers: { moodstorm001: { ...shade, figure: 0, order: 9, visible: false } },
    groups: {},
};

/** One change of each kind, about things that are on the page below. */
const OPS: { [Kind in Op['kind']]: Extract<Op, { kind: Kind }> } = {
    fill: { kind: 'fill', labels: [1, 2, 99], figure: 4, material: 8 },
    'fill.inside': { kind: 'fill.inside', outline: square, figure: 4, material: 8, unfilled: true },
    bridges: { kind: 'bridges', draw: null, bridge: 4, as: 'kept' },
    'bridges.limit': { kind: 'bridges.limit', longest: 9 },
    'flats.shape': { kind: 'flats.shape', use: 'add', outline: square, pen: null, into: null, figure: 3, material: 9 },
    'flats.resize': { kind: 'flats.resize', labels: [1], by: 2 },
    'flats.join': { kind: 'flats.join', labels: [1, 2] },
    'flats.absorb': { kind: 'flats.absorb', labels: [1] },
    'flats.strays': { kind: 'flats.strays', places: square },
    'flats.lock': { kind: 'flats.lock', labels: [2, 3], locked: true },
    'colour.shift': {
        kind: 'colour.shift',
        id: 'shift001',
        labels: [2],
        values: { material: 9, lightness: 0.1, chroma: 0, hue: 0 },
    },
    'variant.wear': { kind: 'variant.wear', labels: [3], variant: 5 },
    'light.solid': { kind: 'light.solid', labels: [1], solid: 'ball' },
    'light.before': { kind: 'light.before', labels: [1], inFront: true },
    'light.flow': {
        kind: 'light.flow',
        labels: [2],
        line: [
            [0.1, 0.2],
            [0.3, 0.4],
        ],
        more: true,
    },
    'light.stand': { kind: 'light.stand', labels: [2], plan: 6 },
    stroke: {
        kind: 'stroke',
        ...place,
        points: [[1, 2, 1]],
        brush,
        erase: false,
        colour: null,
        pass: 'new00001',
        make,
    },
    'paint.shape': { kind: 'paint.shape', laying, outline: square, mirror: null },
    'paint.pour': { kind: 'paint.pour', laying, labels: [1] },
    'paint.ramp': {
        kind: 'paint.ramp',
        laying,
        from: [1, 1],
        to: [5, 5],
        form: 'straight',
        mirror: null,
        over: [{ laying: { ...laying, pass: 'other001' }, part: 1 }],
    },
    'pass.soften': { kind: 'pass.soften', ...place, by: 3, brush: null, points: [], apart: false },
    'mask.soften': { kind: 'mask.soften', id: 'shade001', mask: 'mask0001', by: 3 },
    'paint.drag': { kind: 'paint.drag', ...place, brush, points: [[1, 2, 1]] },
    'paint.move': {
        kind: 'paint.move',
        pass: 'shade001',
        outline: null,
        by: [3, 3],
        turn: 0,
        scale: [1, 1],
        copy: false,
        into: null,
        mirror: null,
    },
    'paint.place': {
        kind: 'paint.place',
        pass: 'new00001',
        make,
        page: 8,
        from: 'other001',
        outline: square,
        by: [2, 2],
    },
    'pass.add': { kind: 'pass.add', id: 'new00001', pass: make },
    'pass.change': { kind: 'pass.change', id: 'shade001', values: { opacity: 0.5 } },
    'pass.copy': { kind: 'pass.copy', id: 'new00001', from: 'shade001' },
    'pass.merge': { kind: 'pass.merge', id: 'shade002', into: 'shade001', copy: 'new00001' },
    'pass.remove': { kind: 'pass.remove', id: 'shade001' },
    'pass.order': {
        kind: 'pass.order',
        passes: [
            { id: 'shade001', order: 7 },
            { id: 'shade002', order: 6 },
        ],
    },
    group: {
        kind: 'group',
        id: 'group001',
        passes: ['shade001'],
        how: { isolated: true, mode: 'multiply', opacity: 0.5 },
    },
    'mood.bring': { kind: 'mood.bring', plan: 3, variant: null },
    'wash.around': {
        kind: 'wash.around',
        washes: [{ figure: 7, colour: '#6688aa', around: [[4, 700]] }],
        strength: 0.3,
    },
    'mood.panel': {
        kind: 'mood.panel',
        name: 'Fog',
        layers: [{ name: 'Air', content: { kind: 'wash', colour: '#dfe5ea' }, mode: 'screen', opacity: 0.4 }],
        ids: ['panelnew0001'],
        cover: 'panelcover01',
        labels: [1],
    },
    'mood.wear': {
        kind: 'mood.wear',
        name: 'Fog',
        layers: [{ name: 'Air', content: { kind: 'wash', colour: '#dfe5ea' }, mode: 'screen', opacity: 0.4 }],
        ids: ['mood00new001'],
        leaving: ['shade001'],
        hold: 'held00new001',
    },
    'mood.show': {
        kind: 'mood.show',
        id: 'heldstorm001',
        hold: 'held00new001',
        leaving: ['shade001'],
        coming: ['moodstorm001'],
    },
    'mood.letgo': { kind: 'mood.letgo', id: 'heldstorm001' },
    'setup.hang': {
        kind: 'setup.hang',
        name: 'Wet cloth',
        figure: 3,
        scope: shade.scope,
        ids: ['new00001', 'rough3shade'],
        passes: [setupPass, { ...setupPass, rough: 'shade' }],
        labels: [2],
        setup: 4,
    },
    'setup.join': { kind: 'setup.join', passes: ['shade001'], setup: 4, first: 2, marked: [1] },
    'page.start': { kind: 'page.start', width: 50, height: 60, dpi: 300 },
    'drawing.change': { kind: 'drawing.change', id: 'drawing1', values: { visible: false } },
    'drawing.remove': { kind: 'drawing.remove', id: 'drawing1' },
    'ink.draw': {
        kind: 'ink.draw',
        strokes: [
            { id: 'line0001', stroke: null },
            { id: 'line0002', stroke },
        ],
    },
    'lines.colour': { kind: 'lines.colour', lines: { rule: 'tone', colour: '#111111', shown: false } },
};

const view: PageView = createPageStore(
    pageState({
        records: {
            ...pageState().records,
            region: { 1: region(0, 90, 11, 12), 2: region(9, 50), 3: region(0, 400) },
            pass: { shade001: shade, shade002: { ...shade, order: 2 } },
            group: { group001: { isolated: false, mode: 'normal', opacity: 1 } },
            drawing: { drawing1: drawing, drawing2: { ...drawing, order: 2 } },
            stroke: { line0001: stroke, line0003: stroke },
            bridge: { 4: bridge, 5: bridge },
            held: { heldstorm001: storm, heldnight001: { ...storm, name: 'Night' } },
        },
    }),
).getState();

/** "kind key" of every record that differs. */
function changed(before: RecordsState, after: RecordsState): string[] {
    return Object.keys(before).flatMap((kind) => {
        const [was, is] = [before, after].map(
            (records) => (records as unknown as Record<string, Record<string, unknown>>)[kind],
        );
        return [...new Set([...Object.keys(was), ...Object.keys(is)])]
            .filter((key) => was[key] !== is[key])
            .map((key) => `${kind} ${key}`);
    });
}

const shownOf = (op: Op): RecordsState => ({ ...view.records, ...kindOf(op).show(op, view) });

/** What each kind shows before the server has answered; kinds that are not here show nothing. */
const SHOWN: Partial<Record<Op['kind'], string[]>> = {
    fill: ['region 1', 'region 2'],
    bridges: ['bridge 4'],
    'flats.lock': ['region 2', 'region 3'],
    'colour.shift': ['region 2', 'shift shift001'],
    'variant.wear': ['region 3'],
    'light.solid': ['region 1'],
    'light.before': ['region 1'],
    'light.flow': ['region 2'],
    'light.stand': ['region 2'],
    stroke: ['pass new00001'],
    'paint.shape': ['pass new00001'],
    'paint.pour': ['pass new00001'],
    'paint.ramp': ['pass new00001'],
    'paint.place': ['pass new00001'],
    'pass.add': ['pass new00001'],
    'pass.change': ['pass shade001'],
    'pass.copy': ['pass new00001'],
    'pass.remove': ['pass shade001'],
    'pass.order': ['pass shade001', 'pass shade002'],
    group: ['group group001'],
    'mood.bring': ['page page'],
    'wash.around': ['pass around7'],
    'mood.wear': ['held held00new001', 'page page', 'pass mood00new001', 'pass shade001'],
    'mood.panel': ['region 1'],
    'mood.show': ['held held00new001', 'held heldstorm001', 'page page', 'pass moodstorm001', 'pass shade001'],
    'mood.letgo': ['held heldstorm001'],
    'setup.hang': ['pass new00001'],
    'setup.join': ['pass shade001'],
    'page.start': ['page page'],
    'drawing.change': ['drawing drawing1'],
    'drawing.remove': ['drawing drawing1'],
    'ink.draw': ['stroke line0001', 'stroke line0002'],
    'lines.colour': ['page page'],
};

describe('kinds of change', () => {
    it('are the ones the server knows', () => {
        expect(Object.keys(OPS).sort()).toEqual([...OP_KINDS].sort());
    });
    for (const op of Object.values(OPS)) {
        const kind = kindOf(op);
        it(`${op.kind} has a name, and shows what it says it shows`, () => {
            expect(kind.kind).toBe(op.kind);
            expect(kind.title).toMatch(/^[A-Z]\w/);
            expect(changed(view.records, shownOf(op)).sort()).toEqual(SHOWN[op.kind] ?? []);
        });
        it(`${op.kind} keeps all it shows from an earlier answer`, () => {
            expect(kind.touches(op)).toEqual(expect.arrayContaining(changed(view.records, shownOf(op))));
        });
    }
    it('leave alone what is gone from the page', () => {
        const gone: Op[] = [
            { kind: 'bridges', draw: null, bridge: 77, as: 'kept' },
            { kind: 'pass.change', id: 'gone0001', values: { opacity: 0 } },
            { kind: 'pass.copy', id: 'new00001', from: 'gone0001' },
            { kind: 'group', id: 'gone0001', passes: [], how: { isolated: true, mode: 'normal', opacity: 1 } },
            { kind: 'drawing.change', id: 'gone0001', values: { visible: false } },
            { kind: 'flats.lock', labels: [77], locked: true },
        ];
        for (const op of gone) expect(changed(view.records, shownOf(op)), op.kind).toEqual([]);
    });
    it('that hang a pass leave one that hangs there as it is', () => {
        expect(changed(view.records, shownOf({ kind: 'pass.add', id: 'shade001', pass: make }))).toEqual([]);
    });
    it('merging into a lower pass concerns the two of them only', () => {
        const op: Op = { kind: 'pass.merge', id: 'shade002', into: 'shade001', copy: null };
        expect(kindOf(op).touches(op)).toEqual(['pass shade002', 'pass shade001']);
    });
    it('that show a mood at hand show it as it was left, and keep what it takes the place of', () => {
        const { pass, held, page } = shownOf(OPS['mood.show']);
        expect(pass.moodstorm001).toMatchObject({ ...storm.layers.moodstorm001, order: expect.any(Number) });
        expect(page.page).toMatchObject({ mood: 'Storm', moodPlan: 3, moodVariant: null });
        expect(Object.keys(held).sort()).toEqual(['held00new001', 'heldnight001']);
        expect(held.held00new001).toEqual({
            name: 'This page’s own',
            brought: { plan: null, variant: null },
            layers: { shade001: shade },
            groups: {},
        });
    });
    it('of a mood that is left and not to be kept keep nothing', () => {
        for (const hold of [null, undefined])
            expect(shownOf({ ...OPS['mood.wear'], hold }).held).toEqual(view.records.held);
        expect(shownOf({ ...OPS['mood.wear'], leaving: [] }).held, 'there was none').toEqual(view.records.held);
    });
    it('of moods leave regions in the mood of the page where they bring no layers', () => {
        const brought = { ...OPS['mood.panel'], plan: 3 };
        expect(shownOf(brought).region[1].mood).toEqual({ plan: 3, variant: null });
        expect(shownOf({ ...brought, layers: [] }).region[1].mood).toBeNull();
        expect(shownOf(brought).region[2].mood).toBeNull();
    });
    it('say no kind for one nobody knows', () => {
        expect(() => kindOf({ kind: 'nosuch' } as unknown as Op)).toThrow('nosuch');
    });
    it('drawn in tiles beforehand are the strokes, shapes, pours, ramps, drags and lines', () => {
        const drawn = Object.values(OPS).filter((op) => kindOf(op).isDrawn);
        expect(drawn.map(({ kind }) => kind).sort()).toEqual([
            'ink.draw',
            'paint.drag',
            'paint.pour',
            'paint.ramp',
            'paint.shape',
            'stroke',
        ]);
    });
});
