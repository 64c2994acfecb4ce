/** Draws what is in view: the page, and over it what the hand is at. */
import type { AxisData, DrawingData } from '../../api/generated';
import { SIDE } from '../../picture/compose';
import type { ComposePool } from '../../picture/pool';
import { HIGHEST } from '../../picture/tiles';
import { sizeOf } from '../../page/store';
import type { BenchModel, BenchView } from '../model/model';
import type { Trial } from '../model/inkModel';
import { hasTwoRows, stageOf } from '../stages/stage';
import type { Spot } from '../model/lines';
import { axisGrips } from '../tools/axisGrip';
import { TOOLS } from '../tools/registry';
import type { Gesture } from '../tools/tool';
import { CleanLooks, tilesInView } from './cleanLooks';
import { ComparedMood } from './comparedMood';
import { OriginalPictures } from './originals';
import {
    asLimited,
    drawArrow,
    drawAxis,
    drawBridges,
    drawCues,
    drawEdge,
    drawGrid,
    drawHandles,
    drawLines,
    drawRing,
    FAINT,
} from './overlays';
import { TilePictures } from './tilePictures';
import { Underdrawings } from './underdrawings';
import { fit, levelFor, matrix, shown, tilesIn, type Box, type Insets, type Part, type View } from './viewport';

/** Screen pixels between the lines of a grid that is shown. */
const LEAST_GRID = 4;
/** Screen pixels that a tool strip of two rows takes. */
const TWO_ROWS = 112;

export class SurfaceRenderer {
    view: View | null = null;
    /** Where the hand is, in screen pixels. */
    pointer: { x: number; y: number } | null = null;
    gesture: Gesture | null = null;
    private readonly insets: Insets = { top: 16, right: 16, bottom: 72, left: 16 };
    /** The page fills the free area, whatever size that comes to have. */
    isFitted = true;
    private place = placeIn(window.location.search);
    private isScheduled = false;
    private readonly tiles: TilePictures;
    private readonly underdrawings: Underdrawings;
    private readonly originals: OriginalPictures;
    private readonly looks: CleanLooks;
    private readonly otherMood = new ComparedMood(() => this.schedule());
    private readonly stops: (() => void)[] = [];

    constructor(
        readonly canvas: HTMLCanvasElement,
        private readonly bench: BenchModel,
        pool: ComposePool,
    ) {
        this.underdrawings = new Underdrawings(bench.session.tiles);
        this.tiles = new TilePictures(bench, pool, () => this.schedule());
        this.originals = new OriginalPictures(bench.session.view.id, () => this.schedule());
        this.looks = new CleanLooks(bench.session.view.id, () => this.schedule());
        this.takeStack();
        this.stops.push(
            bench.session.tiles.onPaint((level, places) => this.tiles.dirty(level, places)),
            bench.session.store.subscribe((now, before) => {
                if (now.stack !== before.stack) this.takeStack();
                if (now.records !== before.records) this.schedule();
                if (!hasSameSize(sizeOf(now), sizeOf(before))) this.startAnew();
            }),
            bench.store.subscribe((now, before) => {
                if (now.stage !== before.stage && this.isFitted) this.view = null;
                if (
                    now.stage !== before.stage ||
                    now.trial !== before.trial ||
                    now.drawing !== before.drawing ||
                    now.isUnlit !== before.isUnlit
                )
                    this.tiles.takeLook();
                if (now.tried !== before.tried) {
                    this.takeStack();
                    this.tiles.takeTried(now.tried, before.tried);
                }
                if (now.meant !== before.meant || now.solo !== before.solo || isVeiledOtherwise(now, before))
                    this.takeStack();
                if (now.under === before.under) this.schedule();
            }),
        );
    }

    end(): void {
        this.stops.forEach((stop) => stop());
    }

    /** The place of the page in the middle of what is in view, on whole pixels; all of the page: in its own middle. */
    get middle(): Spot | null {
        const size = sizeOf(this.bench.session.view);
        if (this.view === null || size === null) return null;
        return this.isFitted
            ? { x: size.width / 2, y: size.height / 2 }
            : { x: Math.round(this.view.x), y: Math.round(this.view.y) };
    }

    get level(): number {
        return levelFor(this.view?.scale ?? 1, HIGHEST);
    }

    schedule(): void {
        if (this.isScheduled) return;
        this.isScheduled = true;
        requestAnimationFrame(() => {
            this.isScheduled = false;
            this.draw();
        });
    }

    /** Some tiles look different now; the layer is the one the hand works on. */
    touched(level: number, places: Set<string>, layer: string): void {
        // What is painted now is painted on the page, not on what is tried.
        if (this.bench.view.tried?.has(layer) === true) this.bench.set({ tried: null });
        this.tiles.touched(level, places, layer);
    }

    resize(width: number, height: number): void {
        if (this.isFitted) this.view = null;
        this.canvas.width = width;
        this.canvas.height = height;
        // Resizing clears the canvas; it is filled again before the browser shows it.
        this.draw();
    }

    /** The shown colour of a page pixel at full size; null while it is on its way. For tests. */
    async colourAt(x: number, y: number): Promise<[number, number, number] | null> {
        const pixels = await this.tiles.pixels(Math.floor(x / SIDE), Math.floor(y / SIDE));
        const at = 4 * ((y % SIDE) * SIDE + (x % SIDE));
        return pixels === null ? null : [pixels[at], pixels[at + 1], pixels[at + 2]];
    }

    /** A full-size tile as the finished page shows it; null while its layers are on their way. */
    pixels(column: number, row: number): Promise<Uint8ClampedArray | null> {
        return this.tiles.pixels(column, row);
    }

    /** A page of another size: nothing that was shown is of it. */
    private startAnew(): void {
        this.tiles.forget();
        this.isFitted = true;
        this.view = null;
        this.schedule();
    }

    private takeStack(): void {
        this.tiles.takeStack(this.view === null ? null : { view: this.view, seen: shown(this.view, this.canvas) });
    }

    /** Whoever follows a link to a place sees it first. */
    private beginAtPlace(): void {
        if (this.place === null || this.view === null) return;
        this.view = { ...this.view, ...this.place, scale: Math.max(this.view.scale, PLACE_SCALE) };
        this.place = null;
        this.isFitted = false;
    }

    private draw(): void {
        const context = this.canvas.getContext('2d');
        const size = sizeOf(this.bench.session.view);
        if (context === null) return;
        context.setTransform(1, 0, 0, 1, 0, 0);
        context.fillStyle = getComputedStyle(document.documentElement).getPropertyValue('--work');
        context.fillRect(0, 0, this.canvas.width, this.canvas.height);
        if (size === null) return;
        if (this.view === null) {
            const bottom = hasTwoRows(stageOf(this.bench.view.stage)) ? TWO_ROWS : this.insets.bottom;
            this.view = fit(size, this.canvas, { ...this.insets, bottom });
            this.bench.set({ mirror: false });
            this.beginAtPlace();
        }
        const toScreen = matrix(this.view, this.canvas);
        context.save();
        context.setTransform(toScreen);
        context.beginPath();
        context.rect(0, 0, size.width, size.height);
        context.clip();
        context.imageSmoothingEnabled = this.view.scale < 2;
        context.filter = this.bench.view.grey ? 'grayscale(1)' : 'none';
        const seen = shown(this.view, this.canvas);
        this.tiles.draw(context, { view: this.view, seen }, size);
        if (this.bench.view.stage === 'ink') this.drawUnderdrawings(context, seen, size);
        context.restore();
        if (this.bench.view.stage === 'ink') this.drawInkStage(context, toScreen, this.view, size);
        this.otherMood.draw(context, toScreen, size, this.bench.view, this.bench.session.view);
        this.drawOverlays(context, toScreen, this.view);
    }

    /** The original left of the edge, the frame that is being placed, lines that are picked. */
    private drawInkStage(
        context: CanvasRenderingContext2D,
        toScreen: DOMMatrix,
        view: View,
        size: { width: number; height: number },
    ): void {
        const { tool, trial, compare, overlays, grid } = this.bench.view;
        const drawing = this.bench.ink.drawing?.[1] ?? null;
        this.lookAtTrial(view, size);
        this.looks.draw(context, toScreen, size);
        if (drawing !== null && trial !== null && tool !== 'place' && isTurnTried(drawing, trial))
            this.drawThrough(context, toScreen, drawing, trial, FAINT);
        if (drawing !== null && compare > 0) this.drawOriginal(context, toScreen, drawing, size, compare);
        if (!overlays) return;
        context.setTransform(1, 0, 0, 1, 0, 0);
        // Closer than a few pixels it would only be grey.
        if (grid * view.scale >= LEAST_GRID) drawGrid(context, toScreen, size, grid);
        const { proposed } = this.bench.view;
        drawLines(
            context,
            toScreen,
            (proposed ?? []).flatMap(({ stroke }) => (stroke === null ? [] : [stroke])),
        );
        if (this.gesture === null)
            drawLines(
                context,
                toScreen,
                this.bench.ink.pickedLines.map(([, line]) => line),
            );
    }

    /** The original through the page. */
    private drawThrough(
        context: CanvasRenderingContext2D,
        toScreen: DOMMatrix,
        drawing: DrawingData,
        trial: Trial | null,
        opacity: number,
    ): void {
        context.save();
        context.globalAlpha = opacity;
        this.originals.draw(context, toScreen, drawing, trial);
        context.restore();
        context.setTransform(1, 0, 0, 1, 0, 0);
    }

    /** The picked drawing as the settings that are tried would clean it. */
    private lookAtTrial(view: View, size: Box): void {
        const { trial } = this.bench.view;
        const picked = this.bench.ink.drawing;
        if (trial === null || picked === null) return this.looks.want(null);
        const [id, drawing] = picked;
        this.looks.want({ id, drawing, trial, ...tilesInView(shown(view, this.canvas), size, this.level) });
    }

    private drawOriginal(
        context: CanvasRenderingContext2D,
        toScreen: DOMMatrix,
        drawing: DrawingData,
        size: { width: number; height: number },
        share: number,
    ): void {
        const edge = share * size.width;
        context.save();
        context.setTransform(toScreen);
        context.beginPath();
        context.rect(0, 0, edge, size.height);
        context.clip();
        context.fillStyle = '#ffffff';
        context.fillRect(0, 0, edge, size.height);
        this.originals.draw(context, toScreen, drawing, this.bench.view.trial);
        context.restore();
        context.setTransform(1, 0, 0, 1, 0, 0);
        drawEdge(context, toScreen, edge, size.height);
    }

    private drawUnderdrawings(context: CanvasRenderingContext2D, seen: Part, size: Box): void {
        const { level } = this;
        for (const [id, drawing] of Object.entries(this.bench.session.view.records.drawing)) {
            if (drawing.role !== 'underdrawing' || !drawing.visible) continue;
            for (const { column, row } of tilesIn(level, seen, size))
                this.underdrawings.draw(context, id, drawing, level, column, row);
        }
    }

    /** Tiles that are on screen, as "column,row"; of these, where spots are given, those round about them. */
    placesInView(spots: readonly { x: number; y: number }[] | null): Set<string> {
        const size = sizeOf(this.bench.session.view);
        if (this.view === null || size === null) return new Set();
        const seen = shown(this.view, this.canvas);
        const xs = spots?.map(({ x }) => x) ?? [seen.left, seen.right];
        const ys = spots?.map(({ y }) => y) ?? [seen.top, seen.bottom];
        const about = {
            left: Math.max(seen.left, Math.min(...xs)),
            right: Math.min(seen.right, Math.max(...xs)),
            top: Math.max(seen.top, Math.min(...ys)),
            bottom: Math.min(seen.bottom, Math.max(...ys)),
        };
        return new Set(tilesIn(this.level, about, size).map(({ column, row }) => `${column},${row}`));
    }

    /** Which way the picked regions run; several may have one direction. */
    private drawFlows(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        const { width, height } = sizeOf(this.bench.session.view) ?? { width: 0, height: 0 };
        const lines = new Map(
            this.bench.chosenRegions.flatMap(([, { flow }]) =>
                (flow ?? []).map((line) => [JSON.stringify(line), line]),
            ),
        );
        for (const line of lines.values())
            drawArrow(
                context,
                toScreen,
                line.map(([x, y]) => ({ x: x * width, y: y * height })),
            );
    }

    private drawMirror(context: CanvasRenderingContext2D, toScreen: DOMMatrix, axis: AxisData, view: View): void {
        drawAxis(context, toScreen, axis);
        const { move, turn } = axisGrips(axis, view.scale);
        drawHandles(context, toScreen, [move]);
        drawHandles(context, toScreen, [turn], true);
    }

    private drawOverlays(context: CanvasRenderingContext2D, toScreen: DOMMatrix, view: View): void {
        const { overlays, bridges, bridgeLimit, stage, size, axis } = this.bench.view;
        const tool = TOOLS[this.bench.view.tool];
        if (overlays && axis !== null && tool.isMirrored === true) this.drawMirror(context, toScreen, axis, view);
        if (overlays && stage === 'flats') drawCues(context, toScreen, this.bench.view.cues);
        if (overlays && stage === 'flats' && bridges) {
            const all = asLimited(Object.values(this.bench.session.view.records.bridge), bridgeLimit);
            const isWhole = bridgeLimit !== null;
            drawBridges(context, toScreen, isWhole ? all : all.filter(({ kind }) => kind !== 'refused'));
        }
        tool.overlay?.({
            context,
            toScreen,
            bench: this.bench,
            view,
            isBusy: this.gesture !== null,
            drawOriginal: (drawing, trial, opacity) => this.drawThrough(context, toScreen, drawing, trial, opacity),
        });
        context.save();
        if (overlays) this.gesture?.overlay?.(context, toScreen);
        context.restore();
        if (overlays && stage === 'light') this.drawFlows(context, toScreen);
        if (this.pointer !== null && tool.cursor === 'ring')
            drawRing(context, this.pointer, ((tool.ring?.(this.bench.view) ?? size) / 2) * view.scale);
    }
}

/** Whether something else stays clear of a veil. */
const isVeiledOtherwise = (now: BenchView, before: BenchView): boolean =>
    now.veil !== before.veil ||
    now.pickedRegions !== before.pickedRegions ||
    (now.stage !== before.stage && (now.veil !== 'none' || before.pickedRegions.length > 0)) ||
    (now.veil !== 'none' && now.target !== before.target);

/** Whether another turn is tried than the drawing was laid with. */
const isTurnTried = (drawing: DrawingData, { clean }: Trial): boolean =>
    clean.turn !== null && Math.abs(clean.turn - drawing.found.turned) > 0.001;

const hasSameSize = (a: Box | null, b: Box | null): boolean => a?.width === b?.width && a?.height === b?.height;

/** Screen pixels a page pixel takes at the least where a link leads to. */
const PLACE_SCALE = 0.5;

/** A place on the page as links name it: `?at=x,y`. */
export function placeIn(search: string): { x: number; y: number } | null {
    const match = /^(\d{1,5}),(\d{1,5})$/.exec(new URLSearchParams(search).get('at') ?? '');
    return match === null ? null : { x: Number(match[1]), y: Number(match[2]) };
}
