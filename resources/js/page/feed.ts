/** What changed on the page: a window that watches waits at the server for it, one that holds the page only looks now and then. */
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
        const { revision, palette } = this.port.known();
        await this.port.news(await api.feed(this.page, revision, palette, false));
    }

    end(): void {
        this.ended = true;
        this.wake?.();
    }

    /** @return milliseconds until the next look */
    private async look(): Promise<number> {
        if (this.port.busy()) return HOLDER_LOOKS;
        const waits = !this.port.holds();
        const { revision, palette } = this.port.known();
        try {
            const feed = await api.feed(this.page, revision, palette, waits);
            if (this.ended) return 0;
            if (!this.port.busy()) await this.port.news(feed);
            return waits ? feed.again : HOLDER_LOOKS;
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
