import { describe, expect, it } from 'vitest';
import { changedLabels, holdsAny } from '../picture/changes';
import { buildStack } from '../picture/stack';
import { clogs, oilskin, pageState, region, shade } from './world';

const { records, palette } = pageState();
const filled = {
    ...records,
    region: { 1: region(oilskin.id, 9), 2: region(clogs.id, 9), 3: region(0, 9), 260: region(oilskin.id, 4) },
    pass: { a: shade },
};
const stack = buildStack(filled, palette);
const toned = (material: typeof oilskin, tones: Partial<typeof oilskin.tones>) => ({
    ...palette,
    figures: palette.figures.map((figure) => ({
        ...figure,
        materials: figure.materials.map((one) =>
            one.id === material.id ? { ...one, tones: { ...one.tones, ...tones } } : one,
        ),
    })),
});

describe('what looks different', () => {
    it('is nothing when nothing is', () => {
        expect(changedLabels(stack, buildStack(filled, palette))).toEqual(new Set());
    });

    it('is where the material is whose tone was changed, any of its tones', () => {
        expect(changedLabels(stack, buildStack(filled, toned(oilskin, { base: '#123456' })))).toEqual(
            new Set([1, 260]),
        );
        expect(changedLabels(stack, buildStack(filled, toned(clogs, { 'more-2': '#123456' })))).toEqual(new Set([2]));
    });

    it('is what was filled, emptied, or is another\u2019s now', () => {
        const now = buildStack(
            { ...filled, region: { ...filled.region, 2: region(0, 9), 3: region(oilskin.id, 9) } },
            palette,
        );
        expect(changedLabels(stack, now)).toEqual(new Set([2, 3]));
        const given = buildStack(
            { ...filled, region: { ...filled.region, 1: { ...region(oilskin.id, 9), figure: 4 } } },
            palette,
        );
        // The figure has a plane of its own now: anything may look different.
        expect(changedLabels(stack, given) ?? new Set([1])).toContain(1);
    });

    it('is where a panel stands under another light, or that light has another colour', () => {
        const colours = { light: '#ffd080', around: '#304060', opposite: '#203050' };
        const under = (of: typeof colours, plan: number | null) =>
            buildStack(
                { ...filled, region: { ...filled.region, 2: { ...region(clogs.id, 9), plan } } },
                { ...palette, lights: [{ id: 7, name: 'Lamp', version: 1, plan: {} as never, colours: of }] },
            );
        expect(changedLabels(under(colours, null), under(colours, 7))).toEqual(new Set([2]));
        for (const one of ['light', 'around', 'opposite'] as const)
            expect(changedLabels(under(colours, 7), under({ ...colours, [one]: '#123456' }, 7))).toEqual(new Set([2]));
        expect(changedLabels(under(colours, 7), under({ ...colours }, 7))).toEqual(new Set());
    });

    it('may be anything when a pass, the lines or a veil change', () => {
        expect(
            changedLabels(stack, buildStack({ ...filled, pass: { a: { ...shade, opacity: 0.5 } } }, palette)),
        ).toBeNull();
        expect(changedLabels(stack, { ...stack, lines: { ...stack.lines, shown: false } })).toBeNull();
        expect(changedLabels(stack, { ...stack, clear: new Set([1]) })).toBeNull();
        expect(changedLabels({ ...stack, proposed: new Set([1]) }, stack)).toBeNull();
    });

    it('is found in a tile by whole labels, not by their halves', () => {
        const flats = new Uint8Array([0, 3, 0, 3, 1, 4, 1, 4, 0, 2]);
        expect([3, 260, 2].map((label) => holdsAny(flats, new Set([label])))).toEqual([true, true, true]);
        expect([1, 4, 259, 0x0301].map((label) => holdsAny(flats, new Set([label])))).toEqual([
            false,
            false,
            false,
            false,
        ]);
    });
});
