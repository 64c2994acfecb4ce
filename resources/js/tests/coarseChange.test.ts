import { describe, expect, it } from 'vitest';
import { changedLike, CoarsePictures } from '../bench/surface/coarseChange';
import { PIXELS, SIDE } from '../picture/compose';

type Colour = [number, number, number];

/** A picture by the colour of each pixel. */
function pictureOf(colour: (x: number, y: number) => Colour): Uint8ClampedArray<ArrayBuffer> {
    const picture = new Uint8ClampedArray(4 * PIXELS).fill(255);
    for (let y = 0; y < SIDE; y++)
        for (let x = 0; x < SIDE; x++) colour(x, y).forEach((value, c) => (picture[4 * (y * SIDE + x) + c] = value));
    return picture;
}

const at = (picture: Uint8ClampedArray, x: number, y: number): number[] => [
    ...picture.subarray(4 * (y * SIDE + x), 4 * (y * SIDE + x) + 4),
];

const grey = pictureOf(() => [100, 100, 100]);

describe('a tile that changes like the coarsest picture', () => {
    it('keeps its detail and adds what each channel has gained or lost', () => {
        const fine = pictureOf((x) => (x % 3 === 0 ? [10, 20, 30] : [200, 90, 60]));
        const changed = changedLike(
            fine,
            grey,
            pictureOf(() => [130, 80, 100]),
            { up: 2, column: 5, row: 3 },
        );
        expect(at(changed, 99, 7)).toEqual([40, 0, 30, 255]);
        expect(at(changed, 100, 7)).toEqual([230, 70, 60, 255]);
        expect(at(fine, 99, 7)).toEqual([10, 20, 30, 255]);
    });

    it('ends at black and at white', () => {
        const [dark, bright] = [pictureOf(() => [20, 90, 100]), pictureOf(() => [240, 110, 255])];
        const to = { up: 1, column: 0, row: 0 };
        expect(at(changedLike(dark, bright, dark, to), 9, 9)).toEqual([0, 70, 0, 255]);
        expect(at(changedLike(bright, dark, bright, to), 9, 9)).toEqual([255, 130, 255, 255]);
    });

    it.each([1, 2, 3, 4])('takes the change of its own place, evenly between coarse pixels, %d levels up', (up) => {
        // Straight slopes over the tile's part, so that what lies between is known; steep, so that half a pixel tells.
        const part = SIDE >> up;
        const steep = 144 / part;
        const [column, row] = [2 ** up - 1, 1];
        const across = (x: number): number => 100 + steep * Math.max(-1, x - (SIDE - part));
        const down = (y: number): number => 100 + steep * Math.max(0, Math.min(part, y - part));
        for (const isTurned of [false, true]) {
            const slope = pictureOf((x, y) => {
                const [first, other] = isTurned ? [down(y), across(x)] : [across(x), down(y)];
                return [first, other, first];
            });
            const changed = changedLike(grey, grey, slope, { up, column: column + 2 ** up, row });
            for (const [x, y] of [
                [0, 128],
                [20, 40],
                [131, 200],
                [77, 90],
                [200, 20],
            ]) {
                const coarse = (v: number): number => 100 + steep * ((v + 0.5) / 2 ** up - 0.5);
                const [first, other] = isTurned ? [coarse(y), coarse(x)] : [coarse(x), coarse(y)];
                // The pictures have whole numbers.
                for (const [c, wanted] of [first, other, first].entries())
                    expect(Math.abs(at(changed, x, y)[c] - wanted)).toBeLessThan(1.1);
            }
        }
    });

    it('takes the change of the coarse tile’s first and last pixel as far as its edge', () => {
        const atEdge = (x: number): number => (x === 0 || x === SIDE - 1 ? 180 : 100);
        const after = pictureOf((x) => [atEdge(x), atEdge(x), 100]);
        const [first, last] = [0, 3].map((column) => changedLike(grey, grey, after, { up: 2, column, row: 0 }));
        const both = (red: number): number[] => [red, red, 100, 255];
        expect([0, 1, 2, 3, 6].map((x) => at(first, x, 9))).toEqual([180, 180, 170, 150, 100].map(both));
        expect([249, 252, 253, 254, 255].map((x) => at(last, x, 9))).toEqual([100, 150, 170, 180, 180].map(both));
    });

    it('has no step at the border of two tiles', () => {
        const after = pictureOf((x, y) => [100 + ((x * x + y) % 90), 100, 100]);
        const [left, right] = [4, 5].map((column) => changedLike(grey, grey, after, { up: 3, column, row: 2 }));
        for (let y = 0; y < SIDE; y += 17) {
            const [a, b] = [at(left, SIDE - 1, y)[0], at(right, 0, y)[0]];
            const [before, next] = [at(left, SIDE - 2, y)[0], at(right, 1, y)[0]];
            expect(Math.abs(a - b - (before - a + (b - next)) / 2)).toBeLessThanOrEqual(1.5);
        }
    });
});

describe('coarse pictures', () => {
    const [first, second] = [Uint8ClampedArray.of(1), Uint8ClampedArray.of(2)];

    it('are known by their tile and by the change that they show', () => {
        const kept = new CoarsePictures();
        kept.keep('0,0', 3, first);
        kept.keep('1,0', 3, second);
        expect([kept.at('0,0', 3), kept.at('1,0', 3), kept.at('0,0', 2), kept.at('0,1', 3)]).toEqual([
            first,
            second,
            null,
            null,
        ]);
    });

    it('go on through a change that they do not show, and the oldest are let go of', () => {
        const kept = new CoarsePictures();
        kept.keep('0,0', 1, first);
        kept.goesOn('0,0', 2);
        kept.goesOn('9,9', 2);
        expect([kept.at('0,0', 2), kept.at('9,9', 2)]).toEqual([first, null]);
        kept.keep('0,0', 3, second);
        kept.goesOn('0,0', 4);
        expect(kept.at('0,0', 4)).toBe(second);
        for (let turn = 5; turn <= 7; turn++) kept.goesOn('0,0', turn);
        expect([kept.at('0,0', 1), kept.at('0,0', 2)]).toEqual([null, first]);
        kept.forget();
        expect(kept.at('0,0', 7)).toBeNull();
    });
});
