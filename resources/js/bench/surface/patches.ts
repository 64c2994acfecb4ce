/**
 * A tone that is dragged must not lag: what looks different of the tiles in view is composited in the window itself,
 * before the next frame. Where that is much, a few of its pixels are, and those round about follow them; the workers
 * make it exact.
 */
import { composeBlock, type Block, type Look } from '../../picture/compose';
import { labelsIn } from '../../picture/ground';
import { gathered, pixelsOf, put } from '../../picture/gathered';
import type { Stack } from '../../picture/stack';

/** Pixels of all tiles together: some ten milliseconds. */
const MOST = 24_000;

export interface Patched {
    /** As it was composited last, four bytes a pixel; it is altered. */
    picture: Uint8ClampedArray<ArrayBuffer>;
    block: Block;
}

/** Which pixels of a tile are composited, and which of them each one follows. */
export interface Sampled {
    samples: Uint32Array;
    /** For each pixel that looks different the number of its sample. */
    of: Uint32Array;
}

/** How wide and high the cells are out of each of which one pixel is composited; 1: all of them are. */
export const cellFor = (count: number): number => Math.max(1, Math.ceil(Math.sqrt(count / MOST)));

/** @return whether the tiles are now what they would be from nothing */
export function patch(tiles: Patched[], labels: ReadonlySet<number>, stack: Stack, look: Look): boolean {
    const places = tiles.map(({ block }) => pixelsOf(block, labels));
    const cell = cellFor(places.reduce((sum, at) => sum + at.length, 0));
    tiles.forEach(({ picture, block }, i) => {
        const at = places[i];
        if (at.length === 0) return;
        if (cell === 1) put(picture, at, composeBlock(stack, gathered(block, at), look));
        else follow(picture, block, at, sampled(block, at, cell), stack, look);
    });
    return cell === 1;
}

/** Of each region in a cell the pixel with the least ink: what lies under a line does not show what changes. */
export function sampled(block: Block, at: Uint32Array, cell: number): Sampled {
    const flats = block.bytes('flats');
    const labels = flats === null ? new Uint16Array(block.count) : labelsIn(flats);
    const ink = block.bytes('ink');
    const across = Math.ceil(block.width / cell);
    const inCell = new Int32Array(across * Math.ceil(block.count / block.width / cell)).fill(-1);
    const cells = Uint32Array.from({ length: block.count / block.width }, (_, y) => Math.floor(y / cell) * across);
    const columns = Uint32Array.from({ length: block.width }, (_, x) => Math.floor(x / cell));
    const samples = new Uint32Array(at.length);
    const of = new Uint32Array(at.length);
    let count = 0;
    for (let k = 0; k < at.length; k++) {
        const i = at[k];
        const y = Math.floor(i / block.width);
        const place = cells[y] + columns[i - y * block.width];
        const found = inCell[place];
        const isFirst = found < 0 || labels[samples[found]] !== labels[i];
        const sample = isFirst ? count++ : found;
        if (isFirst || (ink !== null && ink[i] < ink[samples[sample]])) samples[sample] = i;
        of[k] = inCell[place] = sample;
    }
    return { samples: samples.subarray(0, count), of };
}

/**
 * Each pixel changes by as much as its sample, as far as ink leaves it to be seen: what is painted on it stays where it
 * is.
 */
function follow(
    picture: Patched['picture'],
    block: Block,
    at: Uint32Array,
    { samples, of }: Sampled,
    stack: Stack,
    look: Look,
): void {
    const now = composeBlock(stack, gathered(block, samples), look);
    const ink = block.bytes('ink');
    const seen = (i: number): number => 255 - (ink === null ? 0 : look.ink * ink[i]);
    const by = new Float32Array(3 * samples.length);
    samples.forEach((i, sample) => {
        for (let c = 0; c < 3; c++)
            by[3 * sample + c] = (now[4 * sample + c] - picture[4 * i + c]) / Math.max(1, seen(i));
    });
    for (let k = 0; k < at.length; k++) {
        const i = at[k];
        for (let c = 0; c < 3; c++) picture[4 * i + c] += seen(i) * by[3 * of[k] + c];
    }
}
