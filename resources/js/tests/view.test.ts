import { describe, expect, it } from 'vitest';
import { pressureOf } from '../bench/surface/hand';
import { fit, levelFor } from '../bench/surface/viewport';

describe('the view', () => {
    it('fits the page into what is free of the canvas', () => {
        const page = { width: 1000, height: 500 };
        const canvas = { width: 800, height: 700 };
        const view = fit(page, canvas, { top: 10, right: 20, bottom: 90, left: 60 });
        expect(view.scale).toBeCloseTo(720 / 1000);
        // The page's middle lies in the middle of the free area.
        expect(canvas.width / 2 + (500 - view.x) * view.scale).toBeCloseTo(60 + 720 / 2);
        expect(canvas.height / 2 + (250 - view.y) * view.scale).toBeCloseTo(10 + 600 / 2);
        expect(fit({ width: 100, height: 4000 }, canvas, { top: 0, right: 0, bottom: 100, left: 0 }).scale).toBeCloseTo(
            600 / 4000,
        );
    });
    it('takes the coarsest level that is fine enough', () => {
        expect([1, 0.6, 0.5, 0.26, 0.25, 0.1, 0.01, 8].map((scale) => levelFor(scale, 4))).toEqual([
            0, 0, 1, 1, 2, 3, 4, 0,
        ]);
    });
});

describe('pressure', () => {
    it.each([
        ['mouse', 0.5, 1],
        ['pen', 0.3, 0.3],
        ['pen', 0, 1],
        ['pen', Number.NaN, 1],
        ['touch', 7, 1],
        ['touch', 0.8, 0.8],
    ])('of a %s that says %d', (pointerType, pressure, expected) =>
        expect(pressureOf({ pointerType, pressure })).toBe(expected),
    );
});
