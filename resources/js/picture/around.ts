/** Labels of tiles with those of one pixel on every side, for what a pixel's neighbours have a say in. */
import { SIDE } from './compose';
import { remember } from './remember';
import type { TileCache } from './tiles';

const WIDE = SIDE + 2;
/** Planes kept; a page in view is fewer. */
const MOST_KEPT = 220;

export interface Around {
    /** Changes whenever a label does. */
    version: number;
    /** Two bytes a pixel, 258 x 258. */
    bytes: Uint8Array;
}

export class LabelsAround {
    private readonly kept = new Map<string, Around>();

    constructor(private readonly tiles: Pick<TileCache, 'get' | 'versionOf'>) {}

    /** Neighbours that are on their way, or beside the page, are taken to be like the pixels next to them. */
    of(level: number, column: number, row: number, page: { width: number; height: number }, distance: number): Around {
        const key = `${level} ${column},${row}`;
        const version = this.newest(level, column, row);
        const known = this.kept.get(key);
        const around =
            known?.version === version
                ? known
                : { version, bytes: this.plane(level, column, row, sizeAt(page, level), distance) };
        remember(this.kept, key, around, MOST_KEPT);
        return around;
    }

    /** Versions are given out in order: whichever of the nine changes becomes the newest. */
    private newest(level: number, column: number, row: number): number {
        let version = 0;
        for (let y = row - 1; y <= row + 1; y++)
            for (let x = column - 1; x <= column + 1; x++)
                version = Math.max(version, this.tiles.versionOf(level, 'flats', x, y));
        return version;
    }

    private plane(
        level: number,
        column: number,
        row: number,
        page: { width: number; height: number },
        distance: number,
    ): Uint8Array {
        const at = (x: number, y: number): Uint8Array | null => {
            const tile = { column: Math.floor(x / SIDE), row: Math.floor(y / SIDE) };
            const isOwn = tile.column === column && tile.row === row;
            const bytes = this.tiles.get(level, 'flats', tile.column, tile.row, isOwn ? distance : distance + SIDE);
            if (bytes === undefined) return isOwn ? null : at(hold(x, column * SIDE, SIDE), hold(y, row * SIDE, SIDE));
            return bytes?.subarray(2 * ((y & (SIDE - 1)) * SIDE + (x & (SIDE - 1)))) ?? null;
        };
        const plane = new Uint8Array(2 * WIDE * WIDE);
        const [left, top] = [column * SIDE, row * SIDE];
        const inside = Math.min(SIDE, page.width - left);
        for (let line = 0; line < WIDE; line++) {
            const y = hold(top - 1 + line, 0, page.height);
            const put = (from: number, x: number, count: number): void => {
                const bytes = at(hold(x, 0, page.width), y);
                if (bytes !== null) plane.set(bytes.subarray(0, 2 * count), 2 * (line * WIDE + from));
            };
            put(0, left - 1, 1);
            put(1, left, inside);
            put(1 + inside, left + inside, 1);
        }
        return plane;
    }
}

/** A page halved so often, as the server halves it. */
export const sizeAt = (
    { width, height }: { width: number; height: number },
    level: number,
): { width: number; height: number } => ({
    width: Math.max(1, width >> level),
    height: Math.max(1, height >> level),
});

const hold = (value: number, from: number, count: number): number => Math.max(from, Math.min(from + count - 1, value));
