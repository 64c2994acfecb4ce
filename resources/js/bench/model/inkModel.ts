/** The bench in the Ink stage: drawings that are tried, lines that are drawn and picked. */
import type {
    BrushData,
    CleanData,
    DrawingData,
    DrawnData,
    InkPointData,
    InkStrokeData,
    PlacementData,
} from '../../api/generated';
import { addLines } from '../../page/commands/lines';
import { drawInk } from '../../page/ops/ink/drawInk';
import { mirrored, type Spot } from './lines';
import type { BenchModel } from './model';
import { lineOf } from './shapes';

/** How a drawing is cleaned and where it lies, before the server has done it. */
export interface Trial {
    clean: CleanData;
    place: PlacementData;
}

export interface InkView {
    /** Px of a line that is inked at full pressure. */
    weight: number;
    /** Part of a line over which it runs out to a point, at each end. */
    taper: number;
    /** How much the paper's tooth breaks lines up, 0..1. */
    grain: number;
    /** Px between the lines of a square grid; 0: none. Straight lines and shapes may keep to it. */
    grid: number;
    isSnapping: boolean;
    /** The places set so far for what is drawn corner by corner. */
    draft: Spot[];
    /** Lines that are picked, by id. */
    pickedLines: string[];
    /** Changes to lines that are shown before they are made; null: none are asked for. */
    proposed: DrawnData[] | null;
    /** Whether a picked line is pulled into shape instead of moved. */
    isReshaping: boolean;
    /** The drawing whose settings are shown. */
    drawing: string | null;
    /** Settings of that drawing that are being tried. */
    trial: Trial | null;
    /** How much of the page, from the left, shows the original instead of what it was cleaned to. */
    compare: number;
}

export const inkAtFirst = (): InkView => ({
    weight: 7,
    taper: 0.15,
    grain: 0,
    grid: 0,
    isSnapping: true,
    draft: [],
    pickedLines: [],
    proposed: null,
    isReshaping: false,
    drawing: null,
    trial: null,
    compare: 0,
});

/** What another stage begins without. */
export const inkLeft: Partial<InkView> = {
    draft: [],
    pickedLines: [],
    proposed: null,
    trial: null,
    compare: 0,
};

export class InkModel {
    constructor(private readonly bench: BenchModel) {}

    /** The drawing whose settings are shown: the picked one, or the first there is. */
    get drawing(): [string, DrawingData] | null {
        const { drawing } = this.bench.session.view.records;
        const id =
            this.bench.view.drawing !== null && drawing[this.bench.view.drawing] !== undefined
                ? this.bench.view.drawing
                : Object.keys(drawing)[0];
        return id === undefined ? null : [id, drawing[id]];
    }

    /** Changes some of the settings that are tried. */
    try(change: { clean?: Partial<CleanData>; place?: Partial<PlacementData> }): void {
        const drawing = this.drawing;
        if (drawing === null) return;
        const [id, { clean, place }] = drawing;
        const now = this.bench.view.trial ?? { clean, place };
        this.bench.set({
            drawing: id,
            trial: { clean: { ...now.clean, ...change.clean }, place: { ...now.place, ...change.place } },
        });
    }

    /** The brush that inks a line. */
    get nib(): BrushData {
        return { size: this.bench.view.weight, hardness: 1, opacity: 1, smoothing: this.bench.view.steady };
    }

    /** The grid's corner that is nearest to a place, where it is kept to. */
    snapped({ x, y }: Spot): Spot {
        const { grid, isSnapping } = this.bench.view;
        return grid > 0 && isSnapping ? { x: Math.round(x / grid) * grid, y: Math.round(y / grid) * grid } : { x, y };
    }

    /** Inks a line of places, and its twin where the mirror is on. */
    inkLine(points: InkPointData[] | null): void {
        if (points === null) return;
        const { weight, taper, grain, axis } = this.bench.view;
        const line: InkStrokeData = { points, weight, taper, steady: 0, grain };
        addLines(this.bench.session, axis === null ? [line] : [line, mirrored(line, axis)]);
    }

    /** The shape through the places that were set is inked; closed, it ends where it began. */
    endDraft(isClosed: boolean): void {
        const { draft, shape } = this.bench.view;
        this.bench.set({ draft: [] });
        this.inkLine(lineOf(shape, isClosed ? [...draft, draft[0]] : draft));
    }

    /** The picked lines that are still there. */
    get pickedLines(): [string, InkStrokeData][] {
        const { stroke } = this.bench.session.view.records;
        return this.bench.view.pickedLines.filter((id) => stroke[id] !== undefined).map((id) => [id, stroke[id]]);
    }

    /** Takes the picked lines away. */
    removePicked(): void {
        const picked = this.pickedLines;
        if (this.bench.view.stage !== 'ink' || picked.length === 0) return;
        this.bench.session.apply(drawInk({ strokes: picked.map(([id]) => ({ id, stroke: null })) }));
        this.bench.set({ pickedLines: [] });
    }
}
