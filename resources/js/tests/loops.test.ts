import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api } from '../api/client';
import type { FeedState, TaskState } from '../api/generated';
import { Failure } from '../api/http';
import { Feed, type FeedPort } from '../page/feed';
import { isGoing } from '../api/tasks';
import { Tasks } from '../page/tasks';
import { quiet, stubWindow } from './world';

vi.mock('../api/client', () => ({ api: {} }));

beforeEach(() => {
    vi.useFakeTimers();
    stubWindow();
});
afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
});

describe('the feed', () => {
    const state = { holds: false, busy: false };
    let asked: [number, number, boolean][];
    let news: number[];
    let answers: (FeedState | Error)[];
    let known: { revision: number; palette: number };
    let feed: Feed;

    beforeEach(() => {
        Object.assign(state, { holds: false, busy: false });
        known = { revision: 5, palette: 4 };
        asked = [];
        news = [];
        answers = [];
        Object.assign(api, {
            feed: async (_page: number, since: number, palette: number, wait: boolean) => {
                asked.push([since, palette, wait]);
                const next = answers.shift() ?? { ...quiet, again: 1500 };
                if (next instanceof Error) throw next;
                return next;
            },
        });
        const port: FeedPort = {
            known: () => known,
            holds: () => state.holds,
            busy: () => state.busy,
            news: (told) => void news.push(told.revision),
        };
        feed = new Feed(7, port);
    });
    afterEach(() => feed.end());

    it('waits at the server while it watches, and asks again when it is told to', async () => {
        answers = [
            { ...quiet, again: 0 },
            { ...quiet, revision: 6, again: 1500 },
        ];
        void feed.start();
        await vi.advanceTimersByTimeAsync(10);
        expect(asked).toEqual([
            [5, 4, true],
            [5, 4, true],
        ]);
        expect(news).toEqual([5, 6]);
        await vi.advanceTimersByTimeAsync(1400);
        expect(asked).toHaveLength(2);
        await vi.advanceTimersByTimeAsync(200);
        expect(asked).toHaveLength(3);
    });
    it('only looks now and then while it holds the page', async () => {
        state.holds = true;
        void feed.start();
        await vi.advanceTimersByTimeAsync(10);
        expect(asked).toEqual([[5, 4, false]]);
        await vi.advanceTimersByTimeAsync(900);
        expect(asked).toHaveLength(1);
        await vi.advanceTimersByTimeAsync(200);
        expect(asked).toHaveLength(2);
    });
    it('leaves its own changes to their answers', async () => {
        state.busy = true;
        void feed.start();
        await vi.advanceTimersByTimeAsync(10_000);
        expect(asked).toEqual([]);
    });
    it('takes no differences to something else than what the window has by then', async () => {
        const asks = api.feed;
        // What the window had when it asked is gone when the answer comes: the page was fetched anew meanwhile.
        for (const changed of [
            { revision: 4, palette: 4 },
            { revision: 5, palette: 3 },
        ]) {
            Object.assign(api, {
                feed: async (...asking: Parameters<typeof asks>) => {
                    const answer = await asks(...asking);
                    if (known.revision === 5 && known.palette === 4) known = changed;
                    return answer;
                },
            });
            known = { revision: 5, palette: 4 };
            news = [];
            asked = [];
            answers = [
                { ...quiet, revision: 5 },
                { ...quiet, revision: 6 },
            ];
            await feed.catchUp();
            expect(asked).toEqual([
                [5, 4, false],
                [changed.revision, changed.palette, false],
            ]);
            expect(news).toEqual([6]);
        }
    });
    it('goes on after trouble', async () => {
        answers = [new Failure('unreachable', 'Gone.')];
        void feed.start();
        await vi.advanceTimersByTimeAsync(1_900);
        expect(asked).toHaveLength(1);
        await vi.advanceTimersByTimeAsync(200);
        expect(news).toEqual([5]);
    });
    it('tells nothing after its window has gone', async () => {
        void feed.start();
        feed.end();
        await vi.advanceTimersByTimeAsync(10_000);
        expect([asked.length, news]).toEqual([1, []]);
    });
});

describe('long work', () => {
    const task = (state: TaskState['state'], more: Partial<TaskState> = {}): TaskState => ({
        id: 3,
        kind: 'import',
        state,
        progress: 10,
        message: 'Reading',
        download: null,
        name: null,
        report: null,
        match: null,
        outcomes: null,
        question: null,
        ...more,
    });
    let shown: (string | undefined)[];
    let finished: string[];
    let failures: unknown[];
    let tasks: Tasks;

    beforeEach(() => {
        shown = [];
        finished = [];
        failures = [];
        tasks = new Tasks(
            7,
            () => shown.push(tasks.current?.state),
            (done) => void finished.push(done.state),
            (error) => failures.push(error),
        );
    });
    afterEach(() => tasks.end());

    it('is followed until it ends, through a lost server', async () => {
        const steps: (TaskState | Error)[] = [task('working'), new Failure('unavailable', 'Busy.'), task('done')];
        Object.assign(api, {
            task: async () => {
                const next = steps.shift();
                if (next instanceof Error) throw next;
                return next;
            },
        });
        void tasks.begin(async () => task('waiting'));
        await vi.advanceTimersByTimeAsync(1_300);
        expect(finished).toEqual(['done']);
        expect(shown).toEqual(['waiting', 'working', 'done']);
        expect(isGoing(tasks.current)).toBe(false);
        tasks.dismiss();
        expect(tasks.current).toBeNull();
    });
    it('that is not taken says why', async () => {
        await tasks.begin(async () => Promise.reject(new Failure('refused', 'Too large.')));
        expect(failures).toMatchObject([{ message: 'Too large.' }]);
        expect(finished).toEqual([]);
    });
    it('can be stopped', async () => {
        Object.assign(api, {
            task: async () => task('stopped'),
            stopTask: async (id: number) => task('stopped', { id }),
        });
        await tasks.stop();
        expect(shown).toEqual([]);
        void tasks.begin(async () => task('working'));
        await vi.advanceTimersByTimeAsync(10);
        expect(isGoing(tasks.current)).toBe(true);
        await tasks.stop();
        expect(tasks.current?.state).toBe('stopped');
        await vi.advanceTimersByTimeAsync(1_000);
        expect(finished).toEqual(['stopped']);
    });
    it('begun before the window was reloaded is taken up again', async () => {
        Object.assign(api, {
            tasks: async () => [task('working')],
            task: async () => task('done', { kind: 'deliver', download: '/x' }),
        });
        void tasks.resume();
        await vi.advanceTimersByTimeAsync(1_000);
        expect(finished).toEqual(['done']);
        Object.assign(api, { tasks: async () => Promise.reject(new Error('gone')) });
        await tasks.resume();
        expect(failures).toEqual([]);
    });
});
