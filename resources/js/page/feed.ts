/**
 * What changed on the page: a window that watches waits at the server for it, one that holds the page only looks now
 * and then.
 */
import { api } from '../api/client';
import type { FeedState } from '../api/generated';

const HOLDER_LOOKS = 1_000;
const AFTER_TROUBLE = 2_000;

export interface FeedPort {
    /** What the window has. */
    known(): { revision: number; palette: number };
    /** Whether this window holds the page. */
    holds(): boolean;
    /** Whether answers to its own changes are on their way: then these tell it. */
    busy(): boolean;
    news(feed: FeedState): Promise<void> | void;
}

export class Feed {
    private ended = false;
    private wake: (() => void) | null = null;

    constructor(
        private readonly page: number,
        private readonly port: FeedPort,
    ) {}

    async start(): Promise<void> {
        while (!this.ended) await this.sleep(await this.look());
    }

    /** Fetches the differences now. */
    async catchUp(): Promise<void> {
        let feed: FeedState | null = null;
        while (feed === null && !this.ended) feed = await this.ask(false);
        if (feed !== null) await this.port.news(feed);
    }

    /** @return what differs from what the window has; null when it had got something else by the time of the answer */
    private async ask(waits: boolean): Promise<FeedState | null> {
        const { revision, palette } = this.port.known();
        const feed = await api.feed(this.page, revision, palette, waits);
        const now = this.port.known();
        return now.revision === revision && now.palette === palette ? feed : null;
    }

    end(): void {
        this.ended = true;
        this.wake?.();
    }

    /** @return milliseconds until the next look */
    private async look(): Promise<number> {
        if (this.port.busy()) return HOLDER_LOOKS;
        const waits = !this.port.holds();
        try {
            const feed = await this.ask(waits);
            if (this.ended) return 0;
            if (feed !== null && !this.port.busy()) await this.port.news(feed);
            return waits && feed !== null ? feed.again : HOLDER_LOOKS;
        } catch {
            return AFTER_TROUBLE;
        }
    }

    private sleep(milliseconds: number): Promise<void> {
        return new Promise((done) => {
            const timer = window.setTimeout(done, milliseconds);
            this.wake = () => {
                window.clearTimeout(timer);
                done();
            };
        });
    }
}
