import { describe, expect, it } from 'vitest';
import { LabelsAround } from '../picture/around';
import { SIDE } from '../picture/compose';
import { AROUND } from '../picture/jobs';
import { andNeighbours, TileLayers } from '../picture/tileLayers';
import { softEdges } from '../picture/softEdges';
import { TileComposer } from '../picture/tileComposer';
import { EMPTY, type Stack } from '../picture/stack';
import type { TileCache } from '../picture/tiles';
import { flatOf } from './world';

/** Every pixel of a page names its own place in 16 bits: x + 300 y, folded. */
const labelAt = (x: number, y: number): number => (x + 300 * y) & 0xffff;

function tile(column: number, row: number, label = labelAt): Uint8Array {
    const bytes = new Uint8Array(2 * SIDE * SIDE);
    for (let i = 0; i < SIDE * SIDE; i++) {
        const value = label(column * SIDE + (i % SIDE), row * SIDE + Math.floor(i / SIDE));
        bytes[2 * i] = value >> 8;
        bytes[2 * i + 1] = value & 255;
    }
    return bytes;
}

function cache(missing: string[] = [], label = labelAt) {
    const versions = new Map<string, number>();
    const made = new Map<string, Uint8Array>();
    const tiles = {
        get: (_: number, layer: string, column: number, row: number) => {
            const place = `${column},${row}`;
            if (missing.includes(place)) return undefined;
            if (layer !== 'flats' || column < 0 || row < 0 || column > 2 || row > 2) return null;
            made.set(place, made.get(place) ?? tile(column, row, label));
            return made.get(place);
        },
        versionOf: (_: number, __: string, column: number, row: number) => versions.get(`${column},${row}`) ?? 0,
    };
    return { tiles: tiles as unknown as TileCache, versions };
}

const WIDE = SIDE + 2;
const read = (bytes: Uint8Array, x: number, y: number): number =>
    (bytes[2 * (y * WIDE + x)] << 8) | bytes[2 * (y * WIDE + x) + 1];

describe('the labels about a tile', () => {
    const page = { width: 3 * SIDE - 55, height: 3 * SIDE - 101 };

    it('are its own and its eight neighbours’', () => {
        const { bytes } = new LabelsAround(cache().tiles).of(0, 1, 1, page, 0);
        for (const [x, y] of [
            [0, 0],
            [1, 1],
            [130, 7],
            [WIDE - 1, 0],
            [0, WIDE - 1],
            [WIDE - 1, WIDE - 1],
            [5, WIDE - 1],
            [WIDE - 1, 77],
        ])
            expect(read(bytes, x, y)).toBe(labelAt(SIDE - 1 + x, SIDE - 1 + y));
    });
    it('are those at the page’s edge once more beside it, at every level', () => {
        const { bytes } = new LabelsAround(cache().tiles).of(0, 2, 2, page, 0);
        const [lastX, lastY] = [page.width - 1, page.height - 1];
        const [columns, rows] = [page.width - 2 * SIDE, page.height - 2 * SIDE];
        expect(read(bytes, columns, rows)).toBe(labelAt(lastX, lastY));
        expect(read(bytes, columns + 1, rows)).toBe(labelAt(lastX, lastY));
        expect(read(bytes, columns, rows + 1)).toBe(labelAt(lastX, lastY));
        const corner = new LabelsAround(cache().tiles).of(0, 0, 0, page, 0).bytes;
        expect(read(corner, 0, 0)).toBe(labelAt(0, 0));
        expect(read(corner, 0, 9)).toBe(labelAt(0, 8));
        const half = new LabelsAround(cache().tiles).of(
            1,
            1,
            1,
            { width: 2 * (SIDE + 40) + 1, height: 4 * SIDE },
            0,
        ).bytes;
        expect(read(half, 41, 3)).toBe(labelAt(SIDE + 39, SIDE + 2));
    });
    it('are like the pixels next to them while a neighbour is on its way, and are made anew when it comes', () => {
        const { tiles, versions } = cache(['2,1']);
        const around = new LabelsAround(tiles);
        const first = around.of(0, 1, 1, page, 0);
        expect(read(first.bytes, WIDE - 1, 20)).toBe(labelAt(2 * SIDE - 1, SIDE + 19));
        expect(around.of(0, 1, 1, page, 0)).toBe(first);
        versions.set('2,1', 7);
        expect(around.of(0, 1, 1, page, 0).version).toBe(7);
        versions.set('0,0', 9);
        expect(around.of(0, 1, 1, page, 0).version).toBe(9);
    });
});

const stackOf = (soft: number[]): Stack => ({
    ...EMPTY,
    flats: new Map([
        [1, flatOf(0xc00000, 3)],
        [2, flatOf(0x000040, 4)],
    ]),
    soft: new Set(soft),
});

describe('a tile at whose very edge two figures meet', () => {
    const page = { width: 3 * SIDE, height: 3 * SIDE };
    /** Figure 4 begins with the second column of tiles. */
    const halves = (x: number): number => (x < SIDE ? 1 : 2);

    it('is softened as if there were no tiles', () => {
        const stack = stackOf([4]);
        const layers = new TileLayers(cache([], halves).tiles).of(
            { level: 0, column: 0, row: 1, distance: 0 },
            ['flats', 'ink'],
            stack,
            page,
        );
        const composer = new TileComposer();
        composer.take({ kind: 'stack', version: 1, stack });
        const picture = composer.compose({
            kind: 'tile',
            id: 1,
            key: 'a',
            level: 0,
            x: 0,
            y: SIDE,
            wide: null,
            look: { ink: 1, hatch: false, veil: false, passes: true },
            layers: (layers?.layers ?? []).map((sent) => ({ ...sent, bytes: sent.bytes() })),
            active: null,
            levels: null,
        });
        const at = (x: number): number[] => [...picture.subarray(4 * (9 * SIDE + x), 4 * (9 * SIDE + x) + 3)];
        expect(at(SIDE - 2)).toEqual([0xc0, 0, 0]);
        expect(at(SIDE - 1)).toEqual([0x90, 0, 0x10]);
    });
    it('is not sent what lies about it while nothing is soft', () => {
        const found = new TileLayers(cache([], halves).tiles);
        const place = { level: 0, column: 0, row: 1, distance: 0 };
        expect(found.of(place, ['flats'], stackOf([]), page)?.layers.map(({ layer }) => layer)).toEqual(['flats']);
        expect(found.of(place, ['flats'], stackOf([4]), page)?.layers.map(({ layer }) => layer)).toEqual([
            'flats',
            AROUND,
        ]);
    });
    it('waits for its own layers, and takes those that stand in for others under versions of their own', () => {
        const missing = new TileLayers(cache(['0,1'], halves).tiles);
        expect(missing.of({ level: 0, column: 0, row: 1, distance: 0 }, ['flats'], stackOf([]), page)).toBeNull();
        const { tiles, versions } = cache([], halves);
        versions.set('0,1', 5);
        const found = new TileLayers(tiles).of(
            { level: 0, column: 0, row: 1, distance: 0 },
            ['ink'],
            stackOf([]),
            page,
            () => 'scan:x',
        );
        const [ink] = found?.layers ?? [];
        expect([ink.layer, ink.version, ink.bytes()]).toEqual(['ink', -6, null]);
    });
    it('changes with its neighbours', () => {
        expect([...andNeighbours(new Set(['4,7']))].sort()).toEqual([
            '3,6',
            '3,7',
            '3,8',
            '4,6',
            '4,7',
            '4,8',
            '5,6',
            '5,7',
            '5,8',
        ]);
    });
});

describe('soft edges', () => {
    it('are found for the soft figure alone, from both sides', () => {
        const wide = 4;
        const around = Uint8Array.from({ length: 2 * (wide + 2) * 3 }, (_, i) =>
            i & 1 ? ((i >> 1) % (wide + 2) < 3 ? 1 : 2) : 0,
        );
        expect(softEdges(around, wide, stackOf([4]))).toEqual({ at: [1, 2], labels: [2, 1], shares: [4, 4] });
        expect(softEdges(around, wide, stackOf([9]))).toEqual({ at: [], labels: [], shares: [] });
    });
});
