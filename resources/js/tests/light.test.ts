import { describe, expect, it } from 'vitest';
import { directionOf, lightAt, turned } from '../bench/model/keyLight';
import { passFor } from '../page/target';
import { oilskin, pageState, shade } from './world';

describe('the light over the ball', () => {
    it('stands where the hand lets it go', () => {
        expect(lightAt(1, 0)).toEqual({ azimuth: 0, elevation: 0 });
        expect(lightAt(0, 0).elevation).toBeCloseTo(90);
        expect(lightAt(0, -0.5).azimuth).toBeCloseTo(270);
        expect(lightAt(-3, 3)).toMatchObject({ azimuth: 135, elevation: 0 });
        // Its direction leads back to the place.
        for (const [x, y] of [
            [0.3, 0.4],
            [-0.6, 0.1],
            [0.2, -0.9],
        ]) {
            const [right, up, near] = directionOf(lightAt(x, y));
            expect(right).toBeCloseTo(x);
            expect(up).toBeCloseTo(y);
            expect(near).toBeCloseTo(Math.sqrt(1 - x * x - y * y));
        }
    });

    it('is turned and lifted by the arrows, and stays above the side', () => {
        expect(turned({ azimuth: 358, elevation: 40 }, 'ArrowLeft', 5)).toEqual({ azimuth: 3, elevation: 40 });
        expect(turned({ azimuth: 2, elevation: 40 }, 'ArrowRight', 5)).toEqual({ azimuth: 357, elevation: 40 });
        expect(turned({ azimuth: 2, elevation: 88 }, 'ArrowUp', 5)).toEqual({ azimuth: 2, elevation: 90 });
        expect(turned({ azimuth: 2, elevation: 3 }, 'ArrowDown', 5)).toEqual({ azimuth: 2, elevation: 0 });
        expect(turned({ azimuth: 2, elevation: 3 }, 'x', 5)).toBeNull();
    });
});

describe('what was roughed in', () => {
    it('is not painted in by picking a tone', () => {
        const { records, rules } = pageState();
        const target = { material: oilskin, figureName: 'Oda', tone: 'shade' as const, pass: null };
        const there = { ...records, pass: { rough3shade: shade, ours: shade } };
        expect(passFor(rules, there, target)).toEqual({ id: 'ours', make: null });
        expect(passFor(rules, { ...records, pass: { rough3shade: shade } }, target).make).not.toBeNull();
        expect(passFor(rules, there, { ...target, pass: 'rough3shade' }).id).toBe('rough3shade');
    });
});
