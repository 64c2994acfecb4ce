import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { FigureState, PageColoursState } from '../api/generated';
import { placeIn } from '../bench/surface/render';
import { isSameStanding } from '../page/target';
import { csvOf, driftOf, worst } from '../palette/drift';
import { ofLab, toLab } from '../picture/cielab';
import { ciede2000 } from '../picture/difference';
import { meanAround } from '../picture/mean';
import { hexOf, isShown, ofOklch, toOklch } from '../picture/oklch';
import { toColour } from '../picture/colour';
import { clogs, oilskin, pageState } from './world';

interface ColourFixture {
    hex: string;
    lab: [number, number, number];
    oklch: [number, number, number];
    /** CIEDE2000 to the next one. */
    delta: number;
}

const colours = JSON.parse(readFileSync('var/fixtures/colours.json', 'utf8')) as ColourFixture[];

describe('colours', () => {
    it('are those of the core, there and back', () => {
        expect(colours.length).toBeGreaterThan(100);
        for (const [i, { hex, lab, oklch, delta }] of colours.entries()) {
            const colour = toColour(hex);
            toLab(colour).forEach((part, k) => expect(part).toBeCloseTo(lab[k], 3));
            const { l, c, h } = toOklch(colour);
            expect(l).toBeCloseTo(oklch[0], 5);
            expect(c).toBeCloseTo(oklch[1], 5);
            if (c > 0.001) expect(Math.abs(h - oklch[2])).toBeLessThan(0.01);
            expect(hexOf(ofOklch({ l, c, h }))).toBe(hex);
            expect(hexOf(ofLab(toLab(colour)))).toBe(hex);
            const next = colours[(i + 1) % colours.length];
            expect(ciede2000(toLab(colour), toLab(toColour(next.hex)))).toBeCloseTo(delta, 3);
        }
    });

    it('beyond sRGB lose chroma only, and grey keeps the hue it is given', () => {
        const wanted = { l: 0.6, c: 0.33, h: 150 };
        expect(isShown(wanted)).toBe(false);
        const got = toOklch(ofOklch(wanted));
        expect(Math.abs(got.l - 0.6)).toBeLessThan(0.006);
        expect(Math.abs(got.h - 150)).toBeLessThan(1.5);
        expect(got.c).toBeLessThan(0.3);
        expect(toOklch(0x808080, 77).h).toBe(77);
    });
});

describe('a palette that changed', () => {
    const { palette } = pageState();
    it('asks for the page anew only when something is another now', () => {
        expect(isSameStanding(palette, { ...palette, version: 9 })).toBe(true);
        const moved = palette.figures.map((figure) =>
            figure.id === 3
                ? { ...figure, materials: [] }
                : { ...figure, materials: [...figure.materials, { ...oilskin, figure: figure.id }] },
        );
        expect(isSameStanding(palette, { ...palette, figures: moved })).toBe(false);
        expect(isSameStanding(palette, { ...palette, standIns: { materials: { 8: 9 }, figures: {} } })).toBe(false);
        const more = palette.figures.map((figure) =>
            figure.id === 3 ? { ...figure, materials: [...figure.materials, { ...oilskin, id: 77 }] } : figure,
        );
        expect(isSameStanding(palette, { ...palette, figures: more })).toBe(true);
    });
});

describe('drift', () => {
    const base = (material: typeof oilskin, colour: string) => ({
        ...material,
        tones: { ...material.tones, base: colour },
    });
    const figures: FigureState[] = [
        {
            id: 3,
            name: 'Oda',
            depth: 2,
            soft: false,
            follows: null,
            materials: [base({ ...oilskin, name: '=oil, "skin"' }, '#c98d6b')],
        },
        { id: 4, name: 'Tamsin', depth: 1, soft: false, follows: null, materials: [base(clogs, '#41667a')] },
    ];
    const seen = (flat: string, all: string, lit = all) => ({ flat, lit, seen: all, share: 0.25, x: 10, y: 20 });
    const pages: PageColoursState[] = [
        {
            page: 11,
            number: 1,
            materials: { [oilskin.id]: seen('#c98d6b', '#b07a5a'), [clogs.id]: seen('#41667a', '#41667a') },
        },
        { page: 12, number: 2, materials: { [clogs.id]: seen('#41667a', '#41667a') } },
        {
            page: 13,
            number: 3,
            materials: { [oilskin.id]: seen('#d09a70', '#b07a5a'), [clogs.id]: seen('#41667a', '#203040', '#35586a') },
        },
    ];
    const rows = driftOf(figures, pages);

    it('is counted against the palette, and against the page before that has the material', () => {
        expect(rows.map(({ material, cells }) => [material, cells.map(({ page }) => page.number)])).toEqual([
            [oilskin.id, [1, 3]],
            [clogs.id, [1, 2, 3]],
        ]);
        expect(rows[0].cells[0].before).toBeNull();
        expect(rows[0].cells[0].flat).toBe(0);
        expect(rows[0].cells[1].before).toBe(0);
        expect(rows[0].cells[1].flat).toBeCloseTo(ciede2000(toLab(0xc98d6b), toLab(0xd09a70)), 9);
        expect(rows[1].cells[2].lit).toBeCloseTo(ciede2000(toLab(0x41667a), toLab(0x35586a)), 9);
        expect(rows[1].cells[2].before).toBeCloseTo(ciede2000(toLab(0x41667a), toLab(0x203040)), 9);
    });

    it('shows the worst first', () => {
        expect(worst(rows, 2).map(({ row, cell }) => [row.material, cell.page.number])).toEqual([
            [clogs.id, 3],
            [oilskin.id, 3],
        ]);
    });

    it('goes to a table in which nothing is a formula', () => {
        const lines = csvOf(rows).split('\r\n');
        expect(lines).toHaveLength(7);
        expect(lines[1]).toBe('"Oda, =oil, ""skin""",1,0.2500,#c98d6b,#c98d6b,#b07a5a,#b07a5a,0.00,,');
        expect(lines[5].split(',').slice(-6)).toEqual([
            '#41667a',
            '#35586a',
            '#203040',
            '0.00',
            ...[rows[1].cells[2].lit, rows[1].cells[2].before].map((one) => one?.toFixed(2)),
        ]);
        const formula = driftOf([{ ...figures[1], name: '=SUM(A1)' }], pages);
        expect(csvOf(formula).split('\r\n')[1].startsWith('"\'=SUM(A1), clogs"')).toBe(true);
    });
});

describe('a colour that is taken', () => {
    // Two columns of black, one of white, then a stripe of colour; five rows.
    const row = [0, 0, 0, 255, 0, 0, 0, 255, 255, 255, 255, 255, 16, 32, 48, 255];
    const picture = { data: new Uint8ClampedArray(Array.from({ length: 5 }, () => row).flat()), width: 4, height: 5 };

    it('is the mean of the light about a place, and nothing beyond the rim', () => {
        expect(meanAround(picture, 3.9, 2.2, 1)).toBe(0x102030);
        // A third of the light, not a third of the number.
        expect(meanAround(picture, 1, 2, 3)).toBe(0x9c9c9c);
        expect(meanAround(picture, 0, 0, 3)).toBe(0);
        expect(meanAround(picture, -5, 99, 1)).toBe(0);
        expect(meanAround(picture, 2, 2, 31)).toBe(meanAround(picture, 0, 4, 11));
    });
});

describe('a link to a place', () => {
    it('names two numbers, or nothing', () => {
        expect(placeIn('?at=120,3500')).toEqual({ x: 120, y: 3500 });
        expect([placeIn(''), placeIn('?at=1'), placeIn('?at=-1,2'), placeIn('?at=1,2,3')]).toEqual([
            null,
            null,
            null,
            null,
        ]);
    });
});
