/** Collects what a tile is composited from, for the workers. */
import { LabelsAround } from './around';
import { AROUND } from './jobs';
import type { TileRequest } from './pool';
import type { Stack } from './stack';
import type { TileCache } from './tiles';
import type { TriedLight } from './tried';

export interface TilePlace {
    level: number;
    column: number;
    row: number;
    /** From the middle of what is looked at; nearer ones are fetched first. */
    distance: number;
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
    ): TileRequest['layers'] | null {
        const { level, column, row, distance } = place;
        const layers = names.map((layer) => {
            if (tried?.has(layer) === true) return { layer, version: tried.version, bytes: tried.tile(layer, level, column, row) };
            const from = instead(layer);
            const version = this.tiles.versionOf(level, from, column, row);
            return { layer, version: from === layer ? version : -1 - version, bytes: this.tiles.get(level, from, column, row, distance) };
        });
        if (layers.some(({ bytes }) => bytes === undefined)) return null;
        const found = layers.map((layer) => ({ ...layer, bytes: layer.bytes ?? null }));
        if (stack.soft.size === 0) return found;
        return [...found, { layer: AROUND, ...this.around.of(level, column, row, page, distance) }];
    }
}

/** A place and those round about it: what a tile shows at its edge depends on its neighbours. */
export const around = (column: number, row: number): [number, number][] =>
    [row - 1, row, row + 1].flatMap((y) => [column - 1, column, column + 1].map((x): [number, number] => [x, y]));

/** The same of several, as "column,row". */
export function andNeighbours(places: Set<string>): Set<string> {
    const all = [...places].flatMap((place) => {
        const [column, row] = place.split(',').map(Number);
        return around(column, row);
    });
    return new Set(all.map(([x, y]) => `${x},${y}`));
}
