/** A small picture of what is painted in a pass: cut from its most reduced tiles to the box that holds any of it. */
import { SIDE } from './compose';

export interface Thumb {
    width: number;
    height: number;
    /** Four bytes a pixel. */
    pixels: Uint8ClampedArray<ArrayBuffer>;
}

/** The bytes of a tile: one plane of coverage, or four of paint; null where nothing is painted. */
export type TileBytes = (column: number, row: number) => Uint8Array | null;

const AREA = SIDE * SIDE;

/** @param colour of a coverage, 0xRRGGBB; paint has its own; null: nothing is painted */
export function thumbOf(tile: TileBytes, width: number, height: number, colour: number): Thumb | null {
    const all = { width, height, pixels: new Uint8ClampedArray(4 * width * height) };
    let [left, top, right, bottom] = [width, height, -1, -1];
    for (let row = 0; row * SIDE < height; row++) {
        for (let column = 0; column * SIDE < width; column++) {
            const bytes = tile(column, row);
            if (bytes === null) continue;
            for (let y = row * SIDE; y < Math.min(height, (row + 1) * SIDE); y++) {
                for (let x = column * SIDE; x < Math.min(width, (column + 1) * SIDE); x++) {
                    const at = (y - row * SIDE) * SIDE + x - column * SIDE;
                    if (put(all.pixels, 4 * (y * width + x), bytes, at, colour) === 0) continue;
                    [left, top, right, bottom] = [
                        Math.min(left, x),
                        Math.min(top, y),
                        Math.max(right, x),
                        Math.max(bottom, y),
                    ];
                }
            }
        }
    }
    return right < 0 ? null : cropped(all, left, top, right + 1 - left, bottom + 1 - top);
}

/** Gives back how much of the pixel is covered. */
function put(pixels: Uint8ClampedArray, to: number, bytes: Uint8Array, at: number, colour: number): number {
    const isPaint = bytes.length > AREA;
    for (let part = 0; part < 3; part++)
        pixels[to + part] = isPaint ? bytes[part * AREA + at] : (colour >> (16 - 8 * part)) & 255;
    return (pixels[to + 3] = isPaint ? bytes[3 * AREA + at] : bytes[at]);
}

function cropped(from: Thumb, left: number, top: number, width: number, height: number): Thumb {
    const pixels = new Uint8ClampedArray(4 * width * height);
    for (let y = 0; y < height; y++) {
        const start = 4 * ((top + y) * from.width + left);
        pixels.set(from.pixels.subarray(start, start + 4 * width), 4 * y * width);
    }
    return { width, height, pixels };
}
