/** Some pixels of a block by themselves: compositing knows no neighbours, so a few can be done alone. */
import type { Block } from './compose';
import { labelsIn } from './ground';

/**
 * @param at which pixels
 * @param labels what regions they belong to; none: their own
 */
export function gathered(block: Block, at: ArrayLike<number>, labels: ArrayLike<number> | null = null): Block {
    return {
        ...block,
        count: at.length,
        places: at,
        bytes: (layer) => {
            if (layer === 'flats' && labels !== null) return packed(labels);
            const bytes = block.bytes(layer);
            if (bytes === null) return null;
            return layer === 'flats' ? packed(labelsIn(bytes, at)) : planes(bytes, block.count, at);
        },
    };
}

/** Of each plane the pixels that are wanted. */
function planes(bytes: Uint8Array, count: number, at: ArrayLike<number>): Uint8Array {
    const all = bytes.length / count;
    const part = new Uint8Array(all * at.length);
    for (let plane = 0, k = 0; plane < all; plane++)
        for (let i = 0; i < at.length; i++, k++) part[k] = bytes[plane * count + at[i]];
    return part;
}

function packed(labels: ArrayLike<number>): Uint8Array {
    const bytes = new Uint8Array(2 * labels.length);
    for (let i = 0; i < labels.length; i++) {
        bytes[2 * i] = labels[i] >> 8;
        bytes[2 * i + 1] = labels[i] & 255;
    }
    return bytes;
}

/** The pixels of a block that belong to some regions. */
export function pixelsOf(block: Block, labels: ReadonlySet<number>): Uint32Array {
    const flats = block.bytes('flats');
    const at = new Uint32Array(block.count);
    let found = 0;
    let last = 0;
    let isIn = labels.has(0);
    for (let i = 0; i < block.count; i++) {
        const label = flats === null ? 0 : (flats[2 * i] << 8) | flats[2 * i + 1];
        if (label !== last) {
            last = label;
            isIn = labels.has(label);
        }
        if (isIn) at[found++] = i;
    }
    return at.subarray(0, found);
}

/** Puts pixels that were composited by themselves, four bytes each, in their places of a picture. */
export function put(
    picture: Uint8ClampedArray<ArrayBuffer>,
    at: Uint32Array,
    part: Uint8ClampedArray<ArrayBuffer>,
): void {
    const [from, to] = [new Uint32Array(part.buffer), new Uint32Array(picture.buffer)];
    for (let i = 0; i < at.length; i++) to[at[i]] = from[i];
}
