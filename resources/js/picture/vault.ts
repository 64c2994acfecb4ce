/**
 * Tiles the browser has had before, under their names, in its own database: opening a page again fetches only what has
 * changed. Bounded; what has not been used for longest goes first.
 */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

interface Schema extends DBSchema {
    tiles: { key: string; value: { name: string; bytes: Uint8Array } };
    /** When each was used last: apart, so that using a tile does not write its bytes again. */
    uses: { key: string; value: { name: string; used: number }; indexes: { used: number } };
}

/** Of the database's stores. What an older version kept is fetched again. */
const VERSION = 2;

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
        this.database = openDB<Schema>(name, VERSION, {
            upgrade(database) {
                for (const store of [...database.objectStoreNames]) database.deleteObjectStore(store);
                database.createObjectStore('tiles', { keyPath: 'name' });
                database.createObjectStore('uses', { keyPath: 'name' }).createIndex('used', 'used');
            },
        });
    }

    async take(names: string[]): Promise<Map<string, Uint8Array>> {
        const database = await this.database;
        const store = database.transaction('tiles').store;
        const found = (await Promise.all(names.map((name) => store.get(name)))).filter((tile) => tile !== undefined);
        // Nobody waits for this; should it fail, a tile goes sooner than it might.
        void this.use(found.map(({ name }) => name)).catch(() => undefined);
        return new Map(found.map(({ name, bytes }) => [name, bytes]));
    }

    async keep(tiles: { name: string; bytes: Uint8Array }[]): Promise<void> {
        const transaction = (await this.database).transaction(['tiles', 'uses'], 'readwrite');
        const used = Date.now();
        const [bytes, uses] = [transaction.objectStore('tiles'), transaction.objectStore('uses')];
        await Promise.all([
            ...tiles.map((tile) => bytes.put({ name: tile.name, bytes: tile.bytes })),
            ...tiles.map(({ name }) => uses.put({ name, used })),
            transaction.done,
        ]);
        this.kept += tiles.length;
        if (this.kept >= this.sweepEvery) await this.sweep();
    }

    private async use(names: string[]): Promise<void> {
        if (names.length === 0) return;
        const transaction = (await this.database).transaction('uses', 'readwrite');
        const used = Date.now();
        await Promise.all([...names.map((name) => transaction.store.put({ name, used })), transaction.done]);
    }

    private async sweep(): Promise<void> {
        this.kept = 0;
        const transaction = (await this.database).transaction(['tiles', 'uses'], 'readwrite');
        const [bytes, uses] = [transaction.objectStore('tiles'), transaction.objectStore('uses')];
        let over = (await uses.count()) - this.most;
        let cursor = over > 0 ? await uses.index('used').openCursor() : null;
        for (; cursor !== null && over > 0; over--) {
            await bytes.delete(cursor.value.name);
            await cursor.delete();
            cursor = await cursor.continue();
        }
        await transaction.done;
    }
}
