/** How often each value of a channel is there in what lies beneath a pass over the whole page. */
import type { Channel } from '../api/generated';
import { composeBlock, PIXELS, SIDE } from './compose';
import type { Stack } from './stack';
import { HIGHEST, type TileCache } from './tiles';

/** Red, green and blue as they lie in a picture. */
const PARTS: Record<Channel, number[]> = { all: [0, 1, 2], red: [0], green: [1], blue: [2] };

/** The stack without that pass and all above it; null: it does not lie over the whole page. */
export function stackBeneath(stack: Stack, id: string): Stack | null {
    const at = stack.above.findIndex((node) => node.kind === 'pass' && node.id === id);
    return at < 0 ? null : { ...stack, clear: null, above: stack.above.slice(0, at) };
}

/**
 * Counted on the coarsest picture of it, out of the tiles that are here.
 *
 * @param size of the page, px
 * @return by value, 0..255
 */
export function countsBeneath(
    stack: Stack,
    channel: Channel,
    tiles: Pick<TileCache, 'peek'>,
    size: { width: number; height: number },
): number[] {
    const counts = new Array<number>(256).fill(0);
    const [width, height] = [Math.ceil(size.width / 2 ** HIGHEST), Math.ceil(size.height / 2 ** HIGHEST)];
    for (let y = 0; y < height; y += SIDE) {
        for (let x = 0; x < width; x += SIDE) {
            const bytes = (layer: string): Uint8Array | null => tiles.peek(HIGHEST, layer, x / SIDE, y / SIDE);
            const block = { count: PIXELS, bytes, x, y, width: SIDE, level: HIGHEST };
            const picture = composeBlock(stack, block, { ink: 1, hatch: false, veil: false, passes: true });
            for (let row = 0; row < Math.min(SIDE, height - y); row++)
                for (let column = 0; column < Math.min(SIDE, width - x); column++)
                    for (const part of PARTS[channel]) counts[picture[4 * (row * SIDE + column) + part]]++;
        }
    }
    return counts;
}
