/**
 * The pictures of the page's tiles: asks for what is in view, has it composited by the workers, draws what is there.
 * Drawing never waits: until a tile is ready its old picture shows, or what a coarser level has of it.
 */
import { changedLabels, holdsAny } from '../../picture/changes';
import { PIXELS, SIDE, type Block, type Look } from '../../picture/compose';
import type { ComposePool, TileRequest } from '../../picture/pool';
import { remember } from '../../picture/remember';
import { layersOf, type Stack } from '../../picture/stack';
import { andNeighbours, around, farOf, TileLayers, type TilePlace } from '../../picture/tileLayers';
import { HIGHEST } from '../../picture/tiles';
import type { TriedLight } from '../../picture/tried';
import { sizeOf } from '../../page/store';
import type { BenchModel } from '../model/model';
import { changedLike, CoarsePictures, type Picture } from './coarseChange';
import { patch } from './patches';
import { shownStack, triedTable } from './shownStack';
import { levelFor, tilesIn, type Box, type Part, type View } from './viewport';

interface Shown {
    readonly level: number;
    readonly column: number;
    readonly row: number;
    canvas: HTMLCanvasElement;
    /** What it shows is out of date. */
    isDirty: boolean;
    /** It has been drawn at least once. */
    isReady: boolean;
    /** A picture of it is on its way from a worker. */
    isAsked: boolean;
    /** How often it was patched in the window since; what was asked for before is older than that. */
    drafts: number;
    /** What it shows is right but for a tone that is being changed: that is right in a few pixels only. */
    isDraft: boolean;
    /** The last change of the whole page that its picture shows. */
    changes: number;
    /** The last one that the picture on its way will show. */
    asked: { changes: number };
    /** It shows that picture with a later change as the coarsest picture has it. */
    hasCoarseChange: boolean;
}

/** What is looked at, and which part of the page that shows. */
export interface Sight {
    view: View;
    seen: Part;
}

/** Tile pictures kept, of all levels. */
const MOST_SHOWN = 220;
/** Of so many their bytes as well, a quarter of a megabyte each: what is in view at one level is fewer. */
const MOST_KEPT = 48;
/** How far beyond the screen's edge tiles are fetched early. */
const RING = 1;
const LATER = 1e6;

export class TilePictures {
    private activeLayer: string | null = null;
    private readonly shown = new Map<string, Shown>();
    private readonly pictures = new Map<string, Picture>();
    private asked = 0;
    private layers: string[] = [];
    private levelsTable: Uint8Array | null = null;
    private readonly tileLayers: TileLayers;
    /** As it was shown last. */
    private stack: Stack | null = null;
    /** How often what is shown has been changed as a whole. */
    private changes = 0;
    private readonly coarse = new CoarsePictures();
    /** The level that was drawn last. */
    private level = 0;

    constructor(
        private readonly bench: BenchModel,
        private readonly pool: ComposePool,
        private readonly changed: () => void,
    ) {
        this.tileLayers = new TileLayers(bench.session.tiles);
    }

    /** Nothing that was shown is of this page any more. */
    forget(): void {
        this.shown.clear();
        this.coarse.forget();
    }

    /** @param sight what is looked at; null while nothing is */
    takeStack(sight: Sight | null): void {
        const stack = shownStack(this.bench);
        const changed = this.stack === null ? null : changedLabels(this.stack, stack);
        this.stack = stack;
        this.layers = layersOf(stack);
        this.pool.setStack(stack);
        this.changes++;
        if (changed === null) {
            this.dirty(null, null);
            if (sight !== null) this.ensureCoarsest(sight.seen);
            return;
        }
        const current = this.dirtyWhere(changed);
        this.goOn();
        this.repaintInView(sight, current, changed);
    }

    takeLook(): void {
        this.levelsTable = triedTable(this.bench);
        this.changes++;
        this.dirty(null, null);
    }

    /** Another light is tried, or none any more. */
    takeTried(now: TriedLight | null, before: TriedLight | null): void {
        for (const tile of this.shown.values())
            if ([now, before].some((tried) => tried?.touches(tile.level, tile.column, tile.row))) outOfDate(tile);
        this.changed();
    }

    /** Some tiles look different now; the layer is the one the hand works on. */
    touched(level: number, places: Set<string>, layer: string): void {
        this.activeLayer = layer;
        this.dirty(level, places);
    }

    dirty(level: number | null, changed: Set<string> | null): void {
        const places = changed === null || level === null ? changed : andNeighbours(changed, this.far(level));
        for (const tile of this.shown.values())
            if (
                (level === null || tile.level === level) &&
                (places === null || places.has(`${tile.column},${tile.row}`))
            )
                outOfDate(tile);
        this.changed();
    }

    /** A full-size tile as the finished page shows it; null while its layers are on their way. */
    pixels(column: number, row: number): Promise<Picture | null> {
        return new Promise((done) => {
            // Under a key of its own each time: a request that another replaces is never answered.
            const look = { ink: 1, hatch: false, veil: false, passes: true };
            const request = this.request({ level: 0, column, row, distance: 0 }, look, `true ${++this.asked}`);
            if (request === null) done(null);
            else this.pool.ask({ ...request, done });
        });
    }

    draw(context: CanvasRenderingContext2D, { view, seen }: Sight, size: Box): void {
        const level = levelFor(view.scale, HIGHEST);
        this.level = level;
        const { look } = this.bench;
        this.ensureCoarsest(seen);
        let isComplete = true;
        for (const { column, row } of tilesIn(level, seen, size)) {
            const span = SIDE << level;
            const tile = this.ensure(placeFrom(view, level, column, row), look);
            if (tile.isReady) context.drawImage(tile.canvas, column * span, row * span, span, span);
            else this.drawCoarser(context, level, column, row, span);
            isComplete &&= tile.isReady && !tile.isDirty;
        }
        if (isComplete) this.fetchRing(level, seen, size);
    }

    /** The coarsest picture of all that is in view comes before anything sharp. */
    private ensureCoarsest(seen: Part): void {
        const size = sizeOf(this.bench.session.view);
        if (size === null) return;
        for (const { column, row } of tilesIn(HIGHEST, seen, size))
            this.ensure({ level: HIGHEST, column, row, distance: -1 }, this.bench.look);
    }

    /**
     * A tone that is being changed shall be there when the next frame is drawn: composited here and now, as far as
     * there is time. For what is left the workers are asked before the frame asks.
     *
     * @param current tiles that look different, and showed everything else as it is
     */
    private repaintInView(sight: Sight | null, current: ReadonlySet<Shown>, changed: ReadonlySet<number>): void {
        const size = sizeOf(this.bench.session.view);
        if (sight === null || size === null) return;
        const level = levelFor(sight.view.scale, HIGHEST);
        const tiles = tilesIn(level, sight.seen, size).flatMap(({ column, row }) => {
            const tile = this.shown.get(`${level} ${column},${row}`);
            return tile?.isDirty === true ? [{ tile, place: placeFrom(sight.view, level, column, row) }] : [];
        });
        const { look } = this.bench;
        this.patch(
            tiles.filter(({ tile }) => current.has(tile)),
            look,
            changed,
        );
        for (const { tile, place } of tiles) if (tile.isDirty) this.compose(tile, place, look);
    }

    private patch(tiles: { tile: Shown; place: TilePlace }[], look: Look, changed: ReadonlySet<number>): void {
        const { stack } = this;
        // Levels that are tried stand in for the ink.
        if (stack === null || this.levelsTable !== null) return;
        const patched = tiles.flatMap(({ tile, place }) => {
            const request = this.request(place, look, 'view');
            const picture = this.pictures.get(keyOf(place));
            // What looks around is made anew by the workers.
            return request === null || picture === undefined || request.wide !== null
                ? []
                : [{ tile, picture, block: blockOf(request) }];
        });
        // What is softened asks its neighbours, too.
        const isExact = patch(patched, changed, stack, look) && stack.soft.size === 0;
        for (const { tile, picture } of patched) {
            put(tile, picture);
            tile.drafts++;
            tile.isDraft ||= !isExact;
            tile.isDirty = tile.isDraft;
            tile.changes = this.changes;
            tile.hasCoarseChange = false;
        }
    }

    /**
     * Where some regions look different; a tile whose flats are not here yet may hold them.
     *
     * @return of these tiles those that showed everything else as it is
     */
    private dirtyWhere(labels: ReadonlySet<number>): Set<Shown> {
        const current = new Set<Shown>();
        for (const tile of this.shown.values()) {
            const { level, column, row } = tile;
            const flatsAt = (x: number, y: number): Uint8Array | null =>
                this.bench.session.tiles.peek(level, 'flats', x, y);
            const own = flatsAt(column, row);
            const near = around(column, row, this.far(level)).map(([x, y]) => flatsAt(x, y));
            if (own === null || [own, ...near].some((flats) => flats !== null && holdsAny(flats, labels))) {
                if (tile.isDraft || (tile.isReady && !tile.isDirty && !tile.isAsked)) current.add(tile);
                tile.isDirty = true;
            }
        }
        this.changed();
        return current;
    }

    /** What a change has not put out of date shows the page as it is after it, too. */
    private goOn(): void {
        for (const tile of this.shown.values()) {
            if (tile.isDirty) continue;
            tile.asked.changes = this.changes;
            if (tile.isAsked) continue;
            tile.changes = this.changes;
            if (tile.level === HIGHEST) this.coarse.goesOn(placeOf(tile), this.changes);
        }
    }

    /** Tiles in view whose pictures are older take on the change that a coarse tile shows. */
    private foreshow({ column, row }: Shown): void {
        const up = HIGHEST - this.level;
        for (const tile of this.shown.values()) {
            const isUnder = tile.level === this.level && tile.column >> up === column && tile.row >> up === row;
            if (isUnder && up > 0 && tile.isReady) this.show(tile);
        }
    }

    /** Its picture, with the change since then as the coarsest picture has it. */
    private show(tile: Shown): void {
        const picture = this.pictures.get(keyOf(tile));
        if (picture === undefined) return;
        const up = HIGHEST - tile.level;
        const coarse = this.shown.get(keyOf({ level: HIGHEST, column: tile.column >> up, row: tile.row >> up }));
        const isLater = up > 0 && coarse !== undefined && coarse.changes > tile.changes;
        const before = isLater ? this.coarse.at(placeOf(coarse), tile.changes) : null;
        const after = isLater ? this.coarse.at(placeOf(coarse), coarse.changes) : null;
        tile.hasCoarseChange = before !== null && after !== null;
        if (before === null || after === null) put(tile, picture);
        else put(tile, changedLike(picture, before, after, { up, column: tile.column, row: tile.row }));
    }

    /** The tile's picture, and if it is out of date, its place in the workers' queue. */
    private ensure(place: TilePlace, look: Look): Shown {
        const key = keyOf(place);
        const tile = this.shown.get(key) ?? newTile(place);
        remember(this.shown, key, tile, MOST_SHOWN);
        if (tile.isDirty) this.compose(tile, place, look);
        return tile;
    }

    private compose(tile: Shown, place: TilePlace, look: Look): void {
        const request = this.request(place, look, 'view');
        if (request === null) return;
        tile.isDirty = false;
        tile.isAsked = true;
        const { drafts } = tile;
        const asked = { changes: this.changes };
        tile.asked = asked;
        this.pool.ask({
            ...request,
            isFirst: place.level === HIGHEST,
            done: (pixels) => {
                // It is asked for anew: what the window itself made of it since is newer.
                if (tile.drafts !== drafts) return;
                tile.isAsked = false;
                if (pixels === null) {
                    // Tried again when something changes.
                    tile.isDirty = true;
                    return;
                }
                remember(this.pictures, keyOf(place), pixels, MOST_KEPT);
                tile.isReady = true;
                tile.isDraft = false;
                tile.changes = asked.changes;
                if (place.level === HIGHEST) this.coarse.keep(placeOf(tile), tile.changes, pixels);
                this.show(tile);
                if (place.level === HIGHEST) this.foreshow(tile);
                this.changed();
            },
        });
    }

    /** All that a worker needs; null while a layer is on its way. */
    private request(place: TilePlace, look: Look, purpose: string) {
        const { level, column, row } = place;
        const names = look.passes ? this.layers : ['ink', 'flats'];
        const isView = purpose === 'view';
        const levels = isView ? this.levelsTable : null;
        const size = sizeOf(this.bench.session.view);
        if (size === null || this.stack === null) return null;
        const instead = (layer: string): string =>
            levels !== null && layer === 'ink' ? `scan:${this.bench.ink.drawing?.[0]}` : layer;
        const stack = look.passes ? this.stack : { ...this.stack, planes: [], above: [] };
        const found = this.tileLayers.of(place, names, stack, size, instead, isView ? this.bench.view.tried : null);
        if (found === null) return null;
        const { layers, wide } = found;
        const key = `${purpose} ${level} ${column},${row}${wide === null ? '' : ` ${wide.x},${wide.y} ${wide.width}x${wide.height}`}`;
        return {
            key,
            level,
            column,
            row,
            x: column * SIDE,
            y: row * SIDE,
            wide,
            look,
            layers,
            active: this.activeLayer,
            levels,
        };
    }

    /** How many tiles far a change is seen beside the tile that holds it. */
    private far(level: number): number {
        return this.stack === null ? 0 : farOf(this.stack, level);
    }

    private fetchRing(level: number, seen: Part, size: Box): void {
        const names = this.bench.look.passes ? this.layers : ['ink', 'flats'];
        for (const { column, row } of tilesIn(level, seen, size, RING))
            names.forEach((layer) => this.bench.session.tiles.get(level, layer, column, row, LATER));
    }

    /** What a coarser level has of a tile that is not here yet. */
    private drawCoarser(
        context: CanvasRenderingContext2D,
        level: number,
        column: number,
        row: number,
        span: number,
    ): void {
        for (let up = 1; level + up <= HIGHEST; up++) {
            const tile = this.shown.get(`${level + up} ${column >> up},${row >> up}`);
            if (tile?.isReady !== true) continue;
            const part = SIDE >> up;
            const mask = (1 << up) - 1;
            context.drawImage(
                tile.canvas,
                (column & mask) * part,
                (row & mask) * part,
                part,
                part,
                column * span,
                row * span,
                span,
                span,
            );
            return;
        }
        context.fillStyle = '#f4f4f4';
        context.fillRect(column * span, row * span, span, span);
    }
}

const keyOf = ({ level, column, row }: Pick<TilePlace, 'level' | 'column' | 'row'>): string =>
    `${level} ${column},${row}`;

const placeOf = ({ column, row }: Shown): string => `${column},${row}`;

/** How far from the middle of what is looked at it lies, in pixels of the page: nearer ones come first. */
function placeFrom(view: View, level: number, column: number, row: number): TilePlace {
    const span = SIDE << level;
    return { level, column, row, distance: Math.hypot((column + 0.5) * span - view.x, (row + 0.5) * span - view.y) };
}

function newTile({ level, column, row }: TilePlace): Shown {
    const canvas = document.createElement('canvas');
    canvas.width = canvas.height = SIDE;
    return {
        level,
        column,
        row,
        canvas,
        isDirty: true,
        isReady: false,
        isAsked: false,
        drafts: 0,
        isDraft: false,
        changes: 0,
        asked: { changes: 0 },
        hasCoarseChange: false,
    };
}

function put({ canvas }: Shown, picture: Picture): void {
    canvas.getContext('2d')?.putImageData(new ImageData(picture, SIDE, SIDE), 0, 0);
}

function outOfDate(tile: Shown): void {
    tile.isDirty = true;
    tile.isDraft = false;
}

/** A tile's layers, as the compositor asks for them. */
function blockOf({ level, x, y, layers }: Pick<TileRequest, 'level' | 'x' | 'y' | 'layers'>): Block {
    const bytes = new Map(layers.map((sent) => [sent.layer, sent.bytes]));
    return { count: PIXELS, bytes: (layer) => bytes.get(layer)?.() ?? null, x, y, width: SIDE, level };
}
