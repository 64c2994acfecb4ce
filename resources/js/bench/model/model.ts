/**
 * The bench as one works at it: stage, tool, target, brush and view. Tools and keys change it; panels show parts of it.
 */
import { api } from '../../api/client';
import { TONES, type AxisData, type RegionData, type Tone } from '../../api/generated';
import { unfilled } from '../../page/records';
import type { PageSession } from '../../page/session';
import { sizeOf } from '../../page/store';
import { refreshed, type Target } from '../../page/target';
import type { Look } from '../../picture/compose';
import { stageOf, type StageId } from '../stages/stage';
import { toolsAtFirst, type ToolsView } from '../tools/registry';
import type { ToolId } from '../tools/tool';
import { HEAVIEST_LINE, LARGEST_BRUSH } from './limits';
import type { Spot } from './lines';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { FlatsModel, flatsAtFirst, flatsLeft, type FlatsView } from './flatsModel';
import { InkModel, inkAtFirst, inkLeft, type InkView } from './inkModel';
import { LightTrial } from './lightTrial';
import { moodAtFirst, moodLeft, type MoodView } from './moodModel';
import { PaintModel, paintAtFirst, paintLeft, type PaintView } from './paintModel';

interface Under {
    x: number;
    y: number;
    label: number;
}

export interface BenchView extends InkView, FlatsView, PaintView, MoodView, ToolsView {
    stage: StageId;
    tool: ToolId;
    target: Target | null;
    steady: number;
    grey: boolean;
    overlays: boolean;
    /** Where lines are mirrored: a place of the page and the axis's direction in radians. */
    axis: AxisData | null;
    /** Regions that are picked, by label. */
    pickedRegions: number[];
    under: Under | null;
    mirror: boolean;
    isKeySheetOpen: boolean;
    /** Whether the pin-up board lies over the page. */
    arePicturesOpen: boolean;
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
    readonly ink = new InkModel(this);
    readonly flats = new FlatsModel(this);
    readonly paint = new PaintModel(this);

    constructor(readonly session: PageSession) {
        this.light = new LightTrial(
            (figure, plan, only, isFine) => session.answer(api.tryLight(session.view.id, figure, plan, only, isFine)),
            (tried) => this.set({ tried }),
        );
        const stage = firstStage(session);
        this.store = createStore<BenchView>(() => ({
            ...inkAtFirst(),
            ...flatsAtFirst(),
            ...paintAtFirst(),
            ...moodAtFirst(),
            ...toolsAtFirst,
            stage,
            tool: stageOf(stage).tools[0],
            target: null,
            steady: 0.55,
            grey: false,
            overlays: true,
            axis: null,
            pickedRegions: [],
            under: null,
            mirror: false,
            isKeySheetOpen: false,
            arePicturesOpen: false,
        }));
    }

    get view(): BenchView {
        return this.store.getState();
    }

    /** The picked target with its material as it is now. */
    get target(): Target | null {
        return refreshed(this.session.view.palette, this.view.target);
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

    set(change: Partial<BenchView>): void {
        this.store.setState(change);
    }

    choose(stage: StageId): void {
        const { solo } = this.view;
        const left = { ...inkLeft, ...flatsLeft, ...paintLeft, ...moodLeft, pickedRegions: [] };
        // The stage one is in keeps the pass that is shown alone.
        const kept = stage === this.view.stage ? { solo } : {};
        this.set({ ...left, ...kept, stage, tool: stageOf(stage).tools[0] });
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

    /** The picked regions that are still there. */
    get chosenRegions(): [number, RegionData][] {
        const { region } = this.session.view.records;
        return this.view.pickedRegions
            .filter((label) => region[label] !== undefined)
            .map((label) => [label, region[label]]);
    }

    /** The labels a veil leaves clear; null when there is none. */
    get clear(): Set<number> | null {
        const { veil, pickedRegions, stage } = this.view;
        const material = this.target?.material;
        const mayPick = stage === 'flats' || stage === 'light';
        if (mayPick && pickedRegions.length > 0) return new Set(pickedRegions);
        if (stage !== 'flats' || veil === 'none' || material === undefined) return null;
        const isMeant = (region: RegionData): boolean =>
            veil === 'figure' ? region.figure === material.figure : region.material === material.id;
        return new Set(
            Object.entries(this.session.view.records.region)
                .filter(([, region]) => isMeant(region))
                .map(([label]) => Number(label)),
        );
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
}

function firstStage(session: PageSession): StageId {
    const { view } = session;
    if (sizeOf(view) === null) return 'ink';
    return unfilled(view.records).length > 0 && Object.keys(view.records.pass).length === 0 ? 'flats' : 'light';
}
