/** Collects what a tile is composited from, for the workers. */
import { LabelsAround, sizeAt } from './around';
import { SIDE } from './compose';
import { AROUND, type Part } from './jobs';
import type { RequestedLayer } from './pool';
import { marginOf, type Stack } from './stack';
import type { TileCache } from './tiles';
import type { TriedLight } from './tried';

export interface TilePlace {
    level: number;
    column: number;
    row: number;
    /** From the middle of what is looked at; nearer ones are fetched first. */
    distance: number;
}

/** What a tile is composited from. */
export interface Collected {
    layers: RequestedLayer[];
    /** The part of the page that they are of, where that is more than the tile. */
    wide: Part | null;
}

/** One layer's bytes in one tile: undefined while they are on their way. */
interface Here {
    version: number;
    bytes: Uint8Array | null | undefined;
}

export class TileLayers {
    private readonly around: LabelsAround;

    constructor(private readonly tiles: TileCache) {
        this.around = new LabelsAround(tiles);
    }

    /**
     * @param page its size
     * @param instead what stands in for a layer, under versions of its own
     * @param tried a light that is being tried: its layers are drawn out of it
     * @return null while a layer is on its way
     */
    of(
        place: TilePlace,
        names: string[],
        stack: Stack,
        page: { width: number; height: number },
        instead: (layer: string) => string = (layer) => layer,
        tried: TriedLight | null = null,
    ): Collected | null {
        const { level, column, row, distance } = place;
        const at = (layer: string, x: number, y: number): Here => {
            if (tried?.has(layer) === true) return { version: tried.version, bytes: tried.tile(layer, level, x, y) };
            const from = instead(layer);
            const version = this.tiles.versionOf(level, from, x, y);
            const isOwn = x === column && y === row;
            const bytes = this.tiles.get(level, from, x, y, isOwn ? distance : distance + SIDE);
            return { version: from === layer ? version : -1 - version, bytes };
        };
        const margin = marginOf(stack, level);
        if (margin > 0) return this.widely(place, names, page, margin, at);
        const found = names.map((layer) => ({ layer, ...at(layer, column, row) }));
        if (found.some(({ bytes }) => bytes === undefined)) return null;
        const layers = found.map(({ layer, version, bytes }) => ({ layer, version, bytes: () => bytes ?? null }));
        if (stack.soft.size === 0) return { layers, wide: null };
        const around = this.around.of(level, column, row, page, distance);
        return {
            layers: [...layers, { layer: AROUND, version: around.version, bytes: () => around.bytes }],
            wide: null,
        };
    }

    /** The same with so many pixels on every side, as far as the page reaches, out of the tiles they lie in. */
    private widely(
        { level, column, row }: TilePlace,
        names: string[],
        page: { width: number; height: number },
        margin: number,
        at: (layer: string, column: number, row: number) => Here,
    ): Collected | null {
        const wide = widened(
            { x: column * SIDE, y: row * SIDE, width: SIDE, height: SIDE },
            margin,
            sizeAt(page, level),
        );
        const tiles: [number, number][] = [];
        for (let y = Math.floor(wide.y / SIDE); y * SIDE < wide.y + wide.height; y++)
            for (let x = Math.floor(wide.x / SIDE); x * SIDE < wide.x + wide.width; x++) tiles.push([x, y]);
        const layers = names.map((layer) => {
            const here = tiles.map(([x, y]) => ({ x, y, ...at(layer, x, y) }));
            // Versions are given out in order: whichever of the tiles changes becomes the newest; those of stand-ins
            // are below 0.
            const versions = here.map(({ version }) => version);
            const version = versions.some((one) => one < 0) ? Math.min(...versions) : Math.max(...versions);
            return { layer, version, here };
        });
        if (layers.some(({ here }) => here.some(({ bytes }) => bytes === undefined))) return null;
        return {
            wide,
            layers: layers.map(({ layer, version, here }) => ({ layer, version, bytes: () => joined(here, wide) })),
        };
    }
}

/** A part with so many pixels more on every side, as far as the page reaches. */
function widened({ x, y, width, height }: Part, by: number, page: { width: number; height: number }): Part {
    const [left, top] = [Math.max(0, x - by), Math.max(0, y - by)];
    return {
        x: left,
        y: top,
        width: Math.min(page.width, x + width + by) - left,
        height: Math.min(page.height, y + height + by) - top,
    };
}

/** Planes of a part of the page, put together out of those of tiles; null where all of them are empty. */
function joined(tiles: { x: number; y: number; bytes?: Uint8Array | null }[], part: Part): Uint8Array | null {
    const size = Math.max(0, ...tiles.map(({ bytes }) => bytes?.length ?? 0)) / (SIDE * SIDE);
    if (size === 0) return null;
    // Labels are two bytes a pixel side by side, paint is four planes one after the other.
    const [planes, each] = size === 2 ? [1, 2] : [size, 1];
    const out = new Uint8Array(size * part.width * part.height);
    for (const { x, y, bytes } of tiles) {
        if (bytes === undefined || bytes === null) continue;
        const [left, right] = [Math.max(part.x, x * SIDE), Math.min(part.x + part.width, (x + 1) * SIDE)];
        const [top, bottom] = [Math.max(part.y, y * SIDE), Math.min(part.y + part.height, (y + 1) * SIDE)];
        for (let plane = 0; plane < planes; plane++) {
            for (let line = top; line < bottom; line++) {
                const from = each * (plane * SIDE * SIDE + (line - y * SIDE) * SIDE + left - x * SIDE);
                const to = each * (plane * part.width * part.height + (line - part.y) * part.width + left - part.x);
                out.set(bytes.subarray(from, from + each * (right - left)), to);
            }
        }
    }
    return out;
}

/** A place and those round about it, so many tiles far: what a tile shows at its edge depends on its neighbours. */
export function around(column: number, row: number, far = 1): [number, number][] {
    const steps = Array.from({ length: 2 * far + 1 }, (_, i) => i - far);
    return steps.flatMap((y) => steps.map((x): [number, number] => [column + x, row + y]));
}

/** The same of several, as "column,row". */
export function andNeighbours(places: Set<string>, far = 1): Set<string> {
    const all = [...places].flatMap((place) => {
        const [column, row] = place.split(',').map(Number);
        return around(column, row, far);
    });
    return new Set(all.map(([x, y]) => `${x},${y}`));
}

/** How many tiles far a change is seen beside the tile that holds it. */
export const farOf = (stack: Stack, level: number): number => {
    const margin = marginOf(stack, level);
    return margin > 0 ? Math.ceil(margin / SIDE) : stack.soft.size > 0 ? 1 : 0;
};
