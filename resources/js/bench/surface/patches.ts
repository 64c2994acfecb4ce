/**
 * What little of the tiles in view looks different is composited in the window itself, so that it is there in the next frame:
 * a tone that is dragged must not lag. More of it is left to the workers.
 */
import { composeBlock, SIDE, type Block, type Look } from '../../picture/compose';
import { gathered, pixelsOf, put } from '../../picture/gathered';
import type { Stack } from '../../picture/stack';

/** Pixels of all tiles together: some milliseconds. */
const MOST = 60_000;

export interface Patch {
    canvas: HTMLCanvasElement;
    block: Block;
    /** Pixels of the tile. */
    at: Uint32Array;
}

/** @return null when it is too much to be done at once */
export function patchesOf(tiles: { canvas: HTMLCanvasElement; block: Block }[], labels: ReadonlySet<number>): Patch[] | null {
    const patches: Patch[] = [];
    let count = 0;
    for (const tile of tiles) {
        const at = pixelsOf(tile.block, labels);
        count += at.length;
        if (count > MOST) return null;
        patches.push({ ...tile, at });
    }
    return patches;
}

export function paint(patches: Patch[], stack: Stack, look: Look): void {
    const scratch = new OffscreenCanvas(SIDE, SIDE);
    const context = scratch.getContext('2d');
    if (context === null) return;
    for (const { canvas, block, at } of patches) {
        if (at.length === 0) continue;
        context.putImageData(new ImageData(spread(at, composeBlock(stack, gathered(block, at), look)), SIDE, SIDE), 0, 0);
        canvas.getContext('2d')?.drawImage(scratch, 0, 0);
    }
}

/** A tile that is clear but for some pixels. */
export function spread(at: Uint32Array, part: Uint8ClampedArray<ArrayBuffer>): Uint8ClampedArray<ArrayBuffer> {
    const all = new Uint8ClampedArray(4 * SIDE * SIDE);
    put(all, at, part);
    return all;
}
