import { describe, expect, it } from 'vitest';
import type { PaletteState, PassData, PassRulesData, RecordsState } from '../api/generated';
import { unfilled, withRecords } from '../page/records';
import { asMade, passFor, refreshed, sentence, type Target } from '../page/target';
import { buildStack, layersOf } from '../picture/stack';
import { edgeOf, groupPlace, passUnder, placeBetween, placeOutside } from '../bench/model/passPlaces';
import { asSetup, besides, changedTo, hungFrom, painted, roughKind } from '../bench/model/setups';
import { placesByKeys } from '../bench/panels/passes/keyPlaces';
import { announcementsOf } from '../bench/panels/passes/PassesAwning';
import { pages } from './fixtures';
import { shade as pass } from './world';

const MORE_TONES = { 'more-1': '#600000', 'more-2': '#300000', 'more-3': '#300000', 'more-4': '#300000' };

const material = {
    id: 9,
    figure: 3,
    name: 'oilskin',
    version: 1,
    pinned: ['base' as const],
    steps: [1, 2, 3, 4],
    dials: null,
    more: [],
    tones: {
        deep: '#100000',
        shade: '#200000',
        base: '#300000',
        light: '#400000',
        glint: '#500000',
        line: '#010000',
        ...MORE_TONES,
    },
};
const palette: PaletteState = {
    version: 1,
    light: '#ffffff',
    lightColours: { light: '#fff1d6', around: '#8fa8c8', opposite: '#4a5f9e' },
    dials: { toward: 'opposite', turn: 0.2, shade: 0.8, deep: 0.7, chroma: 1, light: 0.3, glint: 0.5, pull: 0.1 },
    standIns: { materials: {}, figures: {} },
    variants: [],
    under: [],
    held: null,
    variant: null,
    lights: [],
    plan: null,
    figures: [
        { id: 3, name: 'Oda', depth: 2, soft: false, follows: null, materials: [material] },
        { id: 4, name: 'Tamsin', depth: 1, soft: false, follows: null, materials: [{ ...material, id: 8, figure: 4 }] },
    ],
};
const region = {
    figure: 3,
    material: 9,
    area: 10,
    x: 0,
    y: 0,
    locked: false,
    shift: null,
    variant: null,
    solid: null,
    inFront: false,
    flow: null,
    plan: null,
    mood: null,
};
const records = (passes: RecordsState['pass'] = {}, more: Partial<RecordsState> = {}): RecordsState => ({
    page: {},
    region: { 1: region, 2: { ...region, figure: 0, material: 0, area: 5 } },
    bridge: {},
    pass: passes,
    group: {},
    drawing: {},
    stroke: {},
    shift: {},
    held: {},
    ...more,
});
const rules: PassRulesData = {
    tones: [
        { tone: 'shade', name: 'Shade', scope: 'figure' },
        { tone: 'light', name: 'Light', scope: 'figure' },
        { tone: 'line', name: 'Line colour', scope: 'ink' },
        { tone: 'more-2', name: 'Named tone', scope: 'material' },
    ],
    hangable: [],
    orderStep: 1,
};
const target: Target = { material, figureName: 'Oda', tone: 'shade', pass: null };

describe('the target', () => {
    it('paints in the pass of its tone and figure, and in no other', () => {
        const there = records({
            a: { ...pass, figure: 4 },
            b: { ...pass, content: { kind: 'tone', tone: 'light' } },
            c: { ...pass, content: { kind: 'tint', colour: '#102030', follows: null } },
            d: { ...pass, scope: { kind: 'page', id: 0 } },
            e: pass,
        });
        expect(passFor(rules, there, target)).toEqual({ id: 'e', make: null });
    });
    it('paints in the pass that was picked, while it is there', () => {
        expect(
            passFor(rules, records({ a: pass, z: { ...pass, content: { kind: 'paint' } } }), { ...target, pass: 'z' })
                .id,
        ).toBe('z');
        expect(passFor(rules, records({ a: pass }), { ...target, pass: 'gone' }).id).toBe('a');
    });
    it('says which pass will be made when there is none', () => {
        expect(passFor(rules, records(), target).make).toEqual({
            name: 'Shade',
            figure: 3,
            content: { kind: 'tone', tone: 'shade' },
            scope: { kind: 'figure', id: 3 },
        });
        expect(passFor(rules, records({ a: pass }), { ...target, tone: 'line' }).make).toMatchObject({
            name: 'Line colour',
            scope: { kind: 'ink', id: 0 },
        });
    });
    it('paints a named tone in a pass of its own, inside the material that has it', () => {
        const gem = { ...material, id: 12, more: [{ tone: 'more-2' as const, name: 'Far facet' }] };
        const facet = { ...target, material: gem, tone: 'more-2' as const };
        const make = passFor(rules, records(), facet).make;
        expect(make).toEqual({
            name: 'Far facet',
            figure: 3,
            content: { kind: 'tone', tone: 'more-2' },
            scope: { kind: 'material', id: 12 },
        });
        const ofGem = {
            ...pass,
            content: { kind: 'tone' as const, tone: 'more-2' as const },
            scope: { kind: 'material' as const, id: 12 },
        };
        const there = records({ a: { ...ofGem, scope: { kind: 'material', id: 9 } }, b: ofGem });
        expect(passFor(rules, there, facet)).toEqual({ id: 'b', make: null });
        expect(sentence(rules, there, facet, false)).toContain('its tone “Far facet” · stays inside Oda’s oilskin');
    });
    it('shows a new pass where the server will hang it', () => {
        const there = records({ a: { ...pass, order: 4.5 }, b: { ...pass, figure: 4, order: 9 } });
        expect(
            asMade(rules, there, {
                name: 'Light',
                figure: 3,
                content: { kind: 'tone', tone: 'light' },
                scope: pass.scope,
            }),
        ).toMatchObject({
            order: 5.5,
            opacity: 1,
            visible: true,
            mode: 'normal',
            content: { kind: 'tone', tone: 'light' },
        });
    });
    it('follows its material, and is gone with it', () => {
        const brighter = {
            ...palette,
            figures: [{ ...palette.figures[0], name: 'Oda Brack', materials: [{ ...material, version: 2 }] }],
        };
        expect(refreshed(brighter, target)).toMatchObject({ figureName: 'Oda Brack', material: { version: 2 } });
        expect(refreshed({ ...palette, figures: [] }, target)).toBeNull();
    });
    it.each([
        [null, false, /^Pick a tone/],
        [target, false, /^Painting Oda’s shade · each material’s own shade tone · stays inside Oda$/],
        [{ ...target, pass: 'tint' }, true, /^Erasing in Oda’s rim · #aabbcc in screen · reaches over the whole page$/],
        [{ ...target, pass: 'paint' }, false, /free colour · stays inside Oda’s oilskin$/],
        [{ ...target, tone: 'line' as const }, false, /line colour · colours the lines only$/],
    ])('reads out where the paint goes: %#', (aim, erasing, expected) => {
        const there = records({
            tint: {
                ...pass,
                name: 'Rim',
                content: { kind: 'tint', colour: '#aabbcc', follows: null },
                mode: 'screen',
                scope: { kind: 'page', id: 0 },
            },
            paint: { ...pass, content: { kind: 'paint' }, scope: { kind: 'material', id: 9 } },
        });
        expect(sentence(rules, there, aim, erasing)).toMatch(expected);
    });
});

describe('records', () => {
    it('take what changed and leave the rest as it is', () => {
        const before = records({ a: pass });
        const after = withRecords(before, [
            ['region', '2', { ...region, material: 8 }],
            ['pass', 'a', null],
            ['pass', 'b', { ...pass, name: 'New' }],
        ]);
        expect(after.region[2].material).toBe(8);
        expect(Object.keys(after.pass)).toEqual(['b']);
        expect(after.group).toBe(before.group);
        expect(before.pass.a).toBe(pass);
        expect(unfilled(before).map(([label]) => label)).toEqual(['2']);
        expect(unfilled(after)).toEqual([]);
    });
});

describe('the stack', () => {
    it('fetches no layer that does not show', () => {
        const stack = buildStack(
            records({
                a: { ...pass, visible: false },
                b: { ...pass, order: 2, opacity: 0 },
                c: { ...pass, order: 3, content: { kind: 'paint' } },
            }),
            palette,
        );
        expect(layersOf(stack)).toEqual(['ink', 'flats', 'paint:c']);
    });
    it('puts figures by their depth, and a group where its lowest member lies', () => {
        const grouped = {
            a: { ...pass, group: 'g' },
            b: { ...pass, order: 2 },
            c: { ...pass, order: 3, group: 'g' },
            t: { ...pass, figure: 4, scope: { kind: 'figure' as const, id: 4 } },
        };
        const stack = buildStack(
            records(grouped, { group: { g: { isolated: true, mode: 'multiply', opacity: 0.5 } } }),
            palette,
        );
        expect(stack.planes.map((plane) => plane.figure)).toEqual([4, 3]);
        const [group, single] = stack.planes[1].layers;
        expect(group).toMatchObject({ kind: 'group', mode: 'multiply', opacity: 0.5, isolated: true });
        expect(group.kind === 'group' && group.children.map((child) => child.id)).toEqual(['a', 'c']);
        expect(single).toMatchObject({ kind: 'pass', id: 'b' });
    });
    it('knows which passes reach beyond their figure', () => {
        const spills = (scope: PassData['scope']): boolean =>
            buildStack(records({ a: { ...pass, scope } }), palette).planes.find((plane) => plane.figure === 3)
                ?.spills ?? false;
        expect([
            spills({ kind: 'figure', id: 3 }),
            spills({ kind: 'material', id: 9 }),
            spills({ kind: 'material', id: 8 }),
            spills({ kind: 'figure', id: 4 }),
        ]).toEqual([false, false, true, true]);
    });
    it('was written by the core for more than four hundred pages', () =>
        expect(pages().pages.length).toBeGreaterThan(400));
});

describe('moving a pass', () => {
    const list: [string, PassData][] = [1, 2, 4].map((order, i) => ['abc'[i], { ...pass, order }]);
    it.each([
        ['a', 'c', 5],
        ['a', 'b', 3],
        ['c', 'a', 0],
        ['c', 'b', 1.5],
        ['b', 'b', null],
        ['x', 'a', null],
    ])('%s to %s', (moved, onto, order) =>
        expect(placeBetween(list, moved, onto)).toEqual(order === null ? null : { order }),
    );

    const [one, two] = ['groupone1234', 'grouptwo1234'];
    /** b and c are one group, e and f another; e lies in the ink. */
    const grouped = [null, one, one, null, two, two, null].map((group, i): [string, PassData] => [
        'abcdefg'[i],
        { ...pass, order: i + 1, group, scope: i === 4 || i === 5 ? { kind: 'ink', id: 0 } : pass.scope },
    ]);
    it.each([
        ['into a group from below', 'a', 'b', { order: 2.5, group: one }],
        ['into a group from above', 'g', 'c', { order: 2.5, group: one }],
        ['not into one that lies elsewhere', 'a', 'e', { order: 5.5 }],
        ['beside a group, not into it', 'g', 'd', { order: 3.5 }],
        ['within its group', 'b', 'c', { order: 3.5 }],
        ['out of its group', 'b', 'd', { order: 4.5, group: null }],
        ['out of its group, below all', 'c', 'a', { order: 0, group: null }],
        ['from the ink to between others', 'f', 'c', { order: 2.5, group: null }],
    ])('%s', (_, moved, onto, place) => expect(placeBetween(grouped, moved, onto)).toEqual(place));
    it('out of its group hangs it over the rest of that', () => {
        expect(placeOutside(grouped, 'b')).toEqual({ order: 3.5, group: null });
        expect(placeOutside(grouped, 'c')).toEqual({ order: 3, group: null });
        expect(placeOutside(grouped, 'e')).toEqual({ order: 6.5, group: null });
        expect(placeOutside(grouped.slice(4, 6), 'e')).toEqual({ order: 7, group: null });
    });

    it.each([
        ['up beyond one pass', one, 'd', { b: 4 + 1 / 3, c: 4 + 2 / 3 }],
        ['down below all', one, 'a', { b: -1, c: 0 }],
        ['up over all', one, 'g', { b: 8, c: 9 }],
        ['beyond another group, not into it', one, 'e', { b: 6 + 1 / 3, c: 6 + 2 / 3 }],
        ['below another group', two, 'c', { e: 1 + 1 / 3, f: 1 + 2 / 3 }],
        ['onto itself', two, 'f', {}],
        ['onto nothing', two, 'z', {}],
    ])('moves a group %s', (_, group, onto, orders) => {
        const places = groupPlace(grouped, group, onto);
        expect(places.map(({ id }) => id)).toEqual(Object.keys(orders));
        places.forEach(({ id, order }) => expect(order).toBeCloseTo((orders as Record<string, number>)[id], 9));
    });
    it('has an edge under the last of its group', () => {
        expect([passUnder(grouped, edgeOf(one)), passUnder(grouped, 'f'), passUnder(grouped, edgeOf('gone'))]).toEqual([
            'c',
            'f',
            '',
        ]);
    });

    it('is told by name and place', () => {
        const named = list.map(([id, data], i): [string, PassData] => [
            id,
            { ...data, name: ['Shade', 'Rim', 'Glow'][i] },
        ]);
        const said = announcementsOf(named);
        const event = (active: string, over: string | null) =>
            ({ active: { id: active }, over: over === null ? null : { id: over } }) as Parameters<
                typeof said.onDragEnd
            >[0];
        expect(said.onDragStart(event('b', null))).toBe('Rim taken up, place 2 of 3.');
        expect(said.onDragOver(event('b', 'c'))).toBe('Rim at place 3 of 3.');
        expect(said.onDragEnd(event('b', 'a'))).toBe('Rim hung at place 1 of 3.');
        expect(said.onDragEnd(event('b', null))).toBe('Rim left where it was.');
        expect(said.onDragCancel(event('c', 'a'))).toBe('Glow left where it was.');
        const inGroups = announcementsOf(grouped);
        expect(inGroups.onDragEnd(event(edgeOf(one), 'g'))).toBe('The group hung at place 7 of 7.');
    });

    it('goes by keys to the middle of the next place, however tall that is unfolded, and nowhere past the ends', () => {
        const box = (top: number, height: number) => ({
            top,
            height,
            left: 5,
            width: 90,
            bottom: top + height,
            right: 95,
        });
        const rects = new Map([
            ['a', box(0, 30)],
            ['b', box(30, 400)],
            ['c', box(430, 30)],
        ]);
        const went = (code: string, over: string | null, top: number) =>
            placesByKeys(['a', 'b', 'c'])(
                { code, preventDefault: () => undefined } as KeyboardEvent,
                {
                    active: 'a',
                    currentCoordinates: { x: 5, y: top },
                    context: {
                        collisionRect: box(top, 30),
                        droppableRects: rects,
                        over: over === null ? null : { id: over },
                    },
                } as unknown as Parameters<ReturnType<typeof placesByKeys>>[1],
            );
        expect(went('ArrowDown', null, 0)).toEqual({ x: 5, y: 215 });
        expect(went('ArrowDown', 'a', 60)).toEqual({ x: 5, y: 215 }); // Left half-way, it goes there still.
        expect(went('ArrowDown', 'b', 215)).toEqual({ x: 5, y: 430 });
        expect(went('ArrowUp', 'b', 215)).toEqual({ x: 5, y: 0 });
        expect([went('ArrowDown', 'c', 430), went('ArrowUp', 'a', 0), went('ArrowLeft', 'b', 215)]).toEqual([
            undefined,
            undefined,
            undefined,
        ]);
    });
});

describe('a setup that a first light fills', () => {
    it('knows the figure’s own passes of it, and keeps them as such', () => {
        const kinds = ['rough3rim', 'rough3lamp2', 'rough33rim', 'rough3rimunder7', 'byhand0001'].map((id) =>
            roughKind(id, 3),
        );
        expect(kinds).toEqual(['rim', 'lamp2', null, null, null]);
        const hung = { ...pass, name: 'Edge', setup: { setup: 7, place: 0, marked: [] } };
        const setup = { id: 7, name: 'Moon', passes: [asSetup(pass, null, 'rim')] };
        expect(changedTo(setup, [['rough3rim', hung]]).map(({ name, rough }) => [name, rough])).toEqual([
            ['Edge', 'rim'],
        ]);
    });
});

describe('a setup that becomes what hangs from it', () => {
    const hung = (name: string, place: number, scope = pass.scope, marked: number[] = []): [string, PassData] => [
        `id of ${name}`,
        { ...pass, name, scope, setup: { setup: 7, place, marked } },
    ];
    const elsewhere = (name: string, scope = pass.scope): [string, PassData] => [
        name,
        { ...hung(name, 0, scope)[1], setup: { setup: 8, place: 0, marked: [] } },
    ];
    const material = { kind: 'material' as const, id: 9 };
    const setup = {
        id: 7,
        name: 'Eye',
        passes: ['Dark', 'Glow', 'Glint'].map((name, i) => asSetup({ ...pass, name }, `marks ${i}`)),
    };
    it('keeps the place of each pass, whatever was taken down or hung elsewhere on this page', () => {
        const now = changedTo(setup, [hung('Sharper', 2), hung('Darker', 0)]);
        expect(now.map(({ name, marks }) => [name, marks])).toEqual([
            ['Darker', 'marks 0'],
            ['Glow', 'marks 1'],
            ['Sharper', 'marks 2'],
        ]);
    });
    it('holds what is painted by now where it was painted, and keeps what it held of the others', () => {
        const eye = [hung('Dark', 0, pass.scope, [4, 9]), hung('Glow', 1, pass.scope, [4, 9]), hung('Glint', 2)];
        expect(painted(eye)).toEqual({ ids: ['id of Dark', 'id of Glow'], labels: [4, 9] });
        expect(painted([hung('Glint', 2)])).toEqual({ ids: [], labels: [] });
        const marks = new Map([
            ['id of Dark', 'anew'],
            ['id of Glow', null],
        ]);
        expect(changedTo(setup, eye, marks).map((one) => one.marks)).toEqual(['anew', null, 'marks 2']);
    });
    it('goes by one of two eyes of a figure, not by a mixture of them', () => {
        const eyes = [
            hung('left', 0, pass.scope, [4]),
            hung('right', 0, pass.scope, [6]),
            hung('left glow', 1, pass.scope, [4]),
        ];
        expect(hungFrom(eyes, 7, 0).map(([, { name }]) => name)).toEqual(['left', 'left glow']);
    });
    it('goes by where it hangs on the picked material, or else first', () => {
        const passes: [string, PassData][] = [
            hung('a', 0),
            elsewhere('b'),
            hung('c', 0, material),
            hung('d', 1),
            ['plain', pass],
        ];
        const names = (picked: number): string[] => hungFrom(passes, 7, picked).map(([, { name }]) => name);
        expect([names(9), names(10), hungFrom(passes, 99, 9)]).toEqual([['c'], ['a', 'd'], []]);
    });
    it('may take in what hangs on the same and is part of no setup', () => {
        const passes: [string, PassData][] = [
            hung('Mine', 0, material),
            ['glow', { ...pass, scope: material }],
            ['other', { ...pass, scope: { ...material, id: 8 } }],
            ['figure', { ...pass, scope: { kind: 'figure', id: 9 } }],
            elsewhere('theirs', material),
        ];
        expect(besides(passes, [passes[0]]).map(([id]) => id)).toEqual(['glow']);
    });
});
