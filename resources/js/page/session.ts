/** One page open in one window: the store, and everything that keeps it and the server's page the same. */
import { api } from '../api/client';
import type { AppliedState, FeedState, PageStateData, RecordsState, TaskState } from '../api/generated';
import { buildStack } from '../picture/stack';
import { TileCache } from '../picture/tiles';
import { BrushBox } from './brushBox';
import { Feed } from './feed';
import { Lease } from './lease';
import { kindOf, type Op } from './ops/registry';
import { Outbox } from './outbox';
import { DatabaseStorage, type OutboxEntry, type OutboxStorage } from './outboxStorage';
import { PagePalette } from './palette';
import { withRecords } from './records';
import { createPageStore, opened, type PageStore, type PageView } from './store';
import { isSameStanding } from './target';
import { Tasks } from './tasks';
import { PageWork } from './work';

/** How often a page that is older than what is shown is fetched again. */
const RELOADS = 5;

export class PageSession {
    readonly store: PageStore;
    readonly tiles: TileCache;
    readonly outbox: Outbox;
    readonly lease: Lease;
    readonly work: PageWork;
    readonly palette: PagePalette;
    readonly brushes: BrushBox;
    private readonly feed: Feed;
    private readonly tasks: Tasks;
    /** Tiles the server has changed while strokes drawn onto them were still waiting. */
    private readonly stale: [string, number, number][] = [];
    private ended = false;

    constructor(state: PageStateData, user: number, storage: OutboxStorage = new DatabaseStorage()) {
        this.store = createPageStore(state);
        this.tiles = new TileCache(state.id, state.tiles, (error) => this.report(error));
        this.lease = new Lease(state.id, () => this.leaseChanged());
        this.tasks = new Tasks(
            state.id,
            () => this.store.setState({ task: this.tasks.current }),
            (task) => this.taskFinished(task),
            (error) => this.report(error),
        );
        this.work = new PageWork(this, this.tasks);
        this.palette = new PagePalette(this);
        this.brushes = new BrushBox(this);
        this.feed = new Feed(state.id, {
            known: () => ({ revision: this.view.revision, palette: this.view.palette.version }),
            holds: () => this.lease.held,
            busy: () => this.outbox.saving === 'sending',
            news: (feed) => this.news(feed),
        });
        this.outbox = new Outbox(state.id, user, storage, {
            send: (entry) => this.send(entry),
            applied: (_, applied) => this.accept(applied, applied.journal),
            refused: (entry, message) => void this.refused(entry, message),
            catchUp: () => this.feed.catchUp(),
            lost: () => this.lease.set(false, this.view.holder),
            changed: () => this.outboxChanged(),
        });
    }

    get view(): PageView {
        return this.store.getState();
    }

    async start(): Promise<void> {
        window.addEventListener('pagehide', this.end);
        window.addEventListener('online', this.online);
        if (this.view.role !== 'viewer') this.lease.start();
        void this.feed.start();
        void this.tasks.resume();
        await this.outbox.resume();
    }

    end = (): void => {
        if (this.ended) return;
        this.ended = true;
        window.removeEventListener('pagehide', this.end);
        window.removeEventListener('online', this.online);
        this.feed.end();
        this.tasks.end();
        this.outbox.end();
        this.lease.end();
    };

    private online = (): void => this.outbox.retry();

    say(message: string | null): void {
        this.store.setState({ message });
    }

    report(error: unknown): void {
        this.say(error instanceof Error ? error.message : 'Something went wrong. Reload the page.');
    }

    /** What the server answers to a question; null when it did not, and then the person has been told why. */
    async answer<T>(question: Promise<T>): Promise<T | null> {
        try {
            return await question;
        } catch (error) {
            this.report(error);
            return null;
        }
    }

    // ---- changes: shown at once, then sent ----

    apply(op: Op): void {
        this.preview(op);
        this.outbox.add({ kind: 'op', op });
    }

    /** Shows what a change would make of the page, while a slider moves or a stroke is drawn; nothing is sent. */
    preview(op: Op): void {
        this.show(kindOf(op).show(op, this.view));
    }

    undo(): void {
        this.outbox.add({ kind: 'undo' });
    }

    redo(): void {
        this.outbox.add({ kind: 'redo' });
    }

    /** Brings a pass back to how it was painted once; seen as soon as the server tells of it. */
    async restorePass(id: string, entry: number): Promise<void> {
        const done = await this.answer(api.restorePass(this.view.id, id, entry));
        if (done !== null) await this.feed.catchUp().catch((error: unknown) => this.report(error));
    }

    // ---- the server's side ----

    /** Fetches the page whole: when differences cannot be told any more. */
    async reload(): Promise<void> {
        let state = await api.page(this.view.id);
        // A change may have been answered while this was on its way: what is older than what is shown is fetched again.
        // If it stays older, the server's page was put back.
        for (let tries = 0; state.revision < this.view.revision && tries < RELOADS; tries++)
            state = await api.page(this.view.id);
        this.tiles.replaceNames(state.tiles);
        this.stale.length = 0;
        this.store.setState(opened(state));
    }

    private send(entry: OutboxEntry) {
        const asking = { id: entry.id, base: this.view.revision, lease: this.lease.token };
        switch (entry.change.kind) {
            case 'op':
                return api.apply(entry.page, asking, entry.change.op);
            case 'undo':
                return api.undo(entry.page, asking);
            case 'redo':
                return api.redo(entry.page, asking);
        }
    }

    private accept(
        applied: Pick<AppliedState, 'revision' | 'tiles' | 'records'>,
        journal: PageView['journal'] | null,
    ): void {
        // The feed may have told of it before the answer came.
        const isNews = applied.revision > this.view.revision;
        if (isNews) {
            for (const [layer, column, row, hash] of applied.tiles) {
                this.tiles.rename(layer, column, row, hash);
                this.stale.push([layer, column, row]);
            }
        }
        // Nor is it news where a change that still waits has gone further already.
        const waiting = new Set(
            this.outbox.waiting.flatMap(({ change }) => (change.kind === 'op' ? touchedBy(change.op) : [])),
        );
        const told =
            applied.revision < this.view.revision
                ? []
                : applied.records.filter(([kind, key]) => !waiting.has(`${kind} ${key}`));
        const records = told.length > 0 ? withRecords(this.view.records, told) : this.view.records;
        this.update({
            revision: Math.max(applied.revision, this.view.revision),
            journal: journal ?? this.view.journal,
            records,
        });
        this.refreshStale();
    }

    private async news(feed: FeedState): Promise<void> {
        if (!this.lease.held) this.lease.set(false, feed.holder?.name ?? null);
        if (feed.reset) return this.reload();
        if (feed.paletteState !== null) {
            // What became another's, or somebody else's, is so on the page as well.
            if (!isSameStanding(this.view.palette, feed.paletteState)) return this.reload();
            this.update({ palette: feed.paletteState });
        }
        if (feed.revision !== this.view.revision) this.accept(feed, feed.journal);
    }

    private async refused(entry: OutboxEntry, message: string): Promise<void> {
        this.say(`${titleOf(entry)} was not done. ${message}`);
        // What was shown of it is taken back: the server's page is the true one.
        await this.reload().catch(() => undefined);
        this.tiles.dropLocal();
    }

    /** Strokes still waiting were drawn onto these tiles; they stay as they look until the last one is in. */
    private refreshStale(): void {
        if (this.outbox.waiting.some(({ change }) => change.kind === 'op' && kindOf(change.op).isDrawn)) return;
        for (const [layer, column, row] of this.stale.splice(0)) this.tiles.forget(layer, column, row);
    }

    private async taskFinished(task: TaskState): Promise<void> {
        if (task.state === 'failed' && task.question === null) this.say(task.message);
        if (task.state === 'done' && task.kind !== 'deliver') {
            // What the person should know of it.
            if (task.message !== 'Done') this.say(task.message);
            this.tasks.dismiss();
            await this.feed.catchUp().catch((error: unknown) => this.report(error));
        }
    }

    private leaseChanged(): void {
        this.store.setState({ held: this.lease.held, holder: this.lease.holder });
        if (this.lease.held) this.outbox.retry();
    }

    private outboxChanged(): void {
        this.store.setState({ saving: this.outbox.saving, unsent: this.outbox.waiting.length });
        if (this.outbox.saving === 'saved') this.refreshStale();
    }

    private show(records: Partial<RecordsState>): void {
        if (Object.keys(records).length > 0) this.update({ records: { ...this.view.records, ...records } });
    }

    /** Changes what is known of the page; what is laid for display follows. */
    update(change: Partial<PageView>): void {
        const next = { ...this.view, ...change };
        const isSame = next.records === this.view.records && next.palette === this.view.palette;
        this.store.setState(isSame ? change : { ...change, stack: buildStack(next.records, next.palette) });
    }
}

const touchedBy = (op: Op): string[] => kindOf(op).touches(op);

function titleOf({ change }: OutboxEntry): string {
    return change.kind === 'op' ? kindOf(change.op).title : change.kind === 'undo' ? 'The undo' : 'The redo';
}
