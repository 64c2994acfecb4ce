import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { TilePlace } from '../api/client';
import type { TileNames } from '../api/generated';
import { TileCache } from '../picture/tiles';
import { DatabaseVault, type TileVault } from '../picture/vault';

const names = (): TileNames[] => [
    { ink: { '0,0': 'a', '1,0': 'b', '5,5': 'c' } },
    { ink: { '0,0': 'ab', '2,2': 'c1' } },
    { ink: {} },
    { ink: {} },
    { ink: {} },
];
const bytesOf = (name: string): Uint8Array => new TextEncoder().encode(name);
let fetched: [number, TilePlace[]][];
let painted: [number | null, string[]][];
let vault: Map<string, Uint8Array>;

function cache(): TileCache {
    const memory: TileVault = {
        take: async (wanted) =>
            new Map(
                wanted.flatMap((name) => (vault.has(name) ? [[name, vault.get(name) as Uint8Array] as const] : [])),
            ),
        keep: async (tiles) => tiles.forEach(({ name, bytes }) => vault.set(name, bytes)),
    };
    const mine = { fetched, painted };
    const fetchTiles = async (_page: number, level: number, want: TilePlace[]) => {
        mine.fetched.push([level, want]);
        return want.map(([layer, column, row]) => ({
            name: `new ${level} ${layer} ${column},${row}`,
            bytes: bytesOf(`${level} ${layer} ${column},${row}`),
        }));
    };
    const tiles = new TileCache(
        1,
        names(),
        (error) => {
            throw error;
        },
        fetchTiles,
        memory,
    );
    tiles.onPaint((level, places) => mine.painted.push([level, [...(places ?? [])]]));
    return tiles;
}

const text = (bytes: Uint8Array | null | undefined): string | null | undefined =>
    bytes ? new TextDecoder().decode(bytes) : (bytes as null | undefined);

beforeEach(() => {
    fetched = [];
    painted = [];
    vault = new Map();
});

describe('tiles', () => {
    it('are asked for together, nearest first, and are there afterwards', async () => {
        const tiles = cache();
        expect(tiles.get(0, 'ink', 5, 5, 90)).toBeUndefined();
        expect(tiles.get(0, 'ink', 0, 0, 10)).toBeUndefined();
        expect(tiles.get(0, 'ink', 1, 0, 20)).toBeUndefined();
        expect(tiles.get(0, 'ink', 0, 0, 10)).toBeUndefined();
        await vi.waitFor(() => expect(painted).toHaveLength(1));
        expect(fetched).toEqual([
            [
                0,
                [
                    ['ink', 0, 0],
                    ['ink', 1, 0],
                    ['ink', 5, 5],
                ],
            ],
        ]);
        expect(painted).toEqual([[0, ['0,0', '1,0', '5,5']]]);
        expect(text(tiles.get(0, 'ink', 1, 0))).toBe('0 ink 1,0');
    });
    it('that are empty are never asked for, at any level', () => {
        const tiles = cache();
        expect(tiles.get(0, 'ink', 2, 0)).toBeNull();
        expect(tiles.get(0, 'pass:x', 0, 0)).toBeNull();
        expect(tiles.get(1, 'ink', 1, 1)).toBeNull();
        expect(tiles.get(2, 'ink', 1, 1)).toBeUndefined();
        expect(tiles.get(3, 'ink', 1, 1)).toBeNull();
    });
    it('that the browser has had before come from its own database', async () => {
        vault.set('ab', bytesOf('kept'));
        const tiles = cache();
        tiles.get(1, 'ink', 0, 0);
        tiles.get(1, 'ink', 2, 2);
        await vi.waitFor(() => expect(painted).toHaveLength(2));
        expect(fetched).toEqual([[1, [['ink', 2, 2]]]]);
        expect(text(tiles.peek(1, 'ink', 0, 0))).toBe('kept');
        await vi.waitFor(() => expect(vault.has('new 1 ink 2,2')).toBe(true));
    });
    it('show what the hand made until the server’s are here', async () => {
        const tiles = cache();
        tiles.setLocal(0, 'ink', 0, 0, bytesOf('mine'));
        const version = tiles.versionOf(0, 'ink', 0, 0);
        expect(text(tiles.get(0, 'ink', 0, 0))).toBe('mine');
        tiles.rename('ink', 0, 0, 'a2');
        tiles.forget('ink', 0, 0);
        expect(text(tiles.peek(0, 'ink', 0, 0))).toBe('mine');
        await vi.waitFor(() => expect(text(tiles.peek(0, 'ink', 0, 0))).toBe('0 ink 0,0'));
        expect(tiles.versionOf(0, 'ink', 0, 0)).toBeGreaterThan(version);
    });
    it('that changed are fetched again at every level that was looked at', async () => {
        const tiles = cache();
        tiles.get(0, 'ink', 0, 0);
        tiles.get(1, 'ink', 0, 0);
        await vi.waitFor(() => expect(painted).toHaveLength(2));
        vault.clear();
        tiles.rename('ink', 0, 0, 'a2');
        tiles.forget('ink', 0, 0);
        await vi.waitFor(() => expect(fetched).toHaveLength(4));
        expect(
            fetched
                .slice(2)
                .map(([level, want]) => [level, want[0][1], want[0][2]])
                .sort(),
        ).toEqual([
            [0, 0, 0],
            [1, 0, 0],
        ]);
    });
    it('that became empty are empty at once', async () => {
        const tiles = cache();
        tiles.get(0, 'ink', 5, 5);
        await vi.waitFor(() => expect(painted).toHaveLength(1));
        tiles.rename('ink', 5, 5, null);
        tiles.forget('ink', 5, 5);
        expect(tiles.peek(0, 'ink', 5, 5)).toBeNull();
        expect(tiles.get(2, 'ink', 1, 1)).toBeNull();
    });
    it('drawn by the hand are taken back, of one layer or of all', () => {
        const tiles = cache();
        tiles.setLocal(0, 'pass:a', 0, 0, bytesOf('a'));
        tiles.setLocal(0, 'pass:b', 0, 0, bytesOf('b'));
        tiles.dropLocal('pass:a');
        expect([text(tiles.peek(0, 'pass:a', 0, 0)), text(tiles.peek(0, 'pass:b', 0, 0))]).toEqual([null, 'b']);
        tiles.dropLocal();
        expect(tiles.peek(0, 'pass:b', 0, 0)).toBeNull();
    });
    it('are all different when the page is fetched whole', async () => {
        const tiles = cache();
        tiles.get(0, 'ink', 0, 0);
        await vi.waitFor(() => expect(painted).toHaveLength(1));
        tiles.replaceNames(names().map(() => ({})));
        expect(tiles.get(0, 'ink', 0, 0)).toBeNull();
    });
});

describe('the vault', () => {
    it('gives back what it keeps, and lets the oldest go', async () => {
        let now = 0;
        vi.spyOn(Date, 'now').mockImplementation(() => ++now);
        const kept = new DatabaseVault('vault test', 3, 2);
        for (const name of ['one', 'two', 'three', 'four']) await kept.keep([{ name, bytes: bytesOf(name) }]);
        const found = await kept.take(['one', 'two', 'four', 'none']);
        expect([...found.keys()]).toEqual(['two', 'four']);
        expect(text(found.get('four'))).toBe('four');
        vi.restoreAllMocks();
    });

    it('lets what was not used for longest go, not what came first', async () => {
        let now = 0;
        vi.spyOn(Date, 'now').mockImplementation(() => ++now);
        const kept = new DatabaseVault('vault by use', 3, 4);
        for (const name of ['one', 'two', 'three']) await kept.keep([{ name, bytes: bytesOf(name) }]);
        await kept.take(['one']);
        await kept.take(['three', 'none']);
        await kept.keep([{ name: 'four', bytes: bytesOf('four') }]);
        expect([...(await kept.take(['one', 'two', 'three', 'four'])).keys()]).toEqual(['one', 'three', 'four']);
        vi.restoreAllMocks();
    });
});
