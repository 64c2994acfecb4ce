/**
 * The tiles of a page at every level: what has been fetched, what is on its way, and what the hand changed meanwhile.
 */
import { api, type TilePlace } from '../api/client';
import type { TileNames } from '../api/generated';
import { DatabaseVault, type TileVault } from './vault';

export const HIGHEST = 4;

/** Which tiles look different now: of one level or of all, some places or all. */
export type Repaint = (level: number | null, places: Set<string> | null) => void;

interface Wanted {
    level: number;
    place: TilePlace;
    key: string;
    /** Smaller is sooner. */
    distance: number;
}

type Fetch = (
    page: number,
    level: number,
    want: TilePlace[],
) => Promise<({ name: string; bytes: Uint8Array } | null)[]>;

/** The first answer is small, so that something shows soon. */
const FIRST_BATCH = 90;
const BATCH = 500;
const AT_ONCE = 2;
/** Bytes kept in memory. */
const MOST_BYTES = 320 * 1024 * 1024;

const keyOf = (level: number, layer: string, column: number, row: number): string =>
    `${level} ${layer} ${column},${row}`;

export class TileCache {
    private readonly bytes = new Map<string, Uint8Array | null>();
    private readonly local = new Map<string, Uint8Array>();
    private readonly versions = new Map<string, number>();
    private readonly asked = new Set<string>();
    private queue: Wanted[] = [];
    private under = 0;
    private fetching = 0;
    private scheduled = false;
    private version = 0;
    private readonly painters = new Set<Repaint>();

    constructor(
        private readonly page: number,
        private names: TileNames[],
        private readonly failed: (error: unknown) => void,
        private readonly fetchTiles: Fetch = api.tiles,
        private readonly vault: TileVault = new DatabaseVault(),
    ) {}

    onPaint(painter: Repaint): () => void {
        this.painters.add(painter);
        return () => this.painters.delete(painter);
    }

    private paint: Repaint = (level, places) => this.painters.forEach((painter) => painter(level, places));

    /**
     * The bytes, null when empty, undefined when they are still on their way.
     *
     * @param distance from the middle of what is looked at; nearer ones are fetched first
     */
    get(level: number, layer: string, column: number, row: number, distance = 0): Uint8Array | null | undefined {
        const key = keyOf(level, layer, column, row);
        const known = this.local.get(key) ?? this.bytes.get(key);
        if (known !== undefined) return known;
        if (this.isEmpty(level, layer, column, row)) return null;
        this.want({ level, place: [layer, column, row], key, distance });
        return undefined;
    }

    /** What is known without asking for it. */
    peek(level: number, layer: string, column: number, row: number): Uint8Array | null {
        const key = keyOf(level, layer, column, row);
        return this.local.get(key) ?? this.bytes.get(key) ?? null;
    }

    /** Changes whenever the bytes do. */
    versionOf(level: number, layer: string, column: number, row: number): number {
        return this.versions.get(keyOf(level, layer, column, row)) ?? 0;
    }

    /** What the hand made of a tile, until the server's answer replaces it. */
    setLocal(level: number, layer: string, column: number, row: number, bytes: Uint8Array): void {
        const key = keyOf(level, layer, column, row);
        this.local.set(key, bytes);
        this.touch(key);
    }

    /** Takes back what the hand made: of one layer, or of all. */
    dropLocal(layer: string | null = null): void {
        for (const key of [...this.local.keys()]) {
            if (layer !== null && key.split(' ')[1] !== layer) continue;
            this.local.delete(key);
            this.touch(key);
        }
        this.paint(null, null);
    }

    /** A full-size tile is another one now, or none; levels above it get new names when they are fetched. */
    rename(layer: string, column: number, row: number, name: string | null): void {
        const there = (this.names[0][layer] ??= {});
        if (name === null) delete there[`${column},${row}`];
        else there[`${column},${row}`] = name;
        for (let level = 1; level <= HIGHEST; level++) {
            const above = this.names[level][layer];
            if (above !== undefined) delete above[`${column >> level},${row >> level}`];
        }
    }

    /**
     * What was fetched of a full-size tile, at any level, is out of date. Until the new bytes are here, the old serve.
     */
    forget(layer: string, column: number, row: number): void {
        for (let level = 0; level <= HIGHEST; level++) {
            const key = keyOf(level, layer, column >> level, row >> level);
            if (!this.bytes.has(key) && !this.local.has(key)) {
                this.asked.delete(key);
                continue;
            }
            if (this.isEmpty(level, layer, column >> level, row >> level)) this.arrive(key, null);
            else this.want({ level, place: [layer, column >> level, row >> level], key, distance: 0 }, true);
        }
        this.paint(null, null);
    }

    /** The page was fetched whole: everything may be different. */
    replaceNames(names: TileNames[]): void {
        this.names = names;
        this.bytes.clear();
        this.local.clear();
        this.asked.clear();
        this.queue = [];
        this.under = 0;
        this.paint(null, null);
    }

    private isEmpty(level: number, layer: string, column: number, row: number): boolean {
        const there = this.names[0][layer];
        if (there === undefined) return true;
        if (this.names[level][layer]?.[`${column},${row}`] !== undefined) return false;
        const span = 1 << level;
        for (let y = row * span; y < (row + 1) * span; y++) {
            for (let x = column * span; x < (column + 1) * span; x++)
                if (there[`${x},${y}`] !== undefined) return false;
        }
        return true;
    }

    private touch(key: string): void {
        this.versions.set(key, ++this.version);
    }

    private arrive(key: string, bytes: Uint8Array | null): void {
        this.under += (bytes?.length ?? 0) - (this.bytes.get(key)?.length ?? 0);
        this.bytes.delete(key);
        this.bytes.set(key, bytes);
        this.local.delete(key);
        this.touch(key);
        // The oldest go first; what is in view is asked for again if it was among them.
        for (const [old, kept] of this.bytes) {
            if (this.under <= MOST_BYTES) break;
            this.bytes.delete(old);
            this.asked.delete(old);
            this.under -= kept?.length ?? 0;
        }
    }

    private want(wanted: Wanted, again = false): void {
        if (this.asked.has(wanted.key) && !again) return;
        this.asked.add(wanted.key);
        this.queue = again
            ? [...this.queue.filter((other) => other.key !== wanted.key), wanted]
            : [...this.queue, wanted];
        if (this.scheduled) return;
        this.scheduled = true;
        // After the frame that asks: all that it needs goes in one request.
        setTimeout(() => {
            this.scheduled = false;
            this.pump();
        }, 0);
    }

    private pump(): void {
        while (this.fetching < AT_ONCE && this.queue.length > 0) {
            this.queue.sort((a, b) => a.distance - b.distance);
            const level = this.queue[0].level;
            const batch = this.queue
                .filter((wanted) => wanted.level === level)
                .slice(0, this.bytes.size === 0 ? FIRST_BATCH : BATCH);
            const taken = new Set(batch);
            this.queue = this.queue.filter((wanted) => !taken.has(wanted));
            this.fetching++;
            void this.fetch(level, batch).finally(() => {
                this.fetching--;
                this.pump();
            });
        }
    }

    private async fetch(level: number, batch: Wanted[]): Promise<void> {
        try {
            const rest = await this.fromVault(level, batch);
            if (rest.length === 0) return;
            const tiles = await this.fetchTiles(
                this.page,
                level,
                rest.map((wanted) => wanted.place),
            );
            rest.forEach((wanted, i) => this.learn(level, wanted, tiles[i] ?? null));
            this.painted(level, rest);
            void this.vault.keep(tiles.filter((tile) => tile !== null)).catch(() => undefined);
        } catch (error) {
            batch.forEach((wanted) => this.asked.delete(wanted.key));
            this.failed(error);
        }
    }

    /** @return what has to come from the server */
    private async fromVault(level: number, batch: Wanted[]): Promise<Wanted[]> {
        const nameOf = ({ place: [layer, column, row] }: Wanted): string | undefined =>
            this.names[level][layer]?.[`${column},${row}`];
        const names = batch.map(nameOf).filter((name) => name !== undefined);
        const kept = await this.vault.take(names).catch(() => new Map<string, Uint8Array>());
        const found = batch.filter((wanted) => kept.has(nameOf(wanted) ?? ''));
        found.forEach((wanted) => this.arrive(wanted.key, kept.get(nameOf(wanted) ?? '') ?? null));
        if (found.length > 0) this.painted(level, found);
        return batch.filter((wanted) => !found.includes(wanted));
    }

    private learn(
        level: number,
        { place: [layer, column, row], key }: Wanted,
        tile: { name: string; bytes: Uint8Array } | null,
    ): void {
        // Forgotten while it was on its way: what arrived may be out of date.
        if (!this.asked.has(key)) return;
        const there = (this.names[level][layer] ??= {});
        if (level > 0 && tile !== null) there[`${column},${row}`] = tile.name;
        this.arrive(key, tile?.bytes ?? null);
    }

    private painted(level: number, wanted: Wanted[]): void {
        this.paint(level, new Set(wanted.map(({ place: [, column, row] }) => `${column},${row}`)));
    }
}
