/** Changes to the series' palette that are made from a page; each answer is the palette as this page shows it. */
import type { LightPlanData, LightState, MaterialState, PaletteState, Tone } from '../api/generated';
import { Failure } from '../api/http';
import type { SeriesAnswer, SeriesOpInput, SeriesOpKind, SeriesOps } from '../api/seriesOps';
import { seriesOutbox } from './seriesOutbox';
import { fillRegions } from './ops/flats/fillRegions';
import { filledWith } from './ops/shown';
import type { PageSession } from './session';

export type LightChange = Omit<SeriesOpInput<'light.change'>, 'light' | 'version'>;

/** Those that are answered by the palette. */
type PaletteOpKind = {
    [Kind in SeriesOpKind]: SeriesOps[Kind]['shown'] extends PaletteState ? Kind : never;
}[SeriesOpKind];

export class PagePalette {
    constructor(private readonly session: PageSession) {}

    private get now(): PaletteState {
        return this.session.view.palette;
    }

    private get series(): number {
        return this.session.view.series.id;
    }

    private get page(): number {
        return this.session.view.id;
    }

    async pin(material: MaterialState, tone: Tone, colour: string | null): Promise<void> {
        if (colour !== null) this.show({ ...material, tones: { ...material.tones, [tone]: colour } });
        try {
            const input = { material: material.id, version: material.version, tones: { [tone]: colour } };
            const { shown } = await seriesOutbox(this.series).apply('tones.pin', input, this.page);
            this.session.update({ palette: shown });
        } catch (error) {
            const theirs = error instanceof Failure ? (error.details.theirs as MaterialState | undefined) : undefined;
            this.show(theirs ?? material);
            this.session.report(error);
        }
    }

    /** Shows a material as it will be. */
    show(material: MaterialState, version = this.now.version): void {
        const figures = this.now.figures.map((figure) => ({
            ...figure,
            materials: figure.materials.map((other) => (other.id === material.id ? material : other)),
        }));
        this.session.update({ palette: { ...this.now, version, figures } });
    }

    /** A new material of a figure, in a colour that was taken over. */
    async addMaterial(figure: number, name: string, base: string): Promise<MaterialState | null> {
        const made = await this.apply('material.add', { figure, name, base });
        const materials = made?.shown.figures.flatMap((one) => one.materials) ?? [];
        return materials.find(({ id }) => id === made?.added) ?? null;
    }

    /** Another name for a figure, another place in the depth of all pages, or a soft outer edge. */
    async changeFigure(figure: number, change: Omit<SeriesOpInput<'figure.change'>, 'figure'>): Promise<void> {
        await this.apply('figure.change', { figure, ...change });
    }

    /**
     * Gives regions to a figure, each with its material, which the figure gets where it has none of that name.
     *
     * @param figure null: a new one of this name
     */
    async giveTo(labels: number[], figure: number | null, name: string): Promise<void> {
        const { records } = this.session.view;
        const used = [...new Set(labels.map((label) => records.region[label]?.material ?? 0))].filter(
            (material) => material > 0,
        );
        const names = new Map(
            this.now.figures.flatMap(({ materials }) => materials.map((one) => [one.id, one.name] as const)),
        );
        const taker = figure ?? (await this.apply('figure.add', { name }))?.added ?? null;
        if (taker === null) return;
        if ((await this.apply('material.copy', { figure: taker, materials: used })) === null) return;
        const own = this.now.figures.find(({ id }) => id === taker)?.materials ?? [];
        for (const material of used) {
            const copy = own.find((one) => one.name === names.get(material));
            const of = labels.filter((label) => this.session.view.records.region[label]?.material === material);
            if (copy !== undefined) this.session.apply(fillRegions({ labels: of, ...filledWith(copy) }));
        }
    }

    /** Under which light plan the page stands. */
    async pickLight(light: number | null): Promise<void> {
        await this.apply('page.light', { of: this.page, light });
    }

    /** Keeps a light plan with the series; the page stands under it from then on. */
    async keepLight(name: string, plan: LightPlanData): Promise<void> {
        const kept = await this.apply('light.add', { name, plan });
        if (kept !== null && kept.added !== null) await this.pickLight(kept.added);
    }

    async changeLight({ id, version }: LightState, change: LightChange): Promise<void> {
        await this.apply('light.change', { light: id, version, ...change });
    }

    /** @return what came of it; null when the server said no, which is said already */
    private async apply<Kind extends PaletteOpKind>(
        kind: Kind,
        input: SeriesOpInput<Kind>,
    ): Promise<SeriesAnswer<PaletteState> | null> {
        const answer = await this.session.answer(seriesOutbox(this.series).apply(kind, input, this.page));
        if (answer !== null) this.session.update({ palette: answer.shown });
        return answer;
    }
}
