/** The brushes of the series, as a page shows them. */
import { api, type OwnBrush } from '../api/client';
import type { BoxedBrush } from '../api/generated';
import { randomId } from './ids';
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
        const brushes = await this.session.answer(api.keepBrush(this.series, name, brush, randomId(20)));
        if (brushes !== null) this.session.store.setState({ brushes });
        return brushes?.[brushes.length - 1] ?? null;
    }

    async delete(id: number): Promise<void> {
        const brushes = await this.session.answer(api.deleteBrush(this.series, id, randomId(20)));
        if (brushes !== null) this.session.store.setState({ brushes });
    }
}
