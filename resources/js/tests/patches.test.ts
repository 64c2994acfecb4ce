import { describe, expect, it } from 'vitest';
import { cellFor, patch, sampled, type Patched } from '../bench/surface/patches';
import { tilesIn } from '../bench/surface/viewport';
import { composeBlock, PIXELS, SIDE, type Block, type Look } from '../picture/compose';
import { EMPTY, type Flat, type Stack } from '../picture/stack';
import { flatOf } from './world';

const LOOK: Look = { ink: 1, hatch: false, veil: false, passes: true };

/** Region 7 in the first columns of every row, 300 in the last, 5 between; lines where they are told. */
function block(first: number, last: number, ink: Record<number, number> = {}): Block {
    const flats = new Uint8Array(2 * PIXELS);
    const lines = new Uint8Array(PIXELS);
    for (let i = 0; i < PIXELS; i++) {
        const x = i % SIDE;
        const label = x < first ? 7 : x >= SIDE - last ? 300 : 5;
        flats[2 * i] = label >> 8;
        flats[2 * i + 1] = label & 255;
        lines[i] = ink[x] ?? 0;
    }
    return { count: PIXELS, bytes: (layer) => ({ flats, ink: lines })[layer] ?? null, x: 0, y: 0, width: SIDE };
}

const stackOf = (bases: Record<number, number>): Stack => ({
    ...EMPTY,
    flats: new Map(Object.entries(bases).map(([label, base]): [number, Flat] => [Number(label), flatOf(base)])),
});
const before = stackOf({ 7: 0x804020, 5: 0x102030, 300: 0x405060 });
const after = stackOf({ 7: 0x904820, 5: 0x102030, 300: 0x304068 });

const shownBefore = (of: Block): Patched => ({ picture: composeBlock(before, of, LOOK), block: of });
/** What it would be from nothing. Compared in one go: a matcher looks at each of a quarter of a million numbers. */
const isExact = ({ picture, block: of }: Patched): boolean =>
    Buffer.from(picture.buffer).equals(Buffer.from(composeBlock(after, of, LOOK).buffer));
const at = ({ picture }: Patched, x: number, y: number): number[] => [
    ...picture.subarray(4 * (y * SIDE + x), 4 * (y * SIDE + x) + 3),
];

describe('what is composited at once', () => {
    it('is what looks different of every tile, to the pixel, where that is little', () => {
        const tiles = [shownBefore(block(20, 3)), shownBefore(block(0, 1))];
        expect(patch(tiles, new Set([7, 300]), after, LOOK)).toBe(true);
        expect(tiles.map(isExact)).toEqual([true, true]);
    });

    it('is nothing but the regions that are told', () => {
        const tile = shownBefore(block(20, 3));
        patch([tile], new Set([300]), after, LOOK);
        expect([at(tile, 4, 9), at(tile, 254, 9)]).toEqual([
            [0x80, 0x40, 0x20],
            [0x30, 0x40, 0x68],
        ]);
    });

    it('is a few pixels where it is much, in one tile or in all together, and the others follow', () => {
        const much = shownBefore(block(240, 0));
        expect(patch([much], new Set([7]), after, LOOK)).toBe(false);
        expect(isExact(much)).toBe(true);
        const some = (): Patched => shownBefore(block(80, 0));
        expect(patch([some()], new Set([7]), after, LOOK)).toBe(true);
        expect(patch([some(), some()], new Set([7]), after, LOOK)).toBe(false);
        expect([cellFor(24_000), cellFor(24_001), cellFor(96_000), cellFor(600_000)]).toEqual([1, 2, 2, 5]);
    });

    it('leaves to lines what they cover, and to paint what is painted', () => {
        const tile = shownBefore(block(250, 0, { 30: 255, 31: 128, 33: 255, 34: 255, 35: 255 }));
        const spot = 4 * (51 * SIDE + 61);
        tile.picture.set([0x60, 0x30, 0x10], spot);
        patch([tile], new Set([7]), after, LOOK);
        const now = shownBefore(tile.block);
        now.picture = composeBlock(after, tile.block, LOOK);
        // A line of full ink, a softer one, paper beside it, and a cell that is nothing but line.
        for (const x of [30, 31, 32, 34]) expect(at(tile, x, 7)).toEqual(at(now, x, 7));
        const faint = { ...LOOK, ink: 0.5 };
        const faintly = { picture: composeBlock(before, tile.block, faint), block: tile.block };
        patch([faintly], new Set([7]), after, faint);
        expect(at(faintly, 30, 7)).toEqual(
            at({ picture: composeBlock(after, tile.block, faint), block: tile.block }, 30, 7),
        );
        // Darker by paint: as much darker still.
        expect(at(tile, 61, 51)).toEqual([0x70, 0x38, 0x10]);
    });

    it('follows a pixel of its own region, in its own cell, the one with the least ink', () => {
        const of = block(6, 0, { 0: 200, 1: 10, 2: 90 });
        const pixels = Uint32Array.of(0, 1, 2, 3, 6, SIDE + 1, 4 * SIDE);
        const { samples, of: follows } = sampled(of, pixels, 4);
        expect([...samples]).toEqual([3, 6, 4 * SIDE]);
        expect([...follows]).toEqual([0, 0, 0, 0, 1, 0, 2]);
        // A cell that two regions share.
        const shared = sampled(of, Uint32Array.of(4, 5, 6, 7), 4);
        expect([...shared.samples]).toEqual([4, 6]);
        expect([...shared.of]).toEqual([0, 0, 1, 1]);
    });
});

describe('tiles in a part of the page', () => {
    const page = { width: 1400, height: 700 };
    const part = { left: 300, top: 10, right: 520, bottom: 400 };
    it('are those it touches, row by row, none beyond the page', () => {
        expect(tilesIn(0, part, page).map(({ column, row }) => `${column},${row}`)).toEqual([
            '1,0',
            '2,0',
            '1,1',
            '2,1',
        ]);
        expect(tilesIn(1, part, page)).toEqual([
            { column: 0, row: 0 },
            { column: 1, row: 0 },
        ]);
        expect(tilesIn(0, { left: -900, top: 600, right: 9000, bottom: 9000 }, page)).toHaveLength(6);
    });
    it('have a ring of others round about', () => {
        expect(tilesIn(0, part, page, 1)).toHaveLength(12);
        expect(tilesIn(0, part, page, 1).at(-1)).toEqual({ column: 3, row: 2 });
    });
});
