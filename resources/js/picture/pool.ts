/**
 * The compositing workers: one fewer than the machine has cores, at least one. A tile always goes to the same worker,
 * which keeps its layers; of a tile that is asked for again before its turn, only the newest request is done.
 */
import type { Look } from './compose';
import type { FromWorker, SentLayer, TileJob, ToWorker } from './jobs';
import type { Stack } from './stack';
import { remember } from './tileComposer';

/** A tile that is to be composited, with the bytes of all its layers at hand. */
export interface TileRequest {
    key: string;
    column: number;
    row: number;
    x: number;
    y: number;
    look: Look;
    layers: { layer: string; version: number; bytes: Uint8Array | null }[];
    active: string | null;
    levels: Uint8Array | null;
    /** With null when it could not be composited. */
    done: (pixels: Uint8ClampedArray<ArrayBuffer> | null) => void;
}

/** What of a worker the pool needs; tests bring their own. */
export interface WorkerLike {
    postMessage(message: ToWorker): void;
    onmessage: ((event: MessageEvent<FromWorker>) => void) | null;
    terminate(): void;
}

/** The same bound as the worker's: what it has let go of must be sent again. */
const MOST_TILES = 160;

class Lane {
    private readonly waiting = new Map<string, TileRequest>();
    private readonly sent = new Map<string, Map<string, number>>();
    private current: { id: number; request: TileRequest } | null = null;
    private id = 0;

    constructor(private readonly worker: WorkerLike) {
        worker.onmessage = ({ data }) => this.answered(data);
    }

    stack(stack: Stack, version: number): void {
        this.worker.postMessage({ kind: 'stack', version, stack });
    }

    ask(request: TileRequest): void {
        this.waiting.set(request.key, request);
        this.next();
    }

    end(): void {
        this.worker.terminate();
    }

    private next(): void {
        if (this.current !== null) return;
        const [first] = this.waiting;
        if (first === undefined) return;
        const [key, request] = first;
        this.waiting.delete(key);
        this.current = { id: ++this.id, request };
        this.worker.postMessage(this.job(request));
    }

    private job({ key, x, y, look, layers, active, levels }: TileRequest): TileJob {
        const known = this.sent.get(key) ?? new Map<string, number>();
        remember(this.sent, key, known, MOST_TILES);
        const sending = layers.map(({ layer, version, bytes }): SentLayer => {
            if (known.get(layer) === version) return { layer, version };
            known.set(layer, version);
            return { layer, version, bytes };
        });
        return { kind: 'tile', id: this.id, key, x, y, look, layers: sending, active, levels };
    }

    private answered({ id, pixels }: FromWorker): void {
        const done = this.current;
        this.current = null;
        if (done !== null && done.id === id) done.request.done(pixels);
        this.next();
    }
}

export class ComposePool {
    private readonly lanes: Lane[];
    private stackVersion = 0;

    constructor(make: () => WorkerLike = startWorker, count = Math.max(1, (navigator.hardwareConcurrency || 2) - 1)) {
        this.lanes = Array.from({ length: count }, () => new Lane(make()));
    }

    setStack(stack: Stack): void {
        this.stackVersion++;
        this.lanes.forEach((lane) => lane.stack(stack, this.stackVersion));
    }

    ask(request: TileRequest): void {
        this.lanes[(request.column + 7 * request.row) % this.lanes.length].ask(request);
    }

    end(): void {
        this.lanes.forEach((lane) => lane.end());
    }
}

function startWorker(): WorkerLike {
    return new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
}
