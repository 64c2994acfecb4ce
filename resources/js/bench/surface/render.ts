/**
 * Shows the page's tiles: asks for what is in view, has it composited by the workers, draws what is there. Drawing never
 * waits: until a tile is ready its old picture shows, or what a coarser level has of it.
 */
import type { AxisData, DrawingData, InkPointData } from '../../api/generated';
import { PIXELS, SIDE, type Block, type Look } from '../../picture/compose';
import type { ComposePool, TileRequest } from '../../picture/pool';
import { changedLabels, holdsAny } from '../../picture/changes';
import { alone, buildStack, layersOf, type Stack } from '../../picture/stack';
import { remember } from '../../picture/remember';
import { andNeighbours, TileLayers } from '../../picture/tileLayers';
import { HIGHEST } from '../../picture/tiles';
import { filledAs } from '../../page/records';
import { sizeOf } from '../../page/store';
import type { BenchModel, BenchView, Trial } from '../model/model';
import { hasTwoRows, stageOf } from '../stages/stage';
import type { Spot } from '../model/lines';
import { withTried, type TriedLight } from '../../picture/tried';
import { axisGrips } from '../tools/axisGrip';
import { TOOLS } from '../tools/registry';
import type { Gesture } from '../tools/tool';
import { frameOf, isCuttingOut, knobOf, sidesAt } from '../model/placing';
import { lineOf } from '../model/shapes';
import { CleanLooks, tilesInView } from './cleanLooks';
import { originalMatrix, OriginalPictures } from './originals';
import {
    asLimited,
    drawArrow,
    drawAxis,
    drawBridges,
    drawCues,
    drawEdge,
    drawFrame,
    drawGrid,
    drawHandles,
    drawLines,
    drawOutline,
    drawRing,
    KNOB_AWAY,
} from './overlays';
import { paint, patchesOf } from './patches';
import { Underdrawings } from './underdrawings';
import { fit, levelFor, matrix, shown, type Box, type Insets, type View } from './viewport';

interface Shown {
    canvas: HTMLCanvasElement;
    /** What it shows is out of date. */
    isDirty: boolean;
    /** It has been drawn at least once. */
    isReady: boolean;
    /** A picture of it is on its way from a worker. */
    isAsked: boolean;
}

/** Tile pictures kept, of all levels. */
const MOST_SHOWN = 220;
/** How far beyond the screen's edge tiles are fetched early. */
const RING = 1;
const LATER = 1e6;
/** Screen pixels between the lines of a grid that is shown. */
const LEAST_GRID = 4;
/** How much an original shows through the page while it is being moved or turned. */
const FAINT = 0.6;
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
    private activeLayer: string | null = null;
    private readonly shown = new Map<string, Shown>();
    private isScheduled = false;
    private asked = 0;
    private layers: string[] = [];
    private levelsTable: Uint8Array | null = null;
    private readonly underdrawings: Underdrawings;
    private readonly tileLayers: TileLayers;
    private readonly originals: OriginalPictures;
    private readonly looks: CleanLooks;
    private readonly stops: (() => void)[] = [];
    /** As it was shown last. */
    private stack: Stack | null = null;

    constructor(
        readonly canvas: HTMLCanvasElement,
        private readonly bench: BenchModel,
        private readonly pool: ComposePool,
    ) {
        this.underdrawings = new Underdrawings(bench.session.tiles);
        this.tileLayers = new TileLayers(bench.session.tiles);
        this.originals = new OriginalPictures(bench.session.view.id, () => this.schedule());
        this.looks = new CleanLooks(bench.session.view.id, () => this.schedule());
        this.takeStack();
        this.stops.push(
            bench.session.tiles.onPaint((level, places) => this.dirty(level, places)),
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
                    this.takeLook();
                if (now.tried !== before.tried) this.takeTried(now.tried, before.tried);
                if (now.meant !== before.meant || now.solo !== before.solo || isVeiledOtherwise(now, before)) this.takeStack();
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
        return this.isFitted ? { x: size.width / 2, y: size.height / 2 } : { x: Math.round(this.view.x), y: Math.round(this.view.y) };
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
        this.activeLayer = layer;
        // What is painted now is painted on the page, not on what is tried.
        if (this.bench.view.tried?.has(layer) === true) this.bench.set({ tried: null });
        this.dirty(level, places);
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
        const pixels = await this.pixels(Math.floor(x / SIDE), Math.floor(y / SIDE));
        const at = 4 * ((y % SIDE) * SIDE + (x % SIDE));
        return pixels === null ? null : [pixels[at], pixels[at + 1], pixels[at + 2]];
    }

    /** A full-size tile as the finished page shows it; null while its layers are on their way. */
    pixels(column: number, row: number): Promise<Uint8ClampedArray | null> {
        return new Promise((done) => {
            // Under a key of its own each time: a request that another replaces is never answered.
            const request = this.request(0, column, row, { ink: 1, hatch: false, veil: false, passes: true }, 0, `true ${++this.asked}`);
            if (request === null) done(null);
            else this.pool.ask({ ...request, done });
        });
    }

    /** A page of another size: nothing that was shown is of it. */
    private startAnew(): void {
        this.shown.clear();
        this.isFitted = true;
        this.view = null;
        this.schedule();
    }

    private takeStack(): void {
        const stack = this.shownStack();
        const changed = this.stack === null ? null : changedLabels(this.stack, stack);
        this.stack = stack;
        this.layers = layersOf(stack);
        this.pool.setStack(stack);
        if (changed === null) this.dirty(null, null);
        else this.repaintInView(this.dirtyWhere(changed), changed);
    }

    /**
     * A tone that is being changed shall be there when the next frame is drawn: a little of it is composited here and now, for
     * more of it the workers are asked before the frame asks.
     *
     * @param current tiles that look different, and showed everything else as it is
     */
    private repaintInView(current: ReadonlySet<Shown>, changed: ReadonlySet<number>): void {
        const size = sizeOf(this.bench.session.view);
        if (this.view === null || size === null) return;
        const { level, view } = this;
        const { look } = this.bench;
        const tiles: { tile: Shown; column: number; row: number }[] = [];
        this.eachTile(level, shown(view, this.canvas), size, 0, (column, row) => {
            const tile = this.shown.get(`${level} ${column},${row}`);
            if (tile?.isDirty === true) tiles.push({ tile, column, row });
        });
        if (tiles.every(({ tile }) => current.has(tile)) && this.patch(tiles, level, look, changed)) return;
        tiles.forEach(({ column, row }) => this.ensure(level, column, row, look, this.distanceOf(view, level, column, row)));
    }

    /** @return whether it was little enough to be done at once */
    private patch(tiles: { tile: Shown; column: number; row: number }[], level: number, look: Look, changed: ReadonlySet<number>): boolean {
        const { stack } = this;
        // What is softened asks its neighbours; levels that are tried stand in for the ink.
        if (stack === null || stack.soft.size > 0 || this.levelsTable !== null) return false;
        const blocks = tiles.map(({ tile, column, row }) => {
            const request = this.request(level, column, row, look, 0, 'view');
            return request === null ? null : { canvas: tile.canvas, block: blockOf(request) };
        });
        const patches = blocks.includes(null)
            ? null
            : patchesOf(
                  blocks.filter((block) => block !== null),
                  changed,
              );
        if (patches === null) return false;
        paint(patches, stack, look);
        tiles.forEach(({ tile }) => (tile.isDirty = false));
        return true;
    }

    /** From the middle of what is looked at, in pixels of the page. */
    private distanceOf(view: View, level: number, column: number, row: number): number {
        const span = SIDE << level;
        return Math.hypot((column + 0.5) * span - view.x, (row + 0.5) * span - view.y);
    }

    /** Another light is tried, or none any more. */
    private takeTried(now: TriedLight | null, before: TriedLight | null): void {
        this.takeStack();
        for (const [key, tile] of this.shown) {
            const [level, place] = key.split(' ');
            const [column, row] = place.split(',').map(Number);
            if ([now, before].some((tried) => tried?.touches(Number(level), column, row))) tile.isDirty = true;
        }
        this.schedule();
    }

    /**
     * Where some regions look different; a tile whose flats are not here yet may hold them.
     *
     * @return of these tiles those that showed everything else as it is
     */
    private dirtyWhere(labels: ReadonlySet<number>): Set<Shown> {
        const current = new Set<Shown>();
        for (const [key, tile] of this.shown) {
            const [level, place] = key.split(' ');
            const flatsAt = (at: string): Uint8Array | null => {
                const [column, row] = at.split(',').map(Number);
                return this.bench.session.tiles.peek(Number(level), 'flats', column, row);
            };
            const own = flatsAt(place);
            const near = this.stack?.soft.size === 0 ? [] : [...andNeighbours(new Set([place]))].map(flatsAt);
            if (own === null || [own, ...near].some((flats) => flats !== null && holdsAny(flats, labels))) {
                if (tile.isReady && !tile.isDirty && !tile.isAsked) current.add(tile);
                tile.isDirty = true;
            }
        }
        this.schedule();
        return current;
    }

    /** The page as it is, with one pass alone, or as cues that are looked at would fill it. */
    private shownStack(): Stack {
        const { records, palette } = this.bench.session.view;
        const { meant, solo, tried } = this.bench.view;
        const stack = tried === null ? this.bench.session.view.stack : buildStack(withTried(records, tried), palette);
        const { clear } = this.bench;
        const single = solo === null ? undefined : records.pass[solo];
        if (solo !== null && single !== undefined) return { ...alone(stack, solo, single.opacity), clear };
        if (meant === null) return { ...stack, clear };
        const shown = buildStack({ ...records, region: filledAs(records.region, meant, palette) }, palette);
        return { ...shown, clear, proposed: new Set(Object.keys(meant).map(Number)) };
    }

    private takeLook(): void {
        const levels = this.triedLevels();
        this.levelsTable =
            levels === null
                ? null
                : Uint8Array.from({ length: 256 }, (_, value) =>
                      Math.max(0, Math.min(255, Math.round((255 * (value - levels.paper)) / (levels.ink - levels.paper)))),
                  );
        this.dirty(null, null);
    }

    /** Clean-up levels that are being tried: the picked drawing through these stands in for the ink. */
    private triedLevels(): { paper: number; ink: number } | null {
        const { trial } = this.bench.view;
        const found = this.bench.drawing?.[1].found;
        if (trial === null || found === undefined || trial.clean.paper === null || trial.clean.ink === null) return null;
        const { paper, ink } = trial.clean;
        return paper === found.paper && ink === found.ink ? null : { paper, ink: Math.max(paper + 1, ink) };
    }

    private dirty(level: number | null, changed: Set<string> | null): void {
        const places = changed === null || this.stack === null || this.stack.soft.size === 0 ? changed : andNeighbours(changed);
        for (const [key, tile] of this.shown) {
            const [tileLevel, place] = key.split(' ');
            if ((level === null || Number(tileLevel) === level) && (places === null || places.has(place))) tile.isDirty = true;
        }
        this.schedule();
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
        this.drawTiles(context, this.view, size);
        context.restore();
        if (this.bench.view.stage === 'ink') this.drawInkStage(context, toScreen, this.view, size);
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
        const drawing = this.bench.drawing?.[1] ?? null;
        this.lookAtTrial(view, size);
        this.looks.draw(context, toScreen, size);
        if (drawing !== null && trial !== null && tool !== 'place' && isTurnTried(drawing, trial))
            this.drawFaint(context, toScreen, drawing, trial);
        if (drawing !== null && compare > 0) this.drawOriginal(context, toScreen, drawing, size, compare);
        if (drawing !== null && tool === 'place') this.drawPlacing(context, toScreen, view, drawing, trial);
        if (!overlays) return;
        context.setTransform(1, 0, 0, 1, 0, 0);
        // Closer than a few pixels it would only be grey.
        if (grid * view.scale >= LEAST_GRID) drawGrid(context, toScreen, size, grid);
        this.drawDraft(context, toScreen);
        const { lifted } = this.bench.view;
        if (lifted !== null && this.gesture === null) drawOutline(context, toScreen, lifted);
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
                this.bench.pickedLines.map(([, line]) => line),
            );
    }

    /** The original through the page, where it is only being turned or moved. */
    private drawFaint(context: CanvasRenderingContext2D, toScreen: DOMMatrix, drawing: DrawingData, trial: Trial | null): void {
        context.save();
        context.globalAlpha = FAINT;
        this.originals.draw(context, toScreen, drawing, trial);
        context.restore();
    }

    /** The frame of what is placed; while a sheet's corners are tried, the original with these marked on it. */
    private drawPlacing(
        context: CanvasRenderingContext2D,
        toScreen: DOMMatrix,
        view: View,
        drawing: DrawingData,
        trial: Trial | null,
    ): void {
        const place = trial?.place ?? drawing.place;
        const isCutting = isCuttingOut(drawing, place);
        if (isCutting) this.originals.draw(context, toScreen, drawing, null);
        else if (place !== drawing.place) this.drawFaint(context, toScreen, drawing, trial);
        context.setTransform(1, 0, 0, 1, 0, 0);
        if (isCutting) {
            const toPage = originalMatrix(drawing, null);
            const corners = place.corners?.map(([x, y]) => toPage.transformPoint(new DOMPoint(x, y))) ?? [];
            drawOutline(context, toScreen, corners);
            drawHandles(context, toScreen, corners);
        } else {
            drawFrame(context, toScreen, frameOf(drawing, place), knobOf(drawing, place, KNOB_AWAY / view.scale));
            drawHandles(context, toScreen, sidesAt(drawing, place), true);
        }
    }

    /** The picked drawing as the settings that are tried would clean it. */
    private lookAtTrial(view: View, size: Box): void {
        const { trial } = this.bench.view;
        const picked = this.bench.drawing;
        if (trial === null || picked === null) return this.looks.want(null);
        const [id, drawing] = picked;
        this.looks.want({ id, drawing, trial, ...tilesInView(shown(view, this.canvas), size, this.level) });
    }

    /** The shape so far, with every place that was set. */
    private drawDraft(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        const { draft, shape } = this.bench.view;
        if (draft.length === 0 || this.gesture !== null) return;
        const line = lineOf(shape, draft);
        drawLines(context, toScreen, [
            ...(line === null ? [] : [{ points: line }]),
            ...draft.map(({ x, y }) => ({ points: [[x, y, 1] as InkPointData] })),
        ]);
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
        drawEdge(context, toScreen.transformPoint(new DOMPoint(edge, 0)), toScreen.transformPoint(new DOMPoint(edge, size.height)));
    }

    private drawTiles(context: CanvasRenderingContext2D, view: View, size: { width: number; height: number }): void {
        const level = this.level;
        const { look } = this.bench;
        const seen = shown(view, this.canvas);
        // The coarsest picture of all that is in view comes before anything sharp.
        this.eachTile(HIGHEST, seen, size, 0, (column, row) => this.ensure(HIGHEST, column, row, look, -1));
        let isComplete = true;
        this.eachTile(level, seen, size, 0, (column, row) => {
            const span = SIDE << level;
            const tile = this.ensure(level, column, row, look, this.distanceOf(view, level, column, row));
            if (tile.isReady) context.drawImage(tile.canvas, column * span, row * span, span, span);
            else this.drawCoarser(context, level, column, row, span);
            isComplete &&= tile.isReady && !tile.isDirty;
        });
        if (this.bench.view.stage === 'ink') this.drawUnderdrawings(context, level, seen, size);
        if (isComplete) this.fetchRing(level, seen, size);
    }

    private drawUnderdrawings(
        context: CanvasRenderingContext2D,
        level: number,
        seen: ReturnType<typeof shown>,
        size: { width: number; height: number },
    ): void {
        for (const [id, drawing] of Object.entries(this.bench.session.view.records.drawing)) {
            if (drawing.role !== 'underdrawing' || !drawing.visible) continue;
            this.eachTile(level, seen, size, 0, (column, row) => this.underdrawings.draw(context, id, drawing, level, column, row));
        }
    }

    /** Tiles that are on screen, as "column,row"; of these, where spots are given, those round about them. */
    placesInView(spots: readonly { x: number; y: number }[] | null): Set<string> {
        const places = new Set<string>();
        const size = sizeOf(this.bench.session.view);
        if (this.view === null || size === null) return places;
        const seen = shown(this.view, this.canvas);
        const xs = spots?.map(({ x }) => x) ?? [seen.left, seen.right];
        const ys = spots?.map(({ y }) => y) ?? [seen.top, seen.bottom];
        const about = {
            left: Math.max(seen.left, Math.min(...xs)),
            right: Math.min(seen.right, Math.max(...xs)),
            top: Math.max(seen.top, Math.min(...ys)),
            bottom: Math.min(seen.bottom, Math.max(...ys)),
        };
        this.eachTile(this.level, about, size, 0, (column, row) => places.add(`${column},${row}`));
        return places;
    }

    private eachTile(
        level: number,
        seen: ReturnType<typeof shown>,
        size: { width: number; height: number },
        ring: number,
        work: (column: number, row: number) => void,
    ): void {
        const span = SIDE << level;
        const last = { column: Math.ceil(size.width / span) - 1, row: Math.ceil(size.height / span) - 1 };
        const clamp = (value: number, most: number): number => Math.max(0, Math.min(most, value));
        for (
            let row = clamp(Math.floor(seen.top / span) - ring, last.row);
            row <= clamp(Math.floor(seen.bottom / span) + ring, last.row);
            row++
        ) {
            for (
                let column = clamp(Math.floor(seen.left / span) - ring, last.column);
                column <= clamp(Math.floor(seen.right / span) + ring, last.column);
                column++
            )
                work(column, row);
        }
    }

    /** The tile's picture, and if it is out of date, its place in the workers' queue. */
    private ensure(level: number, column: number, row: number, look: Look, distance: number): Shown {
        const key = `${level} ${column},${row}`;
        let tile = this.shown.get(key);
        if (tile === undefined) {
            const canvas = document.createElement('canvas');
            canvas.width = canvas.height = SIDE;
            tile = { canvas, isDirty: true, isReady: false, isAsked: false };
        }
        remember(this.shown, key, tile, MOST_SHOWN);
        if (tile.isDirty) this.compose(tile, level, column, row, look, distance);
        return tile;
    }

    private compose(tile: Shown, level: number, column: number, row: number, look: Look, distance: number): void {
        const request = this.request(level, column, row, look, distance, 'view');
        if (request === null) return;
        tile.isDirty = false;
        tile.isAsked = true;
        this.pool.ask({
            ...request,
            done: (pixels) => {
                tile.isAsked = false;
                if (pixels === null) {
                    // Tried again when something changes.
                    tile.isDirty = true;
                    return;
                }
                tile.canvas.getContext('2d')?.putImageData(new ImageData(pixels, SIDE, SIDE), 0, 0);
                tile.isReady = true;
                this.schedule();
            },
        });
    }

    /** All that a worker needs; null while a layer is on its way. */
    private request(level: number, column: number, row: number, look: Look, distance: number, purpose: string) {
        const names = look.passes ? this.layers : ['ink', 'flats'];
        const levels = purpose === 'view' ? this.levelsTable : null;
        const size = sizeOf(this.bench.session.view);
        const scan = `scan:${this.bench.drawing?.[0]}`;
        const layers =
            size === null || this.stack === null
                ? null
                : this.tileLayers.of(
                      { level, column, row, distance },
                      names,
                      this.stack,
                      size,
                      (layer) => (levels !== null && layer === 'ink' ? scan : layer),
                      purpose === 'view' ? this.bench.view.tried : null,
                  );
        if (layers === null) return null;
        return {
            key: `${purpose} ${level} ${column},${row}`,
            column,
            row,
            x: column * SIDE,
            y: row * SIDE,
            look,
            layers,
            active: this.activeLayer,
            levels,
        };
    }

    private fetchRing(level: number, seen: ReturnType<typeof shown>, size: { width: number; height: number }): void {
        const names = this.bench.look.passes ? this.layers : ['ink', 'flats'];
        this.eachTile(level, seen, size, RING, (column, row) =>
            names.forEach((layer) => this.bench.session.tiles.get(level, layer, column, row, LATER)),
        );
    }

    /** What a coarser level has of a tile that is not here yet. */
    private drawCoarser(context: CanvasRenderingContext2D, level: number, column: number, row: number, span: number): void {
        for (let up = 1; level + up <= HIGHEST; up++) {
            const tile = this.shown.get(`${level + up} ${column >> up},${row >> up}`);
            if (tile?.isReady !== true) continue;
            const part = SIDE >> up;
            const mask = (1 << up) - 1;
            context.drawImage(tile.canvas, (column & mask) * part, (row & mask) * part, part, part, column * span, row * span, span, span);
            return;
        }
        context.fillStyle = '#f4f4f4';
        context.fillRect(column * span, row * span, span, span);
    }

    /** The shape so far that is blocked in by its corners. */
    private drawCorners(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        const { draft } = this.bench.view;
        if (draft.length === 0) return;
        drawOutline(context, toScreen, draft);
        drawHandles(context, toScreen, draft);
    }

    /** Which way the picked regions run; several may have one direction. */
    private drawFlows(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        const { width, height } = sizeOf(this.bench.session.view) ?? { width: 0, height: 0 };
        const flows = new Map(this.bench.chosenRegions.map(([, { flow }]) => [JSON.stringify(flow), flow]));
        for (const flow of flows.values()) {
            const path = flow?.map(([x, y]) => ({ x: x * width, y: y * height }));
            if (path !== undefined) drawArrow(context, toScreen, path);
        }
    }

    private drawMirror(context: CanvasRenderingContext2D, toScreen: DOMMatrix, axis: AxisData, view: View): void {
        drawAxis(context, toScreen, axis);
        const { move, turn } = axisGrips(axis, view.scale);
        drawHandles(context, toScreen, [move]);
        drawHandles(context, toScreen, [turn], true);
    }

    private drawOverlays(context: CanvasRenderingContext2D, toScreen: DOMMatrix, view: View): void {
        const { overlays, bridges, bridgeLimit, stage, tool, size, axis } = this.bench.view;
        if (overlays && axis !== null && TOOLS[tool].options.includes('axis')) this.drawMirror(context, toScreen, axis, view);
        if (overlays && stage === 'flats') drawCues(context, toScreen, this.bench.view.cues);
        if (overlays && stage === 'flats' && (bridges || tool === 'bridge')) {
            const all = asLimited(Object.values(this.bench.session.view.records.bridge), bridgeLimit);
            drawBridges(context, toScreen, tool === 'bridge' || bridgeLimit !== null ? all : all.filter(({ kind }) => kind !== 'refused'));
        }
        context.save();
        if (overlays) this.gesture?.overlay?.(context, toScreen);
        context.restore();
        if (overlays && stage === 'light') this.drawFlows(context, toScreen);
        if (stage === 'flats' || stage === 'light') this.drawCorners(context, toScreen);
        const width = tool === 'ink' ? this.bench.view.weight : size;
        if (this.pointer !== null && TOOLS[tool].cursor === 'ring') drawRing(context, this.pointer, (width / 2) * view.scale);
    }
}

/** A tile's layers, as the compositor asks for them. */
function blockOf({ x, y, layers }: Pick<TileRequest, 'x' | 'y' | 'layers'>): Block {
    const bytes = new Map(layers.map((sent) => [sent.layer, sent.bytes]));
    return { count: PIXELS, bytes: (layer) => bytes.get(layer) ?? null, x, y, width: SIDE };
}

/** Whether something else stays clear of a veil. */
const isVeiledOtherwise = (now: BenchView, before: BenchView): boolean =>
    now.veil !== before.veil ||
    now.chosen !== before.chosen ||
    (now.stage !== before.stage && (now.veil !== 'none' || before.chosen.length > 0)) ||
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
