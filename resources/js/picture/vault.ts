/**
 * Tiles the browser has had before, under their names, in its own database: opening a page again fetches only what has
 * changed. Bounded; what has not been used for longest goes first.
 */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

interface Schema extends DBSchema {
    tiles: { key: string; value: { name: string; bytes: Uint8Array; used: number }; indexes: { used: number } };
}

const MOST = 6_000;
const SWEEP_EVERY = 400;

export interface TileVault {
    /** The bytes of those that are there. */
    take(names: string[]): Promise<Map<string, Uint8Array>>;
    keep(tiles: { name: string; bytes: Uint8Array }[]): Promise<void>;
}

export class DatabaseVault implements TileVault {
    private readonly database: Promise<IDBPDatabase<Schema>>;
    private kept = 0;

    constructor(
        name = 'awning-tiles',
        private readonly most = MOST,
        private readonly sweepEvery = SWEEP_EVERY,
    ) {
        this.database = openDB<Schema>(name, 1, {
            upgrade(database) {
                database.createObjectStore('tiles', { keyPath: 'name' }).createIndex('used', 'used');
            },
        });
    }

    async take(names: string[]): Promise<Map<string, Uint8Array>> {
        const store = (await this.database).transaction('tiles').store;
        const found = await Promise.all(names.map((name) => store.get(name)));
        return new Map(found.flatMap((tile) => (tile === undefined ? [] : [[tile.name, tile.bytes] as const])));
    }

    async keep(tiles: { name: string; bytes: Uint8Array }[]): Promise<void> {
        const database = await this.database;
        const transaction = database.transaction('tiles', 'readwrite');
        const used = Date.now();
        await Promise.all([...tiles.map((tile) => transaction.store.put({ ...tile, used })), transaction.done]);
        this.kept += tiles.length;
        if (this.kept >= this.sweepEvery) await this.sweep();
    }

    private async sweep(): Promise<void> {
        this.kept = 0;
        const transaction = (await this.database).transaction('tiles', 'readwrite');
        let over = (await transaction.store.count()) - this.most;
        let cursor = over > 0 ? await transaction.store.index('used').openCursor() : null;
        for (; cursor !== null && over > 0; over--) {
            await cursor.delete();
            cursor = await cursor.continue();
        }
        await transaction.done;
    }
}
