/** Where changes are kept until the server has really answered: the browser's own database. */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Op } from './ops/registry';

export type Change = { kind: 'op'; op: Op } | { kind: 'undo' } | { kind: 'redo' };

export interface OutboxEntry {
    /** The id the server knows the change by: sent twice, it is done once. */
    id: string;
    page: number;
    user: number;
    made: number;
    change: Change;
}

export interface OutboxStorage {
    /** Whether this window is the only one that may take up what is kept for a page and a person. */
    claim(page: number, user: number): Promise<boolean>;
    /** What is kept for a page and a person, oldest first. */
    load(page: number, user: number): Promise<OutboxEntry[]>;
    add(entry: OutboxEntry): Promise<void>;
    remove(id: string): Promise<void>;
}

interface Schema extends DBSchema {
    changes: { key: string; value: OutboxEntry; indexes: { page: [number, number] } };
}

/** In IndexedDB: survives a reload, a crash, and the machine being switched off. */
export class DatabaseStorage implements OutboxStorage {
    private readonly database: Promise<IDBPDatabase<Schema>>;

    constructor(name = 'awning-outbox') {
        this.database = openDB<Schema>(name, 1, {
            upgrade(database) {
                database.createObjectStore('changes', { keyPath: 'id' }).createIndex('page', ['page', 'user']);
            },
        });
    }

    /** Held until the window goes, however it goes. */
    claim(page: number, user: number): Promise<boolean> {
        if (typeof navigator === 'undefined' || navigator.locks === undefined) return Promise.resolve(true);
        return new Promise((answer) => {
            const hold = (lock: Lock | null): Promise<void> | undefined => {
                answer(lock !== null);
                return lock === null ? undefined : new Promise(() => undefined);
            };
            void navigator.locks.request(`awning-outbox-${page}-${user}`, { ifAvailable: true }, hold);
        });
    }

    async load(page: number, user: number): Promise<OutboxEntry[]> {
        const entries = await (await this.database).getAllFromIndex('changes', 'page', [page, user]);
        return entries.sort((a, b) => a.made - b.made);
    }

    async add(entry: OutboxEntry): Promise<void> {
        await (await this.database).put('changes', entry);
    }

    async remove(id: string): Promise<void> {
        await (await this.database).delete('changes', id);
    }
}
