/** The brushes of the series, as a page shows them. */
import { api } from '../api/client';
import type { BoxedBrush } from '../api/generated';
import type { OwnBrush } from '../api/seriesOps';
import { seriesOutbox } from './seriesOutbox';
import type { PageSession } from './session';

export class BrushBox {
    constructor(private readonly session: PageSession) {}

    private get series(): number {
        return this.session.view.series.id;
    }

    /** A picture as a brush tip. */
    async tipOf(picture: File): Promise<string | null> {
        return (await this.session.answer(api.tipOf(this.series, picture)))?.picture ?? null;
    }

    /** Keeps a brush with the series; gives it back as it is kept. */
    async keep(name: string, brush: OwnBrush): Promise<BoxedBrush | null> {
        const kept = await this.session.answer(seriesOutbox(this.series).apply('brush.keep', { name, brush }));
        if (kept !== null) this.session.store.setState({ brushes: kept.shown });
        return kept?.shown.find((one) => one.id === kept.added) ?? null;
    }

    async delete(id: number): Promise<void> {
        const left = await this.session.answer(seriesOutbox(this.series).apply('brush.retire', { brush: id }));
        if (left !== null) this.session.store.setState({ brushes: left.shown });
    }
}
