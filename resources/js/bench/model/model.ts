/**
 * The bench as one works at it: stage, tool, target, brush and view. Tools and keys change it; panels show parts of it.
 */
import { createStore, type StoreApi } from 'zustand/vanilla';
import {
    TONES,
    type AxisData,
    type BoxedBrush,
    type BrushData,
    type TipData,
    type CleanData,
    type DrawingData,
    type DrawnData,
    type FindingsData,
    type InkPointData,
    type InkStrokeData,
    type MaterialState,
    type MovePaintInput,
    type PlacementData,
    type RampForm,
    type RegionData,
    type ShapeInput,
    type ShapeUse,
    type Tone,
} from '../../api/generated';
import { unfilled } from '../../page/records';
import type { PageSession } from '../../page/session';
import { sizeOf } from '../../page/store';
import { passFor, refreshed, type Target } from '../../page/target';
import type { Look } from '../../picture/compose';
import type { TriedLight } from '../../picture/tried';
import { remember, remembered, wayOf, type Carried } from './carried';
import { LightTrial } from './lightTrial';
import { HEAVIEST_LINE, LARGEST_BRUSH } from './limits';
import { mirrored, turnedSpots, type Spot } from './lines';
import { lineOf, type Shape } from './shapes';
import { stageOf, type StageId } from '../stages/stage';
import type { ToolId } from '../tools/tool';
import { addLines } from '../../page/commands/lines';
import { fillRegions } from '../../page/ops/flats/fillRegions';
import { shapeRegions } from '../../page/ops/flats/shapeRegions';
import { drawInk } from '../../page/ops/ink/drawInk';
import { movePaint } from '../../page/ops/paint/movePaint';
import { placePaint } from '../../page/ops/paint/placePaint';
import { softenPass } from '../../page/ops/paint/softenPass';
import { filledWith } from '../../page/ops/shown';
import { api } from '../../api/client';

interface Under {
    x: number;
    y: number;
    label: number;
}

/** A dab of a material, and how much of it lies in each region. */
export interface Cue {
    path: Spot[];
    material: MaterialState;
    lengths: Record<number, number>;
}

/** How a drawing is cleaned and where it lies, before the server has done it. */
export interface Trial {
    clean: CleanData;
    place: PlacementData;
}

/**
 * A freehand outline, corners that are clicked, a broad pen, or one that pushes the border of the region it begins in.
 */
export const BLOCK_WITH = ['loop', 'corners', 'pen', 'push'] as const;
export type BlockWith = (typeof BLOCK_WITH)[number];

export const AREA_WITH = ['loop', 'corners'] as const;
export type AreaWith = (typeof AREA_WITH)[number];

/** Instead of a picture's id: the picked material in the light. */
export const COMPUTED = 0;

/** Nothing, the picked figure or the picked material stays clear. */
export const VEILS = ['none', 'figure', 'material'] as const;
export type Veil = (typeof VEILS)[number];

export interface BenchView {
    stage: StageId;
    tool: ToolId;
    target: Target | null;
    size: number;
    /** The most that one stroke lays. */
    opacity: number;
    /** How much each place of a tip lays, so that the stroke builds up; null: as the brush has it. */
    flow: number | null;
    steady: number;
    grey: boolean;
    bridges: boolean;
    overlays: boolean;
    /** Px of a line that is inked at full pressure. */
    weight: number;
    /** Part of a line over which it runs out to a point, at each end. */
    taper: number;
    /** How much the paper's tooth breaks lines up, 0..1. */
    grain: number;
    /** Where lines are mirrored: a place of the page and the axis's direction in radians. */
    axis: AxisData | null;
    /** Px between the lines of a square grid; 0: none. Straight lines and shapes may keep to it. */
    grid: number;
    isSnapping: boolean;
    /** What the shape tool makes, and the places set for it so far. */
    shape: Shape;
    draft: Spot[];
    /** Lines that are picked, by id. */
    picked: string[];
    /** Changes to lines that are shown before they are made; null: none are asked for. */
    proposed: DrawnData[] | null;
    /** Whether Strike erases parts of lines, and how wide, px. */
    isCutting: boolean;
    cut: number;
    /** Whether a picked line is pulled into shape instead of moved. */
    isReshaping: boolean;
    /** Rough dabs of materials, not spread yet. */
    cues: Cue[];
    /** What they were found to mean: material by region; null: not asked yet. */
    meant: Record<string, number> | null;
    /** The doubtful bridge that is looked at. */
    bridge: string | null;
    /** The unfilled region that was shown last. */
    open: string | null;
    /** The longest gap that would be bridged without asking, while it is being set; px. */
    bridgeLimit: number | null;
    /** What a shape laid by hand does to the flats, and what it is drawn with. */
    shapeUse: ShapeUse;
    blockWith: BlockWith;
    /** Whether passes are left out, while a key is held. */
    isUnlit: boolean;
    /** The one pass that is shown alone; null: all that are let down. */
    solo: string | null;
    /** The brush in hand; null: the first that lies ready. */
    boxed: BoxedBrush | null;
    /** Whether paint stays inside the region it begins in. */
    isWithin: boolean;
    /** What Block is drawn with. */
    areaWith: AreaWith;
    rampForm: RampForm;
    /** Whether a ramp of an outer tone runs through the one between it and the base. */
    isRampThrough: boolean;
    /** Px that a softened edge takes to either side. */
    softness: number;
    /** Whether the next drag says which way the picked regions run. */
    isDrawingFlow: boolean;
    /** Whether edges that lie where regions meet stay as they are when others are softened. */
    isSoftApart: boolean;
    /** How strongly paint is dragged along, 0..1. */
    strength: number;
    /** The outline of paint that is moved. */
    lifted: Spot[] | null;
    /** Paint that was taken along to be put elsewhere. */
    carried: Carried | null;
    /** Regions that are picked, by label. */
    chosen: number[];
    /** What is odd about the flats; null: not looked for yet. */
    findings: FindingsData[] | null;
    /** What stays clear of a veil over all else. */
    veil: Veil;
    /** The drawing whose settings are shown. */
    drawing: string | null;
    /** Settings of that drawing that are being tried. */
    trial: Trial | null;
    /** A light on a figure that is being tried; null: none is. */
    tried: TriedLight | null;
    /** How much of the page, from the left, shows the original instead of what it was cleaned to. */
    compare: number;
    under: Under | null;
    mirror: boolean;
    isKeySheetOpen: boolean;
    /** Whether the pin-up board lies over the page. */
    arePicturesOpen: boolean;
    /** What is pinned over the page: the picked material in the light, or a picture by its id; null: nothing. */
    maquette: number | null;
}

/** What the surface can be told from outside. */
export interface SurfaceHandle {
    fit(): void;
    mirror(): void;
    turn(by: number): void;
    zoom(factor: number): void;
    pan(dx: number, dy: number): void;
    /** The place of the page in the middle of what is in view; null: nothing is yet. */
    middle(): Spot | null;
    /** @param width px of the page that shall be seen well; none: as near as it is, or half size at the least */
    goTo(x: number, y: number, width?: number): void;
    /** A full-size tile as the finished page shows it, four bytes a pixel; null while it is on its way. */
    pixels(column: number, row: number): Promise<Uint8ClampedArray | null>;
    /** What is set corner by corner is whole. */
    end(): void;
    /** Ends the gesture under way without doing anything. */
    cancel(): void;
    refresh(): void;
}

export class BenchModel {
    readonly store: StoreApi<BenchView>;
    surface: SurfaceHandle | null = null;
    private before: ToolId | null = null;

    readonly light: LightTrial;

    constructor(readonly session: PageSession) {
        this.light = new LightTrial(
            (figure, plan, only, isFine) => session.answer(api.tryLight(session.view.id, figure, plan, only, isFine)),
            (tried) => this.set({ tried }),
        );
        const stage = firstStage(session);
        this.store = createStore<BenchView>(() => ({
            stage,
            tool: stageOf(stage).tools[0],
            target: null,
            size: 60,
            opacity: 1,
            flow: null,
            steady: 0.55,
            grey: false,
            bridges: false,
            overlays: true,
            weight: 7,
            taper: 0.15,
            grain: 0,
            axis: null,
            grid: 0,
            isSnapping: true,
            shape: 'corners',
            draft: [],
            picked: [],
            proposed: null,
            isCutting: false,
            cut: 30,
            isReshaping: false,
            cues: [],
            meant: null,
            bridge: null,
            open: null,
            bridgeLimit: null,
            shapeUse: 'add',
            blockWith: 'loop',
            isUnlit: false,
            solo: null,
            boxed: null,
            isWithin: false,
            areaWith: 'loop',
            rampForm: 'straight',
            isRampThrough: false,
            softness: 12,
            isDrawingFlow: false,
            isSoftApart: false,
            strength: 0.4,
            lifted: null,
            carried: remembered(),
            chosen: [],
            veil: 'none',
            findings: null,
            drawing: null,
            trial: null,
            tried: null,
            compare: 0,
            under: null,
            mirror: false,
            isKeySheetOpen: false,
            arePicturesOpen: false,
            maquette: null,
        }));
    }

    get view(): BenchView {
        return this.store.getState();
    }

    /** The picked target with its material as it is now. */
    get target(): Target | null {
        return refreshed(this.session.view.palette, this.view.target);
    }

    /** The drawing whose settings are shown: the picked one, or the first there is. */
    get drawing(): [string, DrawingData] | null {
        const { drawing } = this.session.view.records;
        const id =
            this.view.drawing !== null && drawing[this.view.drawing] !== undefined
                ? this.view.drawing
                : Object.keys(drawing)[0];
        return id === undefined ? null : [id, drawing[id]];
    }

    /** Changes some of the settings that are tried. */
    try(change: { clean?: Partial<CleanData>; place?: Partial<PlacementData> }): void {
        const drawing = this.drawing;
        if (drawing === null) return;
        const [id, { clean, place }] = drawing;
        const now = this.view.trial ?? { clean, place };
        this.set({
            drawing: id,
            trial: { clean: { ...now.clean, ...change.clean }, place: { ...now.place, ...change.place } },
        });
    }

    /** A stroke's mirror axis in the middle of what is in view, upright; or none. */
    toggleAxis(): void {
        const size = sizeOf(this.session.view);
        if (this.view.axis !== null || size === null) this.set({ axis: null });
        else this.set({ axis: { ...(this.surface?.middle() ?? { x: size.width / 2, y: size.height / 2 }), turn: 0 } });
    }

    /** How the page looks in this stage, just now. */
    get look(): Look {
        const { look } = stageOf(this.view.stage);
        return this.view.isUnlit ? { ...look, passes: false } : look;
    }

    get brush(): BrushData {
        const { size, opacity, steady, boxed } = this.view;
        const round = { size, hardness: boxed?.hardness ?? 1, opacity, smoothing: steady };
        const tip = this.tip;
        return tip === null ? round : { ...round, tip };
    }

    get tip(): TipData | null {
        return tipOf(this.view);
    }

    /** Takes another brush in hand; null: the one that lies first. It flows as it was made. */
    take(boxed: BoxedBrush | null): void {
        this.set({ boxed, flow: null });
    }

    /** The brush that inks a line. */
    get nib(): BrushData {
        return { size: this.view.weight, hardness: 1, opacity: 1, smoothing: this.view.steady };
    }

    set(change: Partial<BenchView>): void {
        this.store.setState(change);
    }

    choose(stage: StageId): void {
        if (stage !== this.view.stage) this.set({ solo: null });
        this.set({
            stage,
            tool: stageOf(stage).tools[0],
            trial: null,
            tried: null,
            picked: [],
            draft: [],
            proposed: null,
            compare: 0,
            cues: [],
            meant: null,
            chosen: [],
            isDrawingFlow: false,
            lifted: null,
        });
        this.before = null;
    }

    /** Another tool while a key is held. */
    hold(tool: ToolId): void {
        if (this.before !== null || !stageOf(this.view.stage).tools.includes(tool)) return;
        this.before = this.view.tool;
        this.set({ tool });
    }

    release(): void {
        if (this.before !== null) this.set({ tool: this.before });
        this.before = null;
    }

    resize(factor: number): void {
        const { tool, size, weight } = this.view;
        const grown = (now: number, most: number): number =>
            Math.max(1, Math.min(most, factor > 1 ? Math.ceil(now * factor) : Math.floor(now * factor)));
        if (tool === 'ink') this.set({ weight: grown(weight, HEAVIEST_LINE) });
        else this.set({ size: grown(size, LARGEST_BRUSH) });
    }

    /** The grid's corner that is nearest to a place, where it is kept to. */
    snapped({ x, y }: Spot): Spot {
        const { grid, isSnapping } = this.view;
        return grid > 0 && isSnapping ? { x: Math.round(x / grid) * grid, y: Math.round(y / grid) * grid } : { x, y };
    }

    /** Inks a line of places, and its twin where the mirror is on. */
    inkLine(points: InkPointData[] | null): void {
        if (points === null) return;
        const { weight, taper, grain, axis } = this.view;
        const line: InkStrokeData = { points, weight, taper, steady: 0, grain };
        addLines(this.session, axis === null ? [line] : [line, mirrored(line, axis)]);
    }

    /** The shape through the places that were set is inked; closed, it ends where it began. */
    endDraft(isClosed: boolean): void {
        const { draft, shape } = this.view;
        this.set({ draft: [] });
        this.inkLine(lineOf(shape, isClosed ? [...draft, draft[0]] : draft));
    }

    /** What was drawn becomes flats: with the picked material, or none of it any more. */
    shape(use: ShapeUse, shape: Pick<ShapeInput, 'outline' | 'pen'>): void {
        this.session.apply(shapeRegions({ use, ...shape, into: null, ...filledWith(this.target?.material ?? null) }));
    }

    /** The corners that were set are the shape. */
    endCorners(): void {
        const { draft, shapeUse } = this.view;
        this.set({ draft: [] });
        if (draft.length > 2) this.shape(shapeUse, { outline: draft.map(({ x, y }) => [x, y]), pen: null });
    }

    /** Remembers what was drawn round of a pass, to put it elsewhere. */
    carry(pass: string): void {
        const { lifted } = this.view;
        const { records, palette, id } = this.session.view;
        if (lifted === null || records.pass[pass] === undefined) return;
        const { name, figure } = records.pass[pass];
        const of = palette.figures.find((one) => one.id === figure);
        this.keepCarried({ page: id, pass, name: of === undefined ? name : `${name} of ${of.name}`, outline: lifted });
    }

    keepCarried(carried: Carried | null): void {
        remember(carried);
        this.set({ carried });
    }

    /** Puts it into the picked pass, and has it in hand there. */
    placeCarried(): void {
        const { carried, target } = this.view;
        const { id: page, rules, records } = this.session.view;
        if (carried === null || target === null) return;
        const size = records.page.page;
        const by = wayOf(
            carried,
            page,
            this.surface?.middle() ?? { x: (size?.width ?? 0) / 2, y: (size?.height ?? 0) / 2 },
        );
        const { id: pass, make } = passFor(rules, records, target);
        const outline = carried.outline.map(({ x, y }): [number, number] => [x, y]);
        this.session.apply(placePaint({ pass, make, page: carried.page, from: carried.pass, outline, by }));
        this.set({ lifted: carried.outline.map(({ x, y }) => ({ x: x + by[0], y: y + by[1] })) });
    }

    /** Moves, copies, turns or scales the paint inside the outline, and the outline with it. */
    movePaint(pass: string, how: Partial<Pick<MovePaintInput, 'by' | 'turn' | 'scale' | 'copy'>>): void {
        const { lifted, axis } = this.view;
        if (lifted === null) return;
        const { by, turn, scale, copy } = {
            by: [0, 0] as [number, number],
            turn: 0,
            scale: [1, 1] as [number, number],
            copy: false,
            ...how,
        };
        const outline = lifted.map(({ x, y }): [number, number] => [x, y]);
        this.session.apply(movePaint({ pass, outline, by, turn, scale, copy, into: null, mirror: axis }));
        this.set({ lifted: turnedSpots(lifted, by, turn, scale) });
    }

    /** The next drag of Pick says which way the picked regions run; or does not, after all. */
    drawFlow(isOn: boolean): void {
        this.set(isOn ? { tool: 'choose', isDrawingFlow: true } : { isDrawingFlow: false });
    }

    /** Every edge in a pass, as the Soften tool is set. */
    softenAll(pass: string): void {
        const { softness, isSoftApart } = this.view;
        this.session.apply(
            softenPass({
                pass,
                by: softness,
                brush: null,
                points: [],
                inside: [],
                mirror: null,
                apart: isSoftApart,
            }),
        );
    }

    /** The picked regions that are still there. */
    get chosenRegions(): [number, RegionData][] {
        const { region } = this.session.view.records;
        return this.view.chosen.filter((label) => region[label] !== undefined).map((label) => [label, region[label]]);
    }

    /** The labels a veil leaves clear; null when there is none. */
    get clear(): Set<number> | null {
        const { veil, chosen, stage } = this.view;
        const material = this.target?.material;
        const mayPick = stage === 'flats' || stage === 'light';
        if (mayPick && chosen.length > 0) return new Set(chosen);
        if (stage !== 'flats' || veil === 'none' || material === undefined) return null;
        const isMeant = (region: RegionData): boolean =>
            veil === 'figure' ? region.figure === material.figure : region.material === material.id;
        return new Set(
            Object.entries(this.session.view.records.region)
                .filter(([, region]) => isMeant(region))
                .map(([label]) => Number(label)),
        );
    }

    /** Regions of the target's material: the picked ones, or all on the page. */
    shiftable(): number[] {
        const material = this.target?.material.id;
        const { region } = this.session.view.records;
        const labels = this.view.chosen.length > 0 ? this.view.chosen : Object.keys(region).map(Number);
        return labels.filter((label) => region[label]?.material === material && !region[label].locked);
    }

    /** The picked lines that are still there. */
    get pickedLines(): [string, InkStrokeData][] {
        const { stroke } = this.session.view.records;
        return this.view.picked.filter((id) => stroke[id] !== undefined).map((id) => [id, stroke[id]]);
    }

    /** Takes the picked lines away. */
    removePicked(): void {
        const picked = this.pickedLines;
        if (this.view.stage !== 'ink' || picked.length === 0) return;
        this.session.apply(drawInk({ strokes: picked.map(([id]) => ({ id, stroke: null })) }));
        this.set({ picked: [] });
    }

    pickTone(tone: Tone): void {
        if (this.target !== null) this.set({ target: { ...this.target, tone, pass: null } });
    }

    /** A tone that the material has beside its six. */
    pickNamed(number: number): void {
        const named = this.target?.material.more.at(number);
        if (named !== undefined) this.pickTone(named.tone);
    }

    /** Picks the material of a region. */
    pickFrom(label: number): void {
        const { records, palette } = this.session.view;
        const wanted = records.region[label]?.material ?? 0;
        for (const figure of palette.figures) {
            const material = figure.materials.find(({ id }) => id === wanted);
            if (material !== undefined)
                return this.set({ target: { material, figureName: figure.name, tone: 'base', pass: null } });
        }
        this.session.say('Nothing is filled here yet.');
    }

    pickPass(pass: string): void {
        if (this.target !== null) this.set({ target: { ...this.target, pass } });
    }

    /** The next figure of the cast, or the one before. */
    stepFigure(by: 1 | -1): void {
        const figures = this.session.view.palette.figures.filter((figure) => figure.materials.length > 0);
        if (figures.length === 0) return;
        const at = figures.findIndex((figure) => figure.id === this.target?.material.figure);
        const next = figures[at < 0 ? (by > 0 ? 0 : figures.length - 1) : (at + by + figures.length) % figures.length];
        this.set({
            target: {
                material: next.materials[0],
                figureName: next.name,
                tone: this.target?.tone ?? TONES[2],
                pass: null,
            },
        });
    }

    /** Asks what the cues mean for all regions, to look at before it is done. */
    async spreadCues(): Promise<void> {
        const dabs = this.view.cues.flatMap(({ material, lengths }) =>
            Object.entries(lengths).map(([label, length]): [number, number, number] => [
                Number(label),
                material.id,
                length,
            ]),
        );
        this.set({ meant: await this.session.answer(api.spreadCues(this.session.view.id, dabs)) });
    }

    /** Asks what unfilled regions may be, by the page before, to look at before it is done. */
    async suggestAsBefore(): Promise<void> {
        const meant = await this.session.answer(api.asBefore(this.session.view.id));
        if (meant !== null && Object.keys(meant).length === 0)
            this.session.say('No unfilled region lies like one of the page before.');
        else this.set({ meant });
    }

    /** Fills as the cues were found to mean; only with one figure's materials, if one is named. */
    takeCues(figure: number | null): void {
        const { meant } = this.view;
        const left: Record<string, number> = {};
        for (const material of this.session.view.palette.figures.flatMap(({ materials }) => materials)) {
            const labels = Object.keys(meant ?? {}).filter((label) => meant?.[label] === material.id);
            if (figure === null || material.figure === figure) {
                if (labels.length > 0)
                    this.session.apply(fillRegions({ labels: labels.map(Number), ...filledWith(material) }));
            } else labels.forEach((label) => (left[label] = material.id));
        }
        const isLeft = Object.keys(left).length > 0;
        this.set({ meant: isLeft ? left : null, cues: isLeft ? this.view.cues : [] });
    }

    /** Shows the next gap of which it is not sure whether it is one. */
    nextDoubtful(): void {
        const { bridge } = this.session.view.records;
        const doubtful = Object.keys(bridge).filter((number) => bridge[number].kind === 'doubtful');
        const next = doubtful.find((number) => Number(number) > Number(this.view.bridge ?? 0)) ?? doubtful[0];
        this.set({ bridge: next ?? null, bridges: true });
        if (next === undefined) return this.session.say('No gap is in doubt any more.');
        const { x1, y1, x2, y2 } = bridge[next];
        this.surface?.goTo((x1 + x2) / 2, (y1 + y2) / 2);
    }

    /** Shows the largest region that has no material yet; asked again, the next smaller one, as near as it needs. */
    nextUnfilled(): void {
        const open = unfilled(this.session.view.records).sort(
            ([a, one], [b, other]) => other.area - one.area || Number(a) - Number(b),
        );
        if (open.length === 0) return this.session.say('Every region is filled.');
        const [label, { x, y, area }] = open[(open.findIndex(([one]) => one === this.view.open) + 1) % open.length];
        this.set({ open: label });
        this.surface?.goTo(x, y, Math.sqrt(area));
    }
}

function firstStage(session: PageSession): StageId {
    const { view } = session;
    if (sizeOf(view) === null) return 'ink';
    return unfilled(view.records).length > 0 && Object.keys(view.records.pass).length === 0 ? 'flats' : 'light';
}

/** What the brush in hand leaves at each place; null: it has no tip, and lays all of a stroke at once. */
export function tipOf({ boxed, flow }: BenchView): TipData | null {
    const tip = boxed?.tip ?? null;
    return tip === null ? null : { ...tip, flow: flow ?? tip.flow };
}
