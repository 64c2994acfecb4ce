/** Changes to the series' palette that are made from a page; each answer is the palette as this page shows it. */
import { api, type FigureChange, type LightChange } from '../api/client';
import type { LightPlanData, LightState, MaterialState, PaletteState, Tone } from '../api/generated';
import { Failure } from '../api/http';
import { randomId } from './ids';
import { fillRegions } from './ops/flats/fillRegions';
import { filledWith } from './ops/shown';
import type { PageSession } from './session';

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
            const answer = await api.pin(
                this.series,
                material.id,
                material.version,
                { [tone]: colour },
                randomId(20),
                this.page,
            );
            this.show(answer.material, answer.version);
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
        const made = await this.session.answer(
            api.addMaterial(this.series, figure, name, base, randomId(20), this.page),
        );
        if (made === null) return null;
        this.session.update({ palette: made.palette });
        return made.palette.figures.flatMap(({ materials }) => materials).find(({ id }) => id === made.id) ?? null;
    }

    /** Another name for a figure, another place in the depth of all pages, or a soft outer edge. */
    async changeFigure(figure: number, change: FigureChange): Promise<void> {
        await this.take(api.changeFigure(this.series, figure, change, randomId(20), this.page));
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
        const taker = figure ?? (await this.session.answer(api.addFigure(this.series, name, randomId(20))))?.id;
        if (
            taker === undefined ||
            !(await this.take(api.copyMaterials(this.series, taker, used, randomId(20), this.page)))
        )
            return;
        const own = this.now.figures.find(({ id }) => id === taker)?.materials ?? [];
        for (const material of used) {
            const copy = own.find((one) => one.name === names.get(material));
            const of = labels.filter((label) => this.session.view.records.region[label]?.material === material);
            if (copy !== undefined) this.session.apply(fillRegions({ labels: of, ...filledWith(copy) }));
        }
    }

    /** Under which light plan the page stands. */
    async pickLight(light: number | null): Promise<void> {
        await this.take(api.pickLight(this.series, this.page, light));
    }

    /** Keeps a light plan with the series; the page stands under it from then on. */
    async keepLight(name: string, plan: LightPlanData): Promise<void> {
        const known = new Set(this.now.lights.map(({ id }) => id));
        await this.take(api.keepLight(this.series, this.page, name, plan, randomId(20)));
        const made = this.now.lights.find(({ id, name: named }) => named === name && !known.has(id));
        if (made !== undefined) await this.pickLight(made.id);
    }

    async changeLight(light: LightState, change: LightChange): Promise<void> {
        await this.take(api.changeLight(this.series, this.page, light, change, randomId(20)));
    }

    /** @return whether the server answered with a palette */
    private async take(asked: Promise<PaletteState>): Promise<boolean> {
        const palette = await this.session.answer(asked);
        if (palette !== null) this.session.update({ palette });
        return palette !== null;
    }
}
