/** Holding a page: a heartbeat that keeps it, and says who has it otherwise. */
import { api } from '../api/client';
import { randomId } from './ids';

const HEARTBEAT = 12_000;

export class Lease {
    readonly token = randomId(20);
    held = false;
    holder: string | null = null;
    private timer = 0;

    constructor(
        private readonly page: number,
        private readonly changed: () => void,
    ) {}

    start(): void {
        void this.beat();
        this.timer = window.setInterval(() => void this.beat(), HEARTBEAT);
    }

    async beat(): Promise<void> {
        try {
            const answer = await api.lease(this.page, this.token);
            this.set(answer.held, answer.holder);
        } catch {
            // Counts as no sign of life; the next beat tries again.
        }
    }

    /** Told by the server in another answer. */
    set(held: boolean, holder: string | null): void {
        if (held === this.held && holder === this.holder) return;
        this.held = held;
        this.holder = holder;
        this.changed();
    }

    end(): void {
        window.clearInterval(this.timer);
        if (this.held) api.giveBack(this.page, this.token);
        this.held = false;
    }
}
