/**
 * The compositing workers: one fewer than the machine has cores, at least one. A tile always goes to the same worker,
 * which keeps its layers; of a tile that is asked for again before its turn, only the newest request is done. Some come
 * before all others.
 */
import type { Look } from './compose';
import type { FromWorker, Part, SentLayer, TileJob, ToWorker } from './jobs';
import type { Stack } from './stack';
import { remember } from './remember';

/** A tile that is to be composited, with the bytes of all its layers at hand. */
export interface TileRequest {
    key: string;
    column: number;
    row: number;
    level: number;
    x: number;
    y: number;
    wide: Part | null;
    look: Look;
    layers: RequestedLayer[];
    active: string | null;
    levels: Uint8Array | null;
    /** Before all others that wait. */
    isFirst?: boolean;
    /** With null when it could not be composited. */
    done: (pixels: Uint8ClampedArray<ArrayBuffer> | null) => void;
}

export interface RequestedLayer {
    layer: string;
    version: number;
    /** Put together when the worker does not have this version yet. */
    bytes: () => Uint8Array | null;
}

/** What of a worker the pool needs; tests bring their own. */
export interface WorkerLike {
    postMessage(message: ToWorker): void;
    onmessage: ((event: MessageEvent<FromWorker>) => void) | null;
    /** Its script could not be loaded, or failed. */
    onerror: ((event: ErrorEvent) => void) | null;
    terminate(): void;
}

/** The same bound as the worker's: what it has let go of must be sent again. */
const MOST_TILES = 160;

/** Tiles a worker is given at once. */
const MOST_GIVEN = 2;

/** Milliseconds until a worker that failed is started anew; and how often a tile is tried with a new one. */
const RESTART_AFTER = 1000;
const MOST_FAULTS = 5;

class Lane {
    private readonly waiting = new Map<string, TileRequest>();
    private readonly sent = new Map<string, Map<string, number>>();
    /** What the worker has, oldest first: one it works on, and one it goes on with while this window is busy. */
    private readonly given = new Map<number, TileRequest>();
    private id = 0;
    private faults = 0;
    private worker: WorkerLike | null = null;
    private lastStack: ToWorker | null = null;
    private hasEnded = false;

    constructor(private readonly make: () => WorkerLike) {
        this.start();
    }

    stack(stack: Stack, version: number): void {
        this.lastStack = { kind: 'stack', version, stack };
        this.worker?.postMessage(this.lastStack);
    }

    ask(request: TileRequest): void {
        this.waiting.set(request.key, request);
        this.next();
    }

    end(): void {
        this.hasEnded = true;
        this.worker?.terminate();
    }

    private start(): void {
        if (this.hasEnded) return;
        this.worker = this.make();
        this.worker.onmessage = ({ data }) => this.answered(data);
        this.worker.onerror = () => this.failed();
        if (this.lastStack !== null) this.worker.postMessage(this.lastStack);
        this.next();
    }

    /** The server may be away for a while: another worker gets what this one had, a few times. */
    private failed(): void {
        this.worker?.terminate();
        this.worker = null;
        this.sent.clear();
        this.faults++;
        const [first, ...others] = this.given.values();
        this.given.clear();
        for (const request of others) this.putBack(request);
        if (first !== undefined && this.faults >= MOST_FAULTS) first.done(null);
        else if (first !== undefined) this.putBack(first);
        setTimeout(() => this.start(), RESTART_AFTER);
    }

    /** Unless it has been asked for anew meanwhile. */
    private putBack(request: TileRequest): void {
        if (!this.waiting.has(request.key)) this.waiting.set(request.key, request);
    }

    private next(): void {
        const inOrder = [...this.waiting].sort(
            ([, a], [, b]) => Number(b.isFirst === true) - Number(a.isFirst === true),
        );
        for (const [key, request] of inOrder) {
            if (this.worker === null || this.given.size >= MOST_GIVEN) return;
            this.waiting.delete(key);
            this.given.set(++this.id, request);
            this.worker.postMessage(this.job(request));
        }
    }

    private job({ key, level, x, y, wide, look, layers, active, levels }: TileRequest): TileJob {
        const known = this.sent.get(key) ?? new Map<string, number>();
        remember(this.sent, key, known, MOST_TILES);
        const sending = layers.map(({ layer, version, bytes }): SentLayer => {
            if (known.get(layer) === version) return { layer, version };
            known.set(layer, version);
            return { layer, version, bytes: bytes() };
        });
        return { kind: 'tile', id: this.id, key, level, x, y, wide, look, layers: sending, active, levels };
    }

    private answered({ id, pixels }: FromWorker): void {
        const request = this.given.get(id);
        this.given.delete(id);
        this.faults = 0;
        this.next();
        request?.done(pixels);
    }
}

export class ComposePool {
    private readonly lanes: Lane[];
    private stackVersion = 0;

    constructor(make: () => WorkerLike = startWorker, count = Math.max(1, (navigator.hardwareConcurrency || 2) - 1)) {
        this.lanes = Array.from({ length: count }, () => new Lane(make));
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
