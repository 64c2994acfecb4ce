/**
 * Changes to a series, sent one after the other. One that gets no answer is sent again under the same id, so that it
 * is made once.
 */
import { api } from '../api/client';
import type { PaletteState } from '../api/generated';
import { Failure } from '../api/http';
import { randomId } from './ids';
import type { SeriesAnswer, SeriesOpInput, SeriesOpKind, SeriesOps } from '../api/seriesOps';

/** Milliseconds to wait before each further attempt. */
const WAITS = [500, 1500, 4000];

export class SeriesOutbox {
    private last: Promise<unknown> = Promise.resolve();

    constructor(
        private readonly series: number,
        private readonly waits: readonly number[] = WAITS,
    ) {}

    /**
     * @param page the one that shows the answer: it may have a light and a variant of its own
     * @return what came of it; rejected with what the server said where it was refused
     */
    apply<Kind extends SeriesOpKind>(
        kind: Kind,
        input: SeriesOpInput<Kind>,
        page?: number,
    ): Promise<SeriesAnswer<SeriesOps[Kind]['shown']>> {
        return this.send((id) => api.applyToSeries(this.series, kind, input, id, page));
    }

    undo(): Promise<SeriesAnswer<PaletteState>> {
        return this.send((id) => api.undoInSeries(this.series, id));
    }

    redo(): Promise<SeriesAnswer<PaletteState>> {
        return this.send((id) => api.redoInSeries(this.series, id));
    }

    private send<Answer>(ask: (id: string) => Promise<Answer>): Promise<Answer> {
        const id = randomId(20);
        const answer = this.last.then(() => this.tried(() => ask(id)));
        this.last = answer.catch(() => undefined);
        return answer;
    }

    private async tried<Answer>(ask: () => Promise<Answer>): Promise<Answer> {
        for (const wait of this.waits) {
            try {
                return await ask();
            } catch (error) {
                if (!(error instanceof Failure) || !error.passes) throw error;
                await new Promise((done) => setTimeout(done, wait));
            }
        }
        return ask();
    }
}

const outboxes = new Map<number, SeriesOutbox>();

/** The one of this window for a series. */
export function seriesOutbox(series: number): SeriesOutbox {
    const outbox = outboxes.get(series) ?? new SeriesOutbox(series);
    outboxes.set(series, outbox);
    return outbox;
}
