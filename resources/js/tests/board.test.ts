import { describe, expect, it } from 'vitest';
import type { ReferenceState } from '../api/generated';
import { atStart, fitted, heightOf, moved, zoomed } from '../board/boardView';
import { isReading } from '../board/usePictures';

const hung = (more: Partial<ReferenceState> = {}): ReferenceState => ({
    id: 1,
    page: null,
    name: 'harbour.png',
    width: 400,
    height: 300,
    colours: {},
    x: 0,
    y: 0,
    across: 200,
    mirrored: false,
    grey: false,
    trouble: null,
    ...more,
});

describe('the board', () => {
    it('zooms about the pointer and keeps within its bounds', () => {
        const view = { x: 10, y: -30, zoom: 0.5 };
        const near = zoomed(view, 3, 120, 40);
        expect(near.zoom).toBeCloseTo(1.5);
        // The same place of the board is under the pointer before and after.
        expect(near.x + 120 / near.zoom).toBeCloseTo(10 + 120 / 0.5);
        expect(near.y + 40 / near.zoom).toBeCloseTo(-30 + 40 / 0.5);
        expect(zoomed(view, 1000, 0, 0).zoom).toBe(16);
        expect(zoomed(view, 0.001, 7, 9).zoom).toBe(0.05);
    });

    it('is dragged by as much as the hand moves', () => {
        expect(moved({ x: 5, y: 7, zoom: 2 }, 30, -8)).toEqual({ x: -10, y: 11, zoom: 2 });
    });

    it('shows all that hangs there, as large as it fits, twice its size at the most', () => {
        const two = [hung({ x: -100 }), hung({ id: 2, x: 500, y: 400, across: 300, width: 300, height: 600 })];
        const view = fitted(two, 624, 424);
        // 900 x 1000 of the board on 600 x 400 of the screen.
        expect(view.zoom).toBeCloseTo(0.4);
        expect((-100 - view.x) * view.zoom).toBeCloseTo(12);
        expect((0 - view.y) * view.zoom).toBeCloseTo(12);
        expect(fitted([hung({ across: 50 })], 2000, 2000).zoom).toBe(2);
        expect(fitted([], 300, 300)).toEqual(atStart);
    });

    it('hangs pictures in their proportions, and those that are not read yet in some', () => {
        expect(heightOf(hung({ width: 400, height: 100 }))).toBe(50);
        expect(heightOf(hung({ width: null, height: null }))).toBe(150);
        expect([
            isReading(hung()),
            isReading(hung({ width: null })),
            isReading(hung({ width: null, trouble: 'cut' })),
        ]).toEqual([false, true, false]);
    });
});
