import { describe, expect, it } from 'vitest';
import { SIDE } from '../picture/compose';
import { grained } from '../picture/grain';
import { previewOf } from '../picture/dabs';
import { layStroke, StrokePreview } from '../picture/stroke';
import { bytes, strokes } from './fixtures';

const { strokes: cases, layings, grains } = strokes();
const WIDTH = 300;
const HEIGHT = 200;

/** The preview's coverage of one page pixel at full size. */
function at(preview: StrokePreview, x: number, y: number): number {
    return preview.tiles.get(`${x >> 8},${y >> 8}`)?.[(y & 255) * SIDE + (x & 255)] ?? 0;
}

describe('the preview of a stroke is the core’s coverage', () => {
    it.each(
        cases.map(
            (one) =>
                [
                    `${one.brush.tip?.kind ?? 'round'}, ${one.brush.size} px, hardness ${one.brush.hardness}, smoothing ${one.brush.smoothing}, ${one.points.length} points`,
                    one,
                ] as const,
        ),
    )('%s', (_, { brush, points, bounds: [left, top, width, height], coverage }) => {
        const preview = previewOf(brush, 0, WIDTH, HEIGHT);
        for (const point of points) preview.add(point);
        preview.end();
        const expected = bytes(coverage);
        let worst = 0;
        for (let y = 0; y < HEIGHT; y++) {
            for (let x = 0; x < WIDTH; x++) {
                const isInside = x >= left && x < left + width && y >= top && y < top + height;
                const want = isInside ? expected[(y - top) * width + x - left] : 0;
                worst = Math.max(worst, Math.abs(at(preview, x, y) - want));
            }
        }
        expect(worst).toBeLessThanOrEqual(2);
    });
    it('says which tiles a piece of it touched', () => {
        const preview = new StrokePreview({ size: 20, hardness: 1, opacity: 1, smoothing: 0 }, 0, 600, 400);
        expect([...preview.add([100, 100, 1])]).toEqual(['0,0']);
        expect([...preview.add([260, 250, 1])].sort()).toEqual(['0,0', '0,1', '1,0', '1,1']);
        expect([...preview.add([260.1, 250, 1])]).toEqual([]);
    });
    it('is drawn at the scale that is on screen', () => {
        const half = new StrokePreview({ size: 20, hardness: 1, opacity: 1, smoothing: 0 }, 1, 600, 400);
        half.add([100, 100, 1]);
        expect([at(half, 50, 50), at(half, 53, 50), at(half, 57, 50)]).toEqual([255, 255, 0]);
    });
});

describe('a stroke is laid as the core lays it', () => {
    it.each(
        layings.map(
            (one) =>
                [
                    `${one.paint === null ? 'coverage' : 'paint'}, ${one.erase ? 'erased' : 'painted'} at ${one.opacity}`,
                    one,
                ] as const,
        ),
    )('%s', (_, { opacity, erase, paint, stroke, before, after }) => {
        const laid = layStroke(bytes(before), bytes(stroke), { opacity, erase, paint });
        const expected = bytes(after);
        const alpha = stroke.length > 0 ? laid.slice(-bytes(stroke).length) : laid;
        expect(laid.length).toBe(expected.length);
        laid.forEach((value, i) => {
            // A colour that is all but clear may differ: it does not show.
            if (paint !== null && alpha[i % alpha.length] < 4) return;
            expect(Math.abs(value - expected[i])).toBeLessThanOrEqual(2);
        });
    });
    it('begins on nothing where the tile is empty', () => {
        expect([...layStroke(null, Uint8Array.of(255, 0, 128), { opacity: 0.5, erase: false, paint: null })]).toEqual([
            128, 0, 64,
        ]);
        expect([...layStroke(null, Uint8Array.of(255), { opacity: 1, erase: false, paint: [9, 8, 7] })]).toEqual([
            9, 8, 7, 255,
        ]);
    });
});

describe('the grain of a line is the core’s', () => {
    it.each(grains.map((one) => [one.amount, one] as const))('at %s', (amount, { line, grained: expected }) => {
        expect(Buffer.compare(grained(bytes(line), amount, 0, 2, 1), bytes(expected))).toBe(0);
    });
    it('lies still on the page at every level, and is none at nought', () => {
        const full = new Uint8Array(SIDE * SIDE).fill(255);
        expect(grained(full, 0, 0, 0, 0)).toBe(full);
        const fine = grained(full, 1, 0, 0, 0);
        const coarse = grained(full, 1, 1, 0, 0);
        expect([coarse[3 * SIDE + 5], coarse[9 * SIDE + 100]]).toEqual([fine[6 * SIDE + 10], fine[18 * SIDE + 200]]);
    });
});
