import { describe, expect, it } from 'vitest';
import { patchesOf, spread } from '../bench/surface/patches';
import { PIXELS, SIDE, type Block } from '../picture/compose';

/** Region 7 in the first columns of every row, 300 in the last, 5 between. */
function block(first: number, last: number): Block {
    const flats = new Uint8Array(2 * PIXELS);
    for (let i = 0; i < PIXELS; i++) {
        const x = i % SIDE;
        const label = x < first ? 7 : x >= SIDE - last ? 300 : 5;
        flats[2 * i] = label >> 8;
        flats[2 * i + 1] = label & 255;
    }
    return { count: PIXELS, bytes: (layer) => (layer === 'flats' ? flats : null), x: 0, y: 0, width: SIDE };
}
const canvas = {} as HTMLCanvasElement;

describe('what is composited at once', () => {
    it('are the pixels of the regions that look different, in every tile', () => {
        const patches = patchesOf(
            [
                { canvas, block: block(2, 3) },
                { canvas, block: block(0, 1) },
            ],
            new Set([7, 300]),
        );
        expect(patches?.map(({ at }) => at.length)).toEqual([5 * SIDE, SIDE]);
        expect([...(patches?.[0].at.subarray(0, 7) ?? [])]).toEqual([0, 1, 253, 254, 255, 256, 257]);
        expect(patchesOf([{ canvas, block: block(2, 3) }], new Set([300]))?.[0].at.length).toBe(3 * SIDE);
        expect(patchesOf([{ canvas, block: block(2, 3) }], new Set([44]))?.[0].at.length).toBe(0);
    });
    it('is left to the workers when it is much, in one tile or in all together', () => {
        expect(patchesOf([{ canvas, block: block(240, 0) }], new Set([7]))).toBeNull();
        const half = { canvas, block: block(120, 0) };
        expect(patchesOf([half], new Set([7]))).not.toBeNull();
        expect(patchesOf([half, half], new Set([7]))).toBeNull();
    });
    it('lies in its places, and all else is clear', () => {
        const all = spread(Uint32Array.of(3, 700), Uint8ClampedArray.of(1, 2, 3, 255, 4, 5, 6, 255));
        expect([[...all.subarray(12, 16)], [...all.subarray(2800, 2804)]]).toEqual([
            [1, 2, 3, 255],
            [4, 5, 6, 255],
        ]);
        expect(all.filter((value) => value > 0)).toHaveLength(8);
    });
});
