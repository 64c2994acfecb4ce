import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Applied } from '../api/client';
import { Failure, type FailureKind } from '../api/http';
import { Outbox, type OutboxPort } from '../page/outbox';
import { DatabaseStorage, type OutboxEntry } from '../page/outboxStorage';

const applied: Applied = {
    revision: 2,
    title: 'Fill',
    tiles: [],
    records: [],
    journal: { undo: 'Fill', redo: null, count: 1 },
};
const fill = (label: number) => ({
    kind: 'op' as const,
    op: { kind: 'fill' as const, labels: [label], figure: 3, material: 9 },
});
const failure = (kind: FailureKind, details = {}) => new Failure(kind, 'Because.', 0, details);

let number = 0;
let storage: DatabaseStorage;
let answers: (Applied | Error)[];
let sent: string[];
let calls: string[];
let port: OutboxPort;

/** A server that answers one thing after the other, and then always "done". */
function outbox(page = 7): Outbox {
    return new Outbox(page, 5, storage, port);
}

const settled = async (box: Outbox, saving: string): Promise<void> => {
    for (let i = 0; i < 400 && box.saving !== saving; i++) {
        await new Promise((done) => setImmediate(done));
        await vi.advanceTimersByTimeAsync(50);
    }
    expect(box.saving).toBe(saving);
};

beforeEach(() => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    storage = new DatabaseStorage(`outbox ${++number}`);
    answers = [];
    sent = [];
    calls = [];
    port = {
        send: async (entry: OutboxEntry) => {
            sent.push(entry.id);
            const answer = answers.shift() ?? applied;
            if (answer instanceof Error) throw answer;
            return answer;
        },
        applied: (entry) => calls.push(`applied ${entry.change.kind}`),
        refused: (entry, message) => calls.push(`refused ${entry.change.kind}: ${message}`),
        catchUp: async () => void calls.push('catch up'),
        lost: () => calls.push('lost'),
        changed: () => undefined,
    };
});
afterEach(() => vi.useRealTimers());

describe('the outbox', () => {
    it('writes a change down before it is sent, and forgets it when it is done', async () => {
        let kept = -1;
        port.send = async () => {
            kept = (await storage.load(7, 5)).length;
            return applied;
        };
        const box = outbox();
        box.add(fill(1));
        expect(box.saving).toBe('sending');
        await settled(box, 'saved');
        expect(kept).toBe(1);
        expect(await storage.load(7, 5)).toEqual([]);
    });
    it('sends one after the other, in order, each under its own id', async () => {
        const box = outbox();
        const ids = [1, 2, 3].map((label) => box.add(fill(label)).id);
        await settled(box, 'saved');
        expect(sent).toEqual(ids);
        expect(new Set(ids).size).toBe(3);
    });
    it.each(['unreachable', 'unavailable'] as const)(
        'keeps everything while the server is %s, and sends it under the same id',
        async (kind) => {
            answers = [failure(kind), failure(kind)];
            const box = outbox();
            const first = box.add(fill(1));
            box.add(fill(2));
            await vi.waitFor(() => expect(box.saving).toBe('offline'));
            expect(await storage.load(7, 5)).toHaveLength(2);
            await settled(box, 'saved');
            expect(sent.slice(0, 3)).toEqual([first.id, first.id, first.id]);
            expect(calls).toEqual(['applied op', 'applied op']);
        },
    );
    it('takes an answer that cannot be read for no answer', async () => {
        answers = [new SyntaxError('cut off')];
        const box = outbox();
        box.add(fill(1));
        await vi.waitFor(() => expect(box.saving).toBe('offline'));
        await settled(box, 'saved');
        expect(calls).toEqual(['applied op']);
    });
    it('offers to give up a change the server fails at again and again, and goes on with the next', async () => {
        const broken = () => new Failure('unavailable', 'The server is in trouble just now.', 500);
        port.send = async (entry) => {
            sent.push(entry.id);
            if (entry.change.kind === 'op' && entry.change.op.kind === 'fill' && entry.change.op.labels[0] === 13)
                throw broken();
            return applied;
        };
        const box = outbox();
        const bad = box.add(fill(13));
        box.add(fill(14));
        await settled(box, 'offline');
        await box.giveUp();
        expect(box.waiting).toHaveLength(2);
        await settled(box, 'failing');
        expect(new Set(sent)).toEqual(new Set([bad.id]));
        await box.giveUp();
        await settled(box, 'saved');
        expect(calls).toEqual(['refused op: You discarded this change, since the server failed at it.', 'applied op']);
        expect(await storage.load(7, 5)).toEqual([]);
    });

    it('does not take a gateway that is down for a fault of the change', async () => {
        answers = Array.from({ length: 5 }, () => new Failure('unavailable', 'Because.', 502));
        const seen = new Set<string>();
        const box = outbox();
        port.changed = () => seen.add(box.saving);
        box.add(fill(1));
        await settled(box, 'saved');
        expect(seen).toEqual(new Set(['sending', 'offline', 'saved']));
    });

    it('waits for somebody to sign in, and goes on', async () => {
        answers = [failure('signed-out')];
        const box = outbox();
        box.add(fill(1));
        await settled(box, 'signed-out');
        await vi.advanceTimersByTimeAsync(60_000);
        expect(sent).toHaveLength(1);
        box.retry();
        await settled(box, 'saved');
    });
    it('waits for the page when somebody else holds it', async () => {
        answers = [failure('conflict', { reason: 'lease' })];
        const box = outbox();
        box.add(fill(1));
        await settled(box, 'not-held');
        expect(calls).toEqual(['lost']);
        expect(await storage.load(7, 5)).toHaveLength(1);
        box.retry();
        await settled(box, 'saved');
        expect(calls).toEqual(['lost', 'applied op']);
    });
    it('catches up when the page has moved on, and sends the change again', async () => {
        answers = [failure('conflict', { reason: 'revision' })];
        const box = outbox();
        box.add(fill(1));
        await settled(box, 'saved');
        expect(calls).toEqual(['catch up', 'applied op']);
        expect(sent[0]).toBe(sent[1]);
    });
    it('does not undo what it has not seen', async () => {
        answers = [failure('conflict', { reason: 'revision' })];
        const box = outbox();
        box.add({ kind: 'undo' });
        await settled(box, 'saved');
        expect(calls).toEqual(['refused undo: The page has moved on since. Look again, then undo.']);
    });
    it('drops only what was refused for what it is', async () => {
        answers = [failure('refused')];
        const box = outbox();
        box.add(fill(1));
        box.add(fill(2));
        await settled(box, 'saved');
        expect(calls).toEqual(['refused op: Because.', 'applied op']);
        expect(await storage.load(7, 5)).toEqual([]);
    });
    it('takes up what an earlier window left, of this page and person only, oldest first', async () => {
        answers = Array.from({ length: 3 }, () => failure('signed-out'));
        const before = outbox();
        const left = [before.add(fill(1)).id, before.add(fill(2)).id];
        await settled(before, 'signed-out');
        before.end();
        await storage.add({ id: 'another0page', page: 8, user: 5, made: 1, change: { kind: 'undo' } });
        await storage.add({ id: 'another0user', page: 7, user: 6, made: 1, change: { kind: 'undo' } });
        answers = [];
        sent = [];
        const after = outbox();
        expect(await after.resume()).toBe(2);
        expect(after.saving).not.toBe('saved');
        await settled(after, 'saved');
        expect(sent).toEqual(left);
    });
    it('leaves to another window what that is still sending', async () => {
        await storage.add({ id: 'still0sending', page: 7, user: 5, made: 1, change: { kind: 'undo' } });
        storage.claim = async () => false;
        const box = outbox();
        expect(await box.resume()).toBe(0);
        expect([box.saving, box.waiting.length]).toEqual(['saved', 0]);
    });
    it('sends nothing before it is written down, while others are on their way', async () => {
        let let1: (done: Applied) => void = () => undefined;
        let write2: () => void = () => undefined;
        port.send = (entry) => {
            sent.push(entry.id);
            return sent.length === 1 ? new Promise((done) => (let1 = done)) : Promise.resolve(applied);
        };
        const box = outbox();
        box.add(fill(1));
        await vi.waitFor(() => expect(sent).toHaveLength(1));
        storage.add = () => new Promise((done) => (write2 = done));
        box.add(fill(2));
        let1(applied);
        await vi.advanceTimersByTimeAsync(100);
        expect(sent).toHaveLength(1);
        write2();
        await settled(box, 'saved');
        expect(sent).toHaveLength(2);
    });
    it('sends nothing after its window has gone', async () => {
        answers = [failure('unreachable')];
        const box = outbox();
        box.add(fill(1));
        await vi.waitFor(() => expect(box.saving).toBe('offline'));
        box.end();
        await vi.advanceTimersByTimeAsync(60_000);
        expect(sent).toHaveLength(1);
        expect(await storage.load(7, 5)).toHaveLength(1);
    });
});
