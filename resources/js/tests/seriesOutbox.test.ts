import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Failure } from '../api/http';
import { SeriesOutbox } from '../page/seriesOutbox';

interface Sent {
    path: string;
    body: { op_id: string; page?: number; op?: { kind: string; name?: string } };
}

let sent: Sent[];
/** How the server answers, the next first. */
let answers: (() => Response)[];

const answer = (status: number, body: unknown) => (): Response => new Response(JSON.stringify(body), { status });
const done = answer(200, { title: 'Add the figure Oda', added: 7, version: 3, shown: {} });
const silence = (): Response => {
    throw new TypeError('no network');
};

beforeEach(() => {
    sent = [];
    answers = [];
    vi.stubGlobal('document', { cookie: '' });
    vi.stubGlobal('fetch', async (path: string, init: RequestInit) => {
        sent.push({ path, body: JSON.parse(init.body as string) as Sent['body'] });
        return (answers.shift() ?? done)();
    });
});
afterEach(() => vi.unstubAllGlobals());

describe('a change to a series', () => {
    it('is sent to the series with its kind and input, and the page that shows the answer', async () => {
        const made = await new SeriesOutbox(4).apply('figure.add', { name: 'Oda' }, 12);
        expect(made.added).toBe(7);
        expect(sent).toHaveLength(1);
        expect(sent[0].path).toBe('/api/series/4/ops');
        expect(sent[0].body).toMatchObject({ op: { kind: 'figure.add', name: 'Oda' }, page: 12 });
    });

    it('that gets no answer is sent again under the same id, and under no other', async () => {
        answers = [silence, answer(503, {}), done];
        await new SeriesOutbox(4, [0, 0, 0]).apply('figure.add', { name: 'Oda' });
        expect(sent.map(({ body }) => body.op_id)).toEqual(Array(3).fill(sent[0].body.op_id));
        await new SeriesOutbox(4).apply('figure.add', { name: 'Oda' });
        expect(sent[3].body.op_id).not.toBe(sent[0].body.op_id);
    });

    it('that is refused is not sent again, and those behind it are sent all the same', async () => {
        answers = [answer(409, { message: 'Somebody was quicker.' })];
        const outbox = new SeriesOutbox(4, [0]);
        const first = outbox.apply('figure.add', { name: 'Oda' });
        const second = outbox.apply('figure.add', { name: 'Pell' });
        await expect(first).rejects.toThrow('Somebody was quicker.');
        await second;
        expect(sent.map(({ body }) => body.op?.name)).toEqual(['Oda', 'Pell']);
    });

    it('waits until the one before it is answered', async () => {
        let release = (): void => undefined;
        const slow = new Promise<void>((free) => (release = free));
        const order: string[] = [];
        vi.stubGlobal('fetch', async (path: string) => {
            order.push(path);
            if (order.length === 1) await slow;
            return done();
        });
        const outbox = new SeriesOutbox(9);
        const first = outbox.apply('figure.add', { name: 'Oda' });
        const second = outbox.undo();
        await new Promise((free) => setTimeout(free, 5));
        expect(order).toEqual(['/api/series/9/ops']);
        release();
        await Promise.all([first, second]);
        expect(order).toEqual(['/api/series/9/ops', '/api/series/9/undo']);
    });

    it('is given up after the last attempt', async () => {
        answers = [silence, silence, silence];
        const made = new SeriesOutbox(4, [0, 0]).redo();
        await expect(made).rejects.toBeInstanceOf(Failure);
        expect(sent).toHaveLength(3);
    });
});
