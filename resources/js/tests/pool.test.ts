import { describe, expect, it, vi } from 'vitest';
import type { FromWorker, TileJob, ToWorker } from '../picture/jobs';
import { EMPTY } from '../picture/stack';
import { ComposePool, type TileRequest, type WorkerLike } from '../picture/pool';

class Recorder implements WorkerLike {
    messages: ToWorker[] = [];
    onmessage: ((event: MessageEvent<FromWorker>) => void) | null = null;
    onerror: ((event: ErrorEvent) => void) | null = null;
    isEnded = false;
    private answered = 0;
    postMessage(message: ToWorker): void {
        this.messages.push(message);
    }
    terminate(): void {
        this.isEnded = true;
    }
    fail(): void {
        this.onerror?.({} as ErrorEvent);
    }
    get jobs(): TileJob[] {
        return this.messages.filter((message) => message.kind === 'tile');
    }
    /** The oldest job it has. */
    answer(): void {
        this.onmessage?.({
            data: { id: this.jobs[this.answered++].id, pixels: new Uint8ClampedArray(4) },
        } as MessageEvent<FromWorker>);
    }
}

function pool(count: number): { pool: ComposePool; workers: Recorder[] } {
    const workers: Recorder[] = [];
    const made = new ComposePool(() => {
        const worker = new Recorder();
        workers.push(worker);
        return worker;
    }, count);
    return { pool: made, workers };
}

const request = (
    column: number,
    versions: Record<string, number>,
    done: TileRequest['done'] = () => undefined,
): TileRequest => ({
    key: `0 ${column},0`,
    column,
    row: 0,
    level: 0,
    x: 0,
    y: 0,
    wide: null,
    look: { ink: 1, hatch: false, veil: false, passes: true },
    active: null,
    levels: null,
    done,
    layers: Object.entries(versions).map(([layer, version]) => ({
        layer,
        version,
        bytes: () => Uint8Array.of(version),
    })),
});

describe('the compositing pool', () => {
    it('gives what comes first before all that waits, and the others in their order', () => {
        const {
            pool: made,
            workers: [worker],
        } = pool(1);
        for (const column of [0, 1, 2, 3]) made.ask(request(column, {}));
        made.ask({ ...request(4, {}), isFirst: true });
        for (let i = 0; i < 5; i++) worker.answer();
        expect(worker.jobs.map(({ key }) => key)).toEqual(['0 0,0', '0 1,0', '0 4,0', '0 2,0', '0 3,0']);
    });

    it('sends a layer’s bytes once for each version', () => {
        const {
            pool: made,
            workers: [worker],
        } = pool(1);
        made.ask(request(0, { ink: 1, flats: 1 }));
        worker.answer();
        made.ask(request(0, { ink: 2, flats: 1 }));
        expect(worker.jobs.map((job) => job.layers.map((layer) => [layer.layer, layer.bytes?.[0] ?? null]))).toEqual([
            [
                ['ink', 1],
                ['flats', 1],
            ],
            [
                ['ink', 2],
                ['flats', null],
            ],
        ]);
    });
    it('does only the newest of what is asked for again before its turn', () => {
        const {
            pool: made,
            workers: [worker],
        } = pool(1);
        const done: string[] = [];
        made.ask(request(0, { ink: 1 }, () => done.push('first')));
        made.ask(request(2, { ink: 1 }, () => done.push('second')));
        made.ask(request(1, { ink: 1 }, () => done.push('old')));
        made.ask(request(1, { ink: 2 }, () => done.push('new')));
        expect(worker.jobs.map(({ key }) => key)).toEqual(['0 0,0', '0 2,0']);
        worker.answer();
        expect(worker.jobs).toHaveLength(3);
        worker.answer();
        worker.answer();
        expect(done).toEqual(['first', 'second', 'new']);
        expect(worker.jobs).toHaveLength(3);
    });
    it('gives a tile to the same worker each time, and different ones to different workers', () => {
        const { pool: made, workers } = pool(3);
        for (const column of [0, 1, 2, 0, 1, 2]) {
            made.ask(request(column, { ink: column }));
            workers[column % 3].answer();
        }
        expect(workers.map((worker) => worker.jobs.map((job) => job.key))).toEqual([
            ['0 0,0', '0 0,0'],
            ['0 1,0', '0 1,0'],
            ['0 2,0', '0 2,0'],
        ]);
    });
    it('goes on after a tile that could not be composited, and says which', () => {
        const {
            pool: made,
            workers: [worker],
        } = pool(1);
        const done: [string, boolean][] = [];
        made.ask(request(0, { ink: 1 }, (pixels) => done.push(['first', pixels === null])));
        made.ask(request(1, { ink: 1 }, (pixels) => done.push(['second', pixels === null])));
        worker.onmessage?.({ data: { id: 1, pixels: null } } as MessageEvent<FromWorker>);
        worker.onmessage?.({ data: { id: 2, pixels: new Uint8ClampedArray(4) } } as MessageEvent<FromWorker>);
        expect(done).toEqual([
            ['first', true],
            ['second', false],
        ]);
    });
    it('starts a worker anew that failed, and gives it all that the other had', () => {
        vi.useFakeTimers();
        const { pool: made, workers } = pool(1);
        const done: [string, boolean][] = [];
        made.setStack(EMPTY);
        made.ask(request(0, { ink: 1 }, (pixels) => done.push(['first', pixels === null])));
        made.ask(request(1, { ink: 1 }, (pixels) => done.push(['second', pixels === null])));
        workers[0].fail();
        expect([workers.length, workers[0].isEnded, done]).toEqual([1, true, []]);
        vi.advanceTimersByTime(1000);
        expect(workers[1].messages[0]).toMatchObject({ kind: 'stack', version: 1 });
        workers[1].answer();
        workers[1].answer();
        expect(done).toEqual([
            ['second', false],
            ['first', false],
        ]);
        // The bytes of a layer are sent again: the new one has none.
        expect(workers[1].jobs.map((job) => job.layers[0].bytes?.[0])).toEqual([1, 1]);
        made.end();
        vi.useRealTimers();
    });
    it('gives a tile up at which worker after worker fails', () => {
        vi.useFakeTimers();
        const { pool: made, workers } = pool(1);
        const done: boolean[] = [];
        made.ask(request(0, { ink: 1 }, (pixels) => done.push(pixels === null)));
        for (let time = 0; time < 5; time++) {
            workers[time].fail();
            vi.advanceTimersByTime(1000);
        }
        expect([workers.length, done]).toEqual([6, [true]]);
        made.end();
        vi.useRealTimers();
    });
    it('tells every worker of a new stack', () => {
        const { pool: made, workers } = pool(2);
        made.setStack(EMPTY);
        made.setStack(EMPTY);
        expect(
            workers.map((worker) => worker.messages.map((message) => (message.kind === 'stack' ? message.version : 0))),
        ).toEqual([
            [1, 2],
            [1, 2],
        ]);
    });
});
