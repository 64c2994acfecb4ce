/** The bench in the Flats stage: cues, bridges in doubt, what shapes do, what is veiled. */
import { api } from '../../api/client';
import type { FindingsData, MaterialState, ShapeInput, ShapeUse } from '../../api/generated';
import { fillRegions } from '../../page/ops/flats/fillRegions';
import { filledWith } from '../../page/ops/shown';
import { shapeRegions } from '../../page/ops/flats/shapeRegions';
import { unfilled } from '../../page/records';
import type { Spot } from './lines';
import type { BenchModel } from './model';

/** A dab of a material, and how much of it lies in each region. */
export interface Cue {
    path: Spot[];
    material: MaterialState;
    lengths: Record<number, number>;
}

/** Nothing, the picked figure or the picked material stays clear. */
export const VEILS = ['none', 'figure', 'material'] as const;
export type Veil = (typeof VEILS)[number];

export interface FlatsView {
    /** Rough dabs of materials, not spread yet. */
    cues: Cue[];
    /** What they were found to mean: material by region; null: not asked yet. */
    meant: Record<string, number> | null;
    /** The doubtful bridge that is looked at. */
    bridge: string | null;
    bridges: boolean;
    /** The unfilled region that was shown last. */
    open: string | null;
    /** The longest gap that would be bridged without asking, while it is being set; px. */
    bridgeLimit: number | null;
    /** What is odd about the flats; null: not looked for yet. */
    findings: FindingsData[] | null;
    /** What stays clear of a veil over all else. */
    veil: Veil;
}

export const flatsAtFirst = (): FlatsView => ({
    cues: [],
    meant: null,
    bridge: null,
    bridges: false,
    open: null,
    bridgeLimit: null,
    findings: null,
    veil: 'none',
});

/** What another stage begins without. */
export const flatsLeft: Partial<FlatsView> = {
    cues: [],
    meant: null,
};

export class FlatsModel {
    constructor(private readonly bench: BenchModel) {}

    /** What was drawn becomes flats: with the picked material, or none of it any more. */
    shape(use: ShapeUse, shape: Pick<ShapeInput, 'outline' | 'pen'>): void {
        this.bench.session.apply(
            shapeRegions({ use, ...shape, into: null, ...filledWith(this.bench.target?.material ?? null) }),
        );
    }

    /** The corners that were set are the shape. */
    endCorners(): void {
        const { draft, shapeUse } = this.bench.view;
        this.bench.set({ draft: [] });
        if (draft.length > 2) this.shape(shapeUse, { outline: draft.map(({ x, y }) => [x, y]), pen: null });
    }

    /** Regions of the target's material: the picked ones, or all on the page. */
    shiftable(): number[] {
        const material = this.bench.target?.material.id;
        const { region } = this.bench.session.view.records;
        const labels =
            this.bench.view.pickedRegions.length > 0 ? this.bench.view.pickedRegions : Object.keys(region).map(Number);
        return labels.filter((label) => region[label]?.material === material && !region[label].locked);
    }

    /** Asks what the cues mean for all regions, to look at before it is done. */
    async spreadCues(): Promise<void> {
        const dabs = this.bench.view.cues.flatMap(({ material, lengths }) =>
            Object.entries(lengths).map(([label, length]): [number, number, number] => [
                Number(label),
                material.id,
                length,
            ]),
        );
        this.bench.set({ meant: await this.bench.session.answer(api.spreadCues(this.bench.session.view.id, dabs)) });
    }

    /** Asks what unfilled regions may be, by the page before, to look at before it is done. */
    async suggestAsBefore(): Promise<void> {
        const meant = await this.bench.session.answer(api.asBefore(this.bench.session.view.id));
        if (meant !== null && Object.keys(meant).length === 0)
            this.bench.session.say('No unfilled region matches one on the page before.');
        else this.bench.set({ meant });
    }

    /** Fills as the cues were found to mean; only with one figure's materials, if one is named. */
    takeCues(figure: number | null): void {
        const { meant } = this.bench.view;
        const left: Record<string, number> = {};
        for (const material of this.bench.session.view.palette.figures.flatMap(({ materials }) => materials)) {
            const labels = Object.keys(meant ?? {}).filter((label) => meant?.[label] === material.id);
            if (figure === null || material.figure === figure) {
                if (labels.length > 0)
                    this.bench.session.apply(fillRegions({ labels: labels.map(Number), ...filledWith(material) }));
            } else labels.forEach((label) => (left[label] = material.id));
        }
        const isLeft = Object.keys(left).length > 0;
        this.bench.set({ meant: isLeft ? left : null, cues: isLeft ? this.bench.view.cues : [] });
    }

    /** Shows the next gap of which it is not sure whether it is one. */
    nextDoubtful(): void {
        const { bridge } = this.bench.session.view.records;
        const doubtful = Object.keys(bridge).filter((number) => bridge[number].kind === 'doubtful');
        const next = doubtful.find((number) => Number(number) > Number(this.bench.view.bridge ?? 0)) ?? doubtful[0];
        this.bench.set({ bridge: next ?? null, bridges: true });
        if (next === undefined) return this.bench.session.say('No gap is in doubt any more.');
        const { x1, y1, x2, y2 } = bridge[next];
        this.bench.surface?.goTo((x1 + x2) / 2, (y1 + y2) / 2);
    }

    /** Shows the largest region that has no material yet; asked again, the next smaller one, as near as it needs. */
    nextUnfilled(): void {
        const open = unfilled(this.bench.session.view.records).sort(
            ([a, one], [b, other]) => other.area - one.area || Number(a) - Number(b),
        );
        if (open.length === 0) return this.bench.session.say('Every region is filled.');
        const [label, { x, y, area }] =
            open[(open.findIndex(([one]) => one === this.bench.view.open) + 1) % open.length];
        this.bench.set({ open: label });
        this.bench.surface?.goTo(x, y, Math.sqrt(area));
    }
}
