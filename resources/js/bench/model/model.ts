/** The bench as one works at it: stage, tool, target, brush and view. Tools and keys change it; panels show parts of it. */
import { createStore, type StoreApi } from 'zustand/vanilla';
import { TONES, type BrushData, type Tone } from '../../api/generated';
import { unfilled } from '../../page/records';
import type { PageSession } from '../../page/session';
import { sizeOf } from '../../page/store';
import { refreshed, type Target } from '../../page/target';
import { LARGEST_BRUSH } from './limits';
import { stageOf, type StageId } from '../stages/stage';
import type { ToolId } from '../tools/tool';

export interface Under {
    x: number;
    y: number;
    label: number;
}

export interface BenchView {
    stage: StageId;
    tool: ToolId;
    target: Target | null;
    size: number;
    flow: number;
    steady: number;
    grey: boolean;
    bridges: boolean;
    overlays: boolean;
    /** Clean-up levels that are being tried: the scan through these instead of the ink. */
    levels: { paper: number; ink: number } | null;
    under: Under | null;
    mirror: boolean;
    isKeySheetOpen: boolean;
}

/** What the surface can be told from outside. */
export interface SurfaceHandle {
    fit(): void;
    mirror(): void;
    turn(by: number): void;
    zoom(factor: number): void;
    pan(dx: number, dy: number): void;
    goTo(x: number, y: number): void;
    /** Ends the gesture under way without doing anything. */
    cancel(): void;
    refresh(): void;
}

export class BenchModel {
    readonly store: StoreApi<BenchView>;
    surface: SurfaceHandle | null = null;
    private before: ToolId | null = null;

    constructor(readonly session: PageSession) {
        const stage = firstStage(session);
        this.store = createStore<BenchView>(() => ({
            stage,
            tool: stageOf(stage).tools[0],
            target: null,
            size: 60,
            flow: 1,
            steady: 0.55,
            grey: false,
            bridges: false,
            overlays: true,
            levels: null,
            under: null,
            mirror: false,
            isKeySheetOpen: false,
        }));
    }

    get view(): BenchView {
        return this.store.getState();
    }

    /** The picked target with its material as it is now. */
    get target(): Target | null {
        return refreshed(this.session.view.palette, this.view.target);
    }

    get brush(): BrushData {
        const { size, flow, steady, tool } = this.view;
        return { size, hardness: tool === 'soft' ? 0 : 1, opacity: flow, smoothing: steady };
    }

    set(change: Partial<BenchView>): void {
        this.store.setState(change);
    }

    choose(stage: StageId): void {
        this.set({ stage, tool: stageOf(stage).tools[0], levels: null });
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
        const grown = factor > 1 ? Math.ceil(this.view.size * factor) : Math.floor(this.view.size * factor);
        this.set({ size: Math.max(1, Math.min(LARGEST_BRUSH, grown)) });
    }

    pickTone(tone: Tone): void {
        if (this.target !== null) this.set({ target: { ...this.target, tone, pass: null } });
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
        this.set({ target: { material: next.materials[0], figureName: next.name, tone: this.target?.tone ?? TONES[2], pass: null } });
    }

    /** Shows the largest region that has no material yet. */
    nextUnfilled(): void {
        const [largest] = unfilled(this.session.view.records).sort(([, a], [, b]) => b.area - a.area);
        if (largest === undefined) this.session.say('Every region is filled.');
        else this.surface?.goTo(largest[1].x, largest[1].y);
    }
}

function firstStage(session: PageSession): StageId {
    const { view } = session;
    if (sizeOf(view) === null) return 'ink';
    return unfilled(view.records).length > 0 && Object.keys(view.records.pass).length === 0 ? 'flats' : 'light';
}
