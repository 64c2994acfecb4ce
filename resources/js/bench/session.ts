/**
 * One page on the bench: its state, who holds it, and the queue of changes on their way to the server. Changes show at
 * once and are sent one after the other; when the server is out of reach they wait.
 */
import { api, Refused } from '../api/client';
import type { Applied, Facts, GroupFact, Material, Op, PageState, PassFact, TaskState, ToneName } from '../api/types';
import { buildStack, type Stack } from './surface/stack';
import { TileCache } from './surface/tiles';

export type Saving = 'saved' | 'sending' | 'offline';

const HEARTBEAT = 12_000;
const WATCH = 2_000;
const RETRY = 2_000;

export const randomId = (length: number): string =>
    Array.from(crypto.getRandomValues(new Uint8Array(length)), (byte) => (byte % 36).toString(36)).join('');

interface Queued {
    run: () => Promise<Applied>;
    /** Whether tiles shown now were made here and wait for the server's. */
    strokes: boolean;
}

export class PageSession {
    state: PageState;
    stack: Stack;
    saving: Saving = 'saved';
    held = false;
    holder: string | null = null;
    message: string | null = null;
    task: TaskState | null = null;
    readonly tiles: TileCache;
    /** Counts what the panels show. */
    version = 0;
    private readonly lease = randomId(20);
    private readonly queue: Queued[] = [];
    private readonly stale: [string, number, number][] = [];
    private busy = false;
    private ended = false;
    private readonly listeners = new Set<() => void>();
    private readonly painters = new Set<(level: number | null, places: Set<string> | null) => void>();
    private timers: number[] = [];

    constructor(state: PageState) {
        this.state = state;
        this.stack = buildStack(state.facts, state.palette);
        this.tiles = new TileCache(
            state.id,
            (level, places) => this.paint(level, places),
            (error) => this.report(error),
        );
        this.tiles.present = state.tiles;
    }

    start(): void {
        void this.beat();
        this.timers.push(window.setInterval(() => void this.beat(), HEARTBEAT), window.setInterval(() => void this.watch(), WATCH));
        window.addEventListener('pagehide', this.end);
        void api.tasks(this.state.id).then((tasks) => tasks.length > 0 && void this.follow(tasks[0])).catch(() => undefined);
    }

    end = (): void => {
        if (this.ended) return;
        this.ended = true;
        this.timers.forEach((timer) => window.clearInterval(timer));
        window.removeEventListener('pagehide', this.end);
        if (this.held) api.giveBack(this.state.id, this.lease);
    };

    /** For panels: anything but pixels changed. */
    subscribe = (listener: () => void): (() => void) => {
        this.listeners.add(listener);
        return () => this.listeners.delete(listener);
    };

    /** For the surface: which tiles of a level look different; null is all. */
    onPaint(painter: (level: number | null, places: Set<string> | null) => void): () => void {
        this.painters.add(painter);
        return () => this.painters.delete(painter);
    }

    get size(): { width: number; height: number; dpi: number; paper: number; ink: number } | null {
        return this.state.facts.page.page ?? null;
    }

    get mayFlat(): boolean {
        return this.held && this.state.role !== 'viewer';
    }

    get mayColour(): boolean {
        return this.held && (this.state.role === 'owner' || this.state.role === 'colourist');
    }

    say(message: string | null): void {
        this.message = message;
        this.changed();
    }

    changed(): void {
        this.version++;
        this.listeners.forEach((listener) => listener());
    }

    paint(level: number | null = null, places: Set<string> | null = null): void {
        this.painters.forEach((painter) => painter(level, places));
    }

    // ---- changes --------------------------------------------------------------------------------------------------

    fill(labels: number[], material: Material | null): void {
        const region = { ...this.state.facts.region };
        for (const label of labels) {
            if (region[label] !== undefined) region[label] = { ...region[label], figure: material?.figure ?? 0, material: material?.id ?? 0 };
        }
        this.setFacts({ region });
        this.send({ kind: 'fill', labels, material: material?.id ?? 0 });
    }

    addPass(id: string, pass: Partial<PassFact>): void {
        this.send({ kind: 'pass.add', id, pass });
    }

    changePass(id: string, values: Partial<PassFact>, send = true): void {
        const pass = this.state.facts.pass[id];
        if (pass === undefined) return;
        this.setFacts({ pass: { ...this.state.facts.pass, [id]: { ...pass, ...values } } });
        if (send) this.send({ kind: 'pass.change', id, values });
    }

    removePass(id: string): void {
        const pass = { ...this.state.facts.pass };
        delete pass[id];
        this.setFacts({ pass });
        this.send({ kind: 'pass.remove', id });
    }

    /** Takes passes together so that they blend among themselves first; with how null, parts them. */
    group(id: string, passes: string[], how: GroupFact | null): void {
        this.send({ kind: 'group', id, passes, how });
    }

    stroke(op: Extract<Op, { kind: 'stroke' }>): void {
        if (op.make !== undefined && this.state.facts.pass[op.pass] === undefined) this.addLocalPass(op.pass, op.make);
        this.send(op, true);
    }

    /** Shows a pass before the server has heard of it. */
    addLocalPass(id: string, make: Omit<PassFact, 'order' | 'group' | 'visible'>): void {
        const order = 1 + Math.max(0, ...Object.values(this.state.facts.pass).filter((p) => p.figure === make.figure).map((p) => p.order));
        this.setFacts({ pass: { ...this.state.facts.pass, [id]: { ...make, order, group: null, visible: true } } });
    }

    send(op: Op, strokes = false): void {
        this.enqueue({ run: () => api.apply(this.state.id, this.state.revision, this.lease, op), strokes });
    }

    undo(): void {
        this.enqueue({ run: () => api.undo(this.state.id, this.state.revision, this.lease), strokes: false });
    }

    redo(): void {
        this.enqueue({ run: () => api.redo(this.state.id, this.state.revision, this.lease), strokes: false });
    }

    async pin(material: Material, tone: ToneName, colour: string | null): Promise<void> {
        if (colour !== null) this.setMaterial({ ...material, tones: { ...material.tones, [tone]: colour } });
        try {
            const answer = await api.pin(this.state.series.id, material.id, material.version, tone, colour);
            this.state.palette.version = answer.version;
            this.setMaterial(answer.material);
        } catch (error) {
            if (error instanceof Refused && error.details.reason === 'palette') this.setMaterial(error.details.theirs as Material);
            else this.setMaterial(material);
            this.report(error);
        }
    }

    setMaterial(material: Material): void {
        const figures = this.state.palette.figures.map((figure) => ({
            ...figure,
            materials: figure.materials.map((other) => (other.id === material.id ? material : other)),
        }));
        this.state = { ...this.state, palette: { ...this.state.palette, figures } };
        this.rebuilt();
    }

    // ---- long work ------------------------------------------------------------------------------------------------

    async importScan(scan: File): Promise<void> {
        await this.begin(() => api.importScan(this.state.id, this.lease, scan));
    }

    async importWaiting(original: number): Promise<void> {
        await this.begin(() => api.importWaiting(this.state.id, this.lease, original));
    }

    async clean(paper: number, ink: number): Promise<void> {
        await this.begin(() => api.clean(this.state.id, this.lease, paper, ink));
    }

    async deliver(format: string): Promise<void> {
        await this.begin(() => api.deliver(this.state.id, format));
    }

    async stopTask(): Promise<void> {
        if (this.task !== null) this.task = await api.stopTask(this.task.id);
        this.changed();
    }

    dismissTask(): void {
        this.task = null;
        this.changed();
    }

    private async begin(ask: () => Promise<TaskState>): Promise<void> {
        try {
            this.message = null;
            await this.follow(await ask());
        } catch (error) {
            this.report(error);
        }
    }

    private async follow(task: TaskState): Promise<void> {
        this.task = task;
        this.changed();
        while (!this.ended && (this.task?.state === 'waiting' || this.task?.state === 'working') && this.task.id === task.id) {
            await new Promise((done) => setTimeout(done, 300));
            try {
                this.task = await api.task(task.id);
            } catch (error) {
                if (error instanceof Refused && error.status !== 0) throw error;
            }
            this.changed();
        }
        if (this.task?.state === 'failed') this.say(this.task.message);
        if (this.task?.state === 'done' && this.task.kind !== 'deliver') {
            this.task = null;
            await this.reload();
        }
    }

    // ---- the server's side ------------------------------------------------------------------------------------------

    async reload(): Promise<void> {
        const state = await api.page(this.state.id);
        this.state = state;
        this.tiles.present = state.tiles;
        this.tiles.forgetAll();
        this.rebuilt();
    }

    private enqueue(queued: Queued): void {
        this.queue.push(queued);
        this.saving = this.saving === 'offline' ? 'offline' : 'sending';
        this.changed();
        void this.drain();
    }

    private async drain(): Promise<void> {
        if (this.busy) return;
        this.busy = true;
        while (this.queue.length > 0 && !this.ended) {
            const next = this.queue[0];
            try {
                const applied = await next.run();
                this.queue.shift();
                this.accept(applied);
                this.saving = 'sending';
            } catch (error) {
                if (error instanceof Refused && error.status === 0) {
                    this.saving = 'offline';
                    this.changed();
                    await new Promise((done) => setTimeout(done, RETRY));
                    continue;
                }
                this.queue.length = 0;
                this.stale.length = 0;
                this.report(error);
                await this.reload().catch(() => undefined);
                if (error instanceof Refused && error.details.reason === 'lease') void this.beat();
            }
        }
        this.refreshStale();
        this.saving = 'saved';
        this.busy = false;
        this.changed();
    }

    private accept(applied: Applied): void {
        const facts: Facts = { ...this.state.facts };
        const fresh = new Set<keyof Facts>();
        for (const [kind, key, value] of applied.facts) {
            if (!fresh.has(kind)) {
                fresh.add(kind);
                (facts as unknown as Record<string, unknown>)[kind] = { ...facts[kind] };
            }
            const group = facts[kind] as Record<string, unknown>;
            if (value === null) delete group[key];
            else group[key] = value;
        }
        for (const [layer, column, row, hash] of applied.tiles) {
            const there = (this.tiles.present[layer] ??= {});
            if (hash === null) delete there[`${column},${row}`];
            else there[`${column},${row}`] = hash;
            this.stale.push([layer, column, row]);
        }
        this.state = { ...this.state, revision: applied.revision, facts, journal: applied.journal };
        // Strokes still waiting were drawn onto these tiles; they stay as they look until the last one is in.
        if (!this.queue.some((queued) => queued.strokes)) this.refreshStale();
        if (applied.facts.length > 0) this.rebuilt();
    }

    private refreshStale(): void {
        if (this.stale.length === 0) return;
        for (const [layer, column, row] of this.stale.splice(0)) this.tiles.forget(layer, column, row);
        this.paint();
    }

    private setFacts(facts: Partial<Facts>): void {
        this.state = { ...this.state, facts: { ...this.state.facts, ...facts } };
        this.rebuilt();
    }

    private rebuilt(): void {
        this.stack = buildStack(this.state.facts, this.state.palette);
        this.paint();
        this.changed();
    }

    report(error: unknown): void {
        this.say(error instanceof Error ? error.message : 'Something went wrong. Reload the page.');
    }

    private async beat(): Promise<void> {
        if (this.state.role === 'viewer') return;
        try {
            const answer = await api.lease(this.state.id, this.lease);
            if (answer.held !== this.held || answer.holder !== this.holder) {
                this.held = answer.held;
                this.holder = answer.holder;
                this.changed();
            }
        } catch {
            // Counts as no sign of life; the next beat tries again.
        }
    }

    /** Sees what others did: always for those who watch, and the palette for everyone. */
    private async watch(): Promise<void> {
        if (this.busy || this.ended) return;
        try {
            const now = await api.revision(this.state.id);
            if (this.busy) return;
            if (now.revision !== this.state.revision || now.palette !== this.state.palette.version) await this.reload();
            const holder = now.holder?.name ?? null;
            if (!this.held && holder !== this.holder) {
                this.holder = holder;
                this.changed();
            }
        } catch {
            // Watching goes on when the server is back.
        }
    }
}
