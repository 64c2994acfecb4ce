import { describe, expect, it } from 'vitest';
import type { Facts, Palette } from '../../api/types';
import { passFor, sentence, type Target } from '../target';
import { blendColours, channelTable } from './blend';
import { PIXELS } from './compose';
import { buildStack, layersOf } from './stack';
import { layStroke, StrokePreview } from './stroke';
import { levelFor } from './view';

const palette: Palette = {
    version: 1,
    light: '#ffffff',
    figures: [{
        id: 3, name: 'Oda', depth: 1,
        materials: [{ id: 9, figure: 3, name: 'oilskin', version: 1, pinned: ['base'], steps: [1, 2, 3, 4], tones: { deep: '#100000', shade: '#200000', base: '#300000', light: '#400000', glint: '#500000', line: '#010000' } }],
    }],
};
const pass = { name: 'Shade', figure: 3, kind: 'tone', tone: 'shade', colour: null, scope: { kind: 'figure', id: 3 }, mode: 'normal', opacity: 1, visible: true, order: 1, group: null } as const;
const facts = (passes: Facts['pass'] = {}): Facts => ({ page: {}, region: { 1: { figure: 3, material: 9, area: 10, x: 0, y: 0 }, 2: { figure: 0, material: 0, area: 5, x: 0, y: 0 } }, bridge: {}, pass: passes, group: {} });
const target: Target = { material: palette.figures[0].materials[0], figureName: 'Oda', tone: 'shade', pass: null };

describe('stack', () => {
    it('orders passes bottom up and leaves rolled-up ones unfetched', () => {
        const stack = buildStack(facts({ b: { ...pass, order: 2 }, a: pass, c: { ...pass, order: 3, visible: false } }), palette);
        expect(stack.figures.map((node) => (node.kind === 'pass' ? node.id : ''))).toEqual(['a', 'b', 'c']);
        expect(layersOf(stack)).toEqual(['ink', 'flats', 'pass:a', 'pass:b']);
        expect(stack.flats.get(1)?.tones.shade).toBe(0x200000);
        expect(stack.flats.has(2)).toBe(false);
    });
    it('takes grouped passes as one, at the place of the lowest', () => {
        const grouped = facts({ a: { ...pass, group: 'g' }, b: { ...pass, order: 2 }, c: { ...pass, order: 3, group: 'g' } });
        grouped.group.g = { isolated: true, mode: 'multiply', opacity: 0.5 };
        const [group, single] = buildStack(grouped, palette).figures;
        expect(group.kind === 'group' && group.children.map((child) => child.id)).toEqual(['a', 'c']);
        expect(single.kind).toBe('pass');
    });
});

describe('target', () => {
    it('finds the pass of the tone, or says which one will be made', () => {
        expect(passFor(facts({ a: pass }), target)).toEqual({ id: 'a', make: null });
        expect(passFor(facts(), target).make).toMatchObject({ name: 'Shade', figure: 3, tone: 'shade', scope: { kind: 'figure', id: 3 } });
        expect(passFor(facts({ a: pass }), { ...target, tone: 'line' }).make?.scope.kind).toBe('ink');
    });
    it('says where the paint goes', () => {
        expect(sentence(facts(), target, false)).toContain('stays inside Oda');
        expect(sentence(facts(), null, false)).toContain('Pick a tone');
        expect(sentence(facts({ a: { ...pass, scope: { kind: 'page', id: 0 } } }), { ...target, pass: 'a' }, true)).toMatch(/^Erasing in .* reaches over the whole page/);
    });
});

describe('blend', () => {
    it('keeps to the values of the recommendation', () => {
        expect(channelTable('multiply', 128)[128]).toBeCloseTo(64.25, 1);
        expect(channelTable('screen', 128)[128]).toBeCloseTo(191.75, 1);
        expect(channelTable('color-dodge', 255)[0]).toBe(0);
        expect(channelTable('color-burn', 0)[255]).toBe(255);
        const [r, g, b] = blendColours('luminosity', [200, 40, 40], [90, 90, 90]);
        expect(0.3 * r + 0.59 * g + 0.11 * b).toBeCloseTo(90, 0);
    });
});

describe('stroke', () => {
    const brush = { size: 20, hardness: 1, opacity: 0.5, smoothing: 0 };
    it('draws what the hand did and does not build up on itself', () => {
        const once = new StrokePreview(brush, 0, 600, 400);
        once.add([50, 50, 1]);
        once.add([120, 50, 1]);
        const tile = once.tiles.get('0,0') as Uint8Array;
        expect(tile[50 * 256 + 80]).toBe(255);
        expect(tile[65 * 256 + 80]).toBe(0);
        const before = tile.slice();
        once.add([50, 50, 1]);
        expect(tile).toEqual(before);
    });
    it('is drawn at the scale that is on screen', () => {
        const half = new StrokePreview(brush, 1, 600, 400);
        half.add([100, 100, 1]);
        const tile = half.tiles.get('0,0') as Uint8Array;
        expect(tile[50 * 256 + 50]).toBe(255);
        expect(tile[50 * 256 + 57]).toBe(0);
    });
    it('goes into coverage toward full, out of it toward nothing, and into paint with its colour', () => {
        const stroke = new Uint8Array(PIXELS);
        stroke[0] = 255;
        const one = layStroke(null, stroke, 0.5, false, null, false);
        expect(one[0]).toBe(128);
        expect(layStroke(one, stroke, 0.5, false, null, false)[0]).toBe(192);
        expect(layStroke(one, stroke, 1, true, null, false)[0]).toBe(0);
        const paint = layStroke(null, stroke, 1, false, [10, 20, 30], true);
        expect([paint[0], paint[PIXELS], paint[2 * PIXELS], paint[3 * PIXELS]]).toEqual([10, 20, 30, 255]);
    });
});

// Zooming and panning need the browser's matrices; the browser tests drive them.
describe('view', () => {
    it('takes the coarsest level that is fine enough', () => {
        expect([1, 0.6, 0.5, 0.26, 0.25, 0.1, 0.01, 8].map((scale) => levelFor(scale, 4))).toEqual([0, 0, 1, 1, 2, 3, 4, 0]);
    });
});
