/** Passes that look at the pixels about each one, tile by tile: as if there were no tiles. */
import { describe, expect, it } from 'vitest';
import type { ContentData, PassData } from '../api/generated';
import { SIDE } from '../picture/compose';
import { buildStack, marginOf, type Stack } from '../picture/stack';
import { TileComposer } from '../picture/tileComposer';
import { farOf, TileLayers } from '../picture/tileLayers';
import type { TileCache } from '../picture/tiles';
import { composeWide, cut } from '../picture/wide';
import { pageState, shade } from './world';

const PAGE = { width: 2 * SIDE - 57, height: SIDE + 31 };
const LOOK = { ink: 1, hatch: false, veil: false, passes: true };

const labelAt = (x: number, y: number): number =>
    x < 0 || y < 0 || x >= PAGE.width || y >= PAGE.height ? 0 : ((x >> 5) + (y >> 6)) % 4;
const inkAt = (x: number, y: number): number => (x % 91 < 3 || y % 77 < 2 ? 255 : (x * 7 + y * 3) % 41 === 0 ? 120 : 0);
const paintAt = (x: number, y: number, plane: number): number => (x * (3 + plane) + y * 5) & 255;

/** A plane of each layer of any part of the page. */
function plane(layer: string, left: number, top: number, width: number, height: number): Uint8Array {
    const at = (i: number): [number, number] => [left + (i % width), top + Math.floor(i / width)];
    const isOn = ([x, y]: [number, number]): boolean => x < PAGE.width && y < PAGE.height;
    const count = width * height;
    if (layer === 'flats')
        return Uint8Array.from({ length: 2 * count }, (_, i) => (i % 2 === 0 ? 0 : labelAt(...at(i >> 1))));
    if (layer === 'ink') return Uint8Array.from({ length: count }, (_, i) => (isOn(at(i)) ? inkAt(...at(i)) : 0));
    return Uint8Array.from({ length: 4 * count }, (_, i) =>
        isOn(at(i % count)) ? paintAt(...at(i % count), Math.floor(i / count)) : 0,
    );
}

function cache(missing: string[] = []) {
    const versions = new Map<string, number>();
    const tiles = {
        get: (_: number, layer: string, column: number, row: number) =>
            missing.includes(`${column},${row}`) ? undefined : plane(layer, column * SIDE, row * SIDE, SIDE, SIDE),
        versionOf: (_: number, layer: string, column: number, row: number) =>
            versions.get(`${layer} ${column},${row}`) ?? 3,
    };
    return { tiles: tiles as unknown as TileCache, versions };
}

function stackOf(...contents: [ContentData, PassData['scope']][]): Stack {
    const state = pageState();
    const pass = Object.fromEntries(
        contents.map(([content, scope], i): [string, PassData] => [
            `pass000${i}`,
            { ...shade, content, scope, figure: 0, order: i, opacity: 0.9 },
        ]),
    );
    return buildStack({ ...state.records, pass }, state.palette);
}

const soft = (reach: number): ContentData => ({ kind: 'softness', reach });
const page = { kind: 'page' as const, id: 0 };
const behind = { kind: 'behind' as const, id: 3 };
const NAMES = ['flats', 'ink', 'paint:pass0000'];

describe('a page with something soft', () => {
    const stack = stackOf(
        [{ kind: 'paint' }, page],
        [soft(7), behind],
        [soft(2.5), page],
        [{ kind: 'levels', channel: 'all', low: 0, high: 1, black: 0.1, white: 0.9, middle: 0.8 }, page],
    );

    it('is composited tile by tile as if there were no tiles', () => {
        const whole = composeWide(
            stack,
            {
                count: PAGE.width * PAGE.height,
                x: 0,
                y: 0,
                width: PAGE.width,
                level: 0,
                bytes: (layer) => plane(layer, 0, 0, PAGE.width, PAGE.height),
            },
            LOOK,
        );
        const layers = new TileLayers(cache().tiles);
        const worker = new TileComposer();
        worker.take({ kind: 'stack', version: 1, stack });
        let worst = 0;
        for (const [column, row] of [
            [0, 0],
            [1, 0],
            [0, 1],
            [1, 1],
        ]) {
            const found = layers.of({ level: 0, column, row, distance: 0 }, NAMES, stack, PAGE);
            const picture = worker.compose({
                kind: 'tile',
                id: 1,
                key: `${column},${row}`,
                level: 0,
                x: column * SIDE,
                y: row * SIDE,
                wide: found?.wide ?? null,
                look: LOOK,
                active: null,
                levels: null,
                layers: (found?.layers ?? []).map(({ bytes, ...sent }) => ({ ...sent, bytes: bytes() })),
            });
            for (let y = 0; y < Math.min(SIDE, PAGE.height - row * SIDE); y++)
                for (let x = 0; x < Math.min(SIDE, PAGE.width - column * SIDE); x++)
                    for (let c = 0; c < 3; c++) {
                        const there = whole[4 * ((row * SIDE + y) * PAGE.width + column * SIDE + x) + c];
                        worst = Math.max(worst, Math.abs(there - picture[4 * (y * SIDE + x) + c]));
                    }
        }
        expect(worst).toBeLessThanOrEqual(1);
    });
    it('waits for its neighbours, and no farther than it looks', () => {
        const narrow = stackOf([soft(2), page]);
        const of = (missing: string[], of: Stack) =>
            new TileLayers(cache(missing).tiles).of({ level: 0, column: 0, row: 0, distance: 0 }, ['ink'], of, PAGE);
        expect(of(['1,0'], narrow)).toBeNull();
        expect(of(['2,0'], narrow)).not.toBeNull();
        expect(of([], narrow)?.wide).toEqual({
            x: 0,
            y: 0,
            width: SIDE + marginOf(narrow, 0),
            height: Math.min(PAGE.height, SIDE + marginOf(narrow, 0)),
        });
    });
    it('is made anew when a neighbour’s layer changes', () => {
        const { tiles, versions } = cache();
        const version = (): number | undefined =>
            new TileLayers(tiles).of({ level: 0, column: 0, row: 0, distance: 0 }, ['ink'], stack, PAGE)?.layers[0]
                .version;
        const before = version();
        versions.set('ink 1,1', 9);
        expect([before, version()]).toEqual([3, 9]);
        versions.set('flats 1,1', 12);
        expect(version()).toBe(9);
    });
    it('looks half as far where the page is halved, and not at all where nothing is soft', () => {
        const far = stackOf([soft(60), page], [soft(60), page]);
        expect(marginOf(far, 0)).toBeGreaterThan(SIDE);
        expect([
            farOf(far, 0),
            farOf(far, 1),
            farOf(stackOf([soft(60), page]), 0),
            farOf(stackOf([{ kind: 'paint' }, page]), 0),
        ]).toEqual([2, 1, 1, 0]);
        expect(marginOf(far, 1)).toBeLessThan(0.6 * marginOf(far, 0));
    });
    it('gives white where a tile reaches beyond the page', () => {
        const picture = new Uint8ClampedArray(4 * 6).fill(9);
        expect([...cut(picture, 3, 1, 0, 4)].filter((_, i) => i % 4 === 0)).toEqual([
            9,
            9,
            255,
            255,
            9,
            9,
            255,
            255,
            ...Array<number>(8).fill(255),
        ]);
    });
});
