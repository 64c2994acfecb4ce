/**
 * What a change of the whole page will look like, before its tiles are composited: each keeps its detail and takes on
 * the change of colour that the coarsest picture of the page, which is there first, has at the same places.
 */
import { SIDE } from '../../picture/compose';

export type Picture = Uint8ClampedArray<ArrayBuffer>;

/** A coarse tile's pictures kept, one for each of the last changes. */
const MOST_CHANGES = 6;
/** A change of one of 255, in whole numbers that leave room for its parts. */
const BITS = 16;
const ONE = 1 << BITS;

/** The pictures of coarse tiles, by the change of the page after which they were made. */
export class CoarsePictures {
    private readonly tiles = new Map<string, Map<number, Picture>>();

    keep(tile: string, changes: number, picture: Picture): void {
        const pictures = this.tiles.get(tile) ?? new Map<number, Picture>();
        this.tiles.set(tile, pictures);
        pictures.set(changes, picture);
        for (const old of [...pictures.keys()].sort((a, b) => a - b).slice(0, -MOST_CHANGES)) pictures.delete(old);
    }

    /** A change that the tile does not show: its last picture holds. */
    goesOn(tile: string, changes: number): void {
        const pictures = this.tiles.get(tile);
        const last = pictures?.get(Math.max(...pictures.keys()));
        if (last !== undefined) this.keep(tile, changes, last);
    }

    at(tile: string, changes: number): Picture | null {
        return this.tiles.get(tile)?.get(changes) ?? null;
    }

    forget(): void {
        this.tiles.clear();
    }
}

/**
 * A tile's picture, changed as the part of a coarse one has changed: the difference, bilinear between the middles of
 * coarse pixels, is added.
 *
 * @param up how many levels coarser that one is, from 1 on
 * @param column the tile's, at its own level; the same for the row
 */
export function changedLike(
    picture: Picture,
    before: Picture,
    after: Picture,
    { up, column, row }: { up: number; column: number; row: number },
): Picture {
    const length = SIDE >> up;
    const left = (column % (1 << up)) * length;
    const top = (row % (1 << up)) * length;
    const out = new Uint8ClampedArray(picture);
    // One coarse pixel more on either side, where the coarse tile has one.
    const change = new Int32Array(3 * (length + 2));
    for (let y = 0; y < SIDE; y++) {
        const at = (y + 0.5) / (1 << up) - 0.5;
        const first = Math.floor(at);
        const upper = SIDE * inTile(top + first);
        const lower = SIDE * inTile(top + first + 1);
        const share = Math.round(ONE * (at - first));
        for (let x = -1; x <= length; x++) {
            const from = inTile(left + x);
            const a = 4 * (upper + from);
            const b = 4 * (lower + from);
            for (let c = 0; c < 3; c++)
                change[3 * (x + 1) + c] =
                    (ONE - share) * (after[a + c] - before[a + c]) + share * (after[b + c] - before[b + c]);
        }
        addRow(out, 4 * SIDE * y, change, up);
    }
    return out;
}

/**
 * From the middle of a coarse pixel to that of the next, in equal steps.
 *
 * @param change of each coarse pixel of the row and of one on either side, three channels each, times ONE
 */
function addRow(out: Picture, begin: number, change: Int32Array, up: number): void {
    const half = 1 << (up - 1);
    for (let k = 0; 3 * k + 3 < change.length; k++) {
        const red = 3 * k;
        const green = red + 1;
        const blue = red + 2;
        const stepRed = (change[red + 3] - change[red]) >> up;
        const stepGreen = (change[green + 3] - change[green]) >> up;
        const stepBlue = (change[blue + 3] - change[blue]) >> up;
        const from = (k << up) - half;
        const first = Math.max(0, from);
        const end = begin + 4 * Math.min(SIDE, from + 2 * half);
        // Half a step in, and half of what is cut off when it becomes whole.
        const past = first - from;
        let r = change[red] + past * stepRed + (stepRed >> 1) + ONE / 2;
        let g = change[green] + past * stepGreen + (stepGreen >> 1) + ONE / 2;
        let b = change[blue] + past * stepBlue + (stepBlue >> 1) + ONE / 2;
        for (let at = begin + 4 * first; at < end; at += 4) {
            out[at] += r >> BITS;
            out[at + 1] += g >> BITS;
            out[at + 2] += b >> BITS;
            r += stepRed;
            g += stepGreen;
            b += stepBlue;
        }
    }
}

const inTile = (at: number): number => Math.max(0, Math.min(SIDE - 1, at));
