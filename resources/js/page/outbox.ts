/**
 * Changes on their way to the server. Each is written down before it is sent, sent one after the other, and forgotten
 * only when the server has answered that it is done, or refused for what it is. Whatever else happens, it waits.
 */
import type { Applied } from '../api/client';
import { Failure } from '../api/http';
import { randomId } from './ids';
import type { Change, OutboxEntry, OutboxStorage } from './outboxStorage';

export type Saving =
    /** The server has everything. */
    | 'saved'
    | 'sending'
    /** The server is lost or in trouble; changes wait here. */
    | 'offline'
    /** The server answers, and fails at the first of them again and again. */
    | 'failing'
    /** Somebody must sign in again before changes can go on. */
    | 'signed-out'
    /** Another window holds the page; changes wait here. */
    | 'not-held';

export interface OutboxPort {
    send(entry: OutboxEntry): Promise<Applied>;
    applied(entry: OutboxEntry, applied: Applied): void;
    /** The server will never do this; the message says why. What was shown of it must be taken back. */
    refused(entry: OutboxEntry, message: string): void;
    /** Fetches what the page has moved on by. */
    catchUp(): Promise<void>;
    /** The page is held by somebody else. */
    lost(): void;
    changed(): void;
}

const RETRY_FIRST = 500;
const RETRY_MOST = 8_000;
/** So many faults of the server's own in a row are no passing trouble. */
const FAULTS_MOST = 4;

export class Outbox {
    saving: Saving = 'saved';
    private readonly queue: OutboxEntry[] = [];
    /** What is being written down just now. */
    private readonly writing = new Map<string, Promise<void>>();
    private busy = false;
    private ended = false;
    private wait = RETRY_FIRST;
    private made = 0;
    private faults = 0;
    private wake: (() => void) | null = null;

    constructor(
        private readonly page: number,
        private readonly user: number,
        private readonly storage: OutboxStorage,
        private readonly port: OutboxPort,
    ) {}

    get waiting(): readonly OutboxEntry[] {
        return this.queue;
    }

    /** Takes up what an earlier window left behind; what another window is still sending is that window's. */
    async resume(): Promise<number> {
        if (!(await this.storage.claim(this.page, this.user))) return 0;
        const left = await this.storage.load(this.page, this.user).catch(() => []);
        this.queue.unshift(...left);
        if (left.length > 0) this.go();
        return left.length;
    }

    add(change: Change): OutboxEntry {
        this.made = Math.max(Date.now(), this.made + 1);
        const entry = { id: randomId(20), page: this.page, user: this.user, made: this.made, change };
        this.queue.push(entry);
        this.writing.set(
            entry.id,
            this.storage.add(entry).catch(() => undefined),
        );
        this.go();
        return entry;
    }

    /** Tries again now: somebody signed in, the page is held again, the network is back. */
    retry(): void {
        if (this.queue.length === 0) return;
        this.wait = RETRY_FIRST;
        this.wake?.();
        this.go();
    }

    /** Forgets the change the server fails at, so that those behind it can go on. */
    async giveUp(): Promise<void> {
        const entry = this.queue[0];
        if (this.saving !== 'failing' || entry === undefined) return;
        await this.done(entry);
        this.port.refused(entry, 'You discarded this change, since the server failed at it.');
        this.retry();
        if (this.queue.length === 0) this.set('saved');
    }

    end(): void {
        this.ended = true;
        this.wake?.();
    }

    private go(): void {
        if (this.saving === 'saved') this.set('sending');
        else this.port.changed();
        void this.drain();
    }

    private set(saving: Saving): void {
        this.saving = saving;
        this.port.changed();
    }

    private async drain(): Promise<void> {
        if (this.busy || this.ended) return;
        this.busy = true;
        while (this.queue.length > 0 && !this.ended) {
            const entry = this.queue[0];
            await this.writing.get(entry.id);
            try {
                const applied = await this.port.send(entry);
                await this.done(entry);
                this.port.applied(entry, applied);
                this.wait = RETRY_FIRST;
                this.set('sending');
            } catch (error) {
                if (!(await this.recovers(entry, error))) break;
            }
        }
        this.busy = false;
        if (this.queue.length === 0) this.set('saved');
    }

    private async done(entry: OutboxEntry): Promise<void> {
        const at = this.queue.indexOf(entry);
        if (at >= 0) this.queue.splice(at, 1);
        this.faults = 0;
        this.writing.delete(entry.id);
        await this.storage.remove(entry.id).catch(() => undefined);
    }

    /** @return whether to go on at once; otherwise something else must happen first, and calls retry */
    private async recovers(entry: OutboxEntry, error: unknown): Promise<boolean> {
        if (!(error instanceof Failure) || error.passes) {
            this.faults = error instanceof Failure && error.status === 500 ? this.faults + 1 : 0;
            this.set(this.faults >= FAULTS_MOST ? 'failing' : 'offline');
            await this.pause();
            return true;
        }
        if (error.kind === 'signed-out') {
            this.set('signed-out');
            return false;
        }
        if (error.kind === 'conflict') return this.settles(entry, error);
        await this.done(entry);
        this.port.refused(entry, error.message);
        return true;
    }

    private async settles(entry: OutboxEntry, error: Failure): Promise<boolean> {
        if (error.details.reason === 'lease') {
            this.set('not-held');
            this.port.lost();
            return false;
        }
        if (entry.change.kind !== 'op') {
            // Undo means the last step that was there to see; on a page that has moved on it would take back another's.
            await this.done(entry);
            this.port.refused(entry, 'The page has moved on since. Look again, then undo.');
            return true;
        }
        try {
            await this.port.catchUp();
        } catch {
            this.set('offline');
            await this.pause();
        }
        return true;
    }

    private async pause(): Promise<void> {
        await new Promise<void>((done) => {
            const timer = setTimeout(done, this.wait);
            this.wake = () => {
                clearTimeout(timer);
                done();
            };
        });
        this.wake = null;
        this.wait = Math.min(RETRY_MOST, this.wait * 2);
    }
}
