/** The tiles of a page as far as they have been fetched, at every level, and what the hand changed meanwhile. */
import { api } from '../../api/client';

type Key = string;

export class TileCache {
    private readonly bytes = new Map<Key, Uint8Array | null>();
    private readonly asked = new Set<Key>();
    private queue: { level: number; layer: string; column: number; row: number; key: Key }[] = [];
    private timer = 0;
    /** Where tiles are, at full size; kept by the session. */
    present: Record<string, Record<string, string>> = {};

    constructor(
        private readonly page: number,
        private readonly arrived: (level: number, places: Set<string>) => void,
        private readonly failed: (error: unknown) => void,
    ) {}

    private key(level: number, layer: string, column: number, row: number): Key {
        return `${level} ${layer} ${column},${row}`;
    }

    private isEmpty(level: number, layer: string, column: number, row: number): boolean {
        const there = this.present[layer];
        if (there === undefined) return true;
        const span = 1 << level;
        for (let y = row * span; y < (row + 1) * span; y++) {
            for (let x = column * span; x < (column + 1) * span; x++) if (there[`${x},${y}`] !== undefined) return false;
        }
        return true;
    }

    /** The bytes, null when empty, undefined when they are still on their way. */
    get(level: number, layer: string, column: number, row: number): Uint8Array | null | undefined {
        const key = this.key(level, layer, column, row);
        const known = this.bytes.get(key);
        if (known !== undefined) return known;
        if (this.isEmpty(level, layer, column, row)) return null;
        if (!this.asked.has(key)) {
            this.asked.add(key);
            this.queue.push({ level, layer, column, row, key });
            if (this.timer === 0) this.timer = window.setTimeout(() => void this.fetch(), 0);
        }
        return undefined;
    }

    /** What is known without asking for it. */
    peek(level: number, layer: string, column: number, row: number): Uint8Array | null {
        return this.bytes.get(this.key(level, layer, column, row)) ?? null;
    }

    /** What the hand made of a tile, until the server's answer replaces it. */
    setLocal(level: number, layer: string, column: number, row: number, bytes: Uint8Array): void {
        this.bytes.set(this.key(level, layer, column, row), bytes);
    }

    /** A full-size tile changed: what was fetched of it, at any level, is fetched again. Old bytes serve until then. */
    forget(layer: string, column: number, row: number): void {
        for (let level = 0; level <= 4; level++) {
            const key = this.key(level, layer, column >> level, row >> level);
            this.bytes.delete(key);
            this.asked.delete(key);
        }
    }

    forgetAll(): void {
        this.bytes.clear();
        this.asked.clear();
    }

    private async fetch(): Promise<void> {
        this.timer = 0;
        const batch = this.queue;
        this.queue = [];
        const levels = new Map<number, typeof batch>();
        for (const want of batch) levels.set(want.level, [...(levels.get(want.level) ?? []), want]);
        for (const [level, wants] of levels) {
            for (let at = 0; at < wants.length; at += 600) {
                const part = wants.slice(at, at + 600);
                try {
                    const tiles = await api.tiles(this.page, level, part.map((w) => [w.layer, w.column, w.row]));
                    const places = new Set<string>();
                    part.forEach((want, i) => {
                        // Forgotten again while it was on its way: what arrived is out of date.
                        if (!this.asked.has(want.key)) return;
                        this.bytes.set(want.key, tiles[i] ?? null);
                        places.add(`${want.column},${want.row}`);
                    });
                    this.arrived(level, places);
                } catch (error) {
                    part.forEach((want) => this.asked.delete(want.key));
                    this.failed(error);
                }
            }
        }
    }
}
