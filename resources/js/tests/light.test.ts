import { describe, expect, it } from 'vitest';
import { nudged, placed } from '../bench/model/lamps';
import { directionOf, lightAt, turned } from '../bench/model/keyLight';
import { passFor } from '../page/target';
import { alone, buildStack } from '../picture/stack';
import { thumbOf } from '../picture/thumb';
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

    it('is turned and movedOutline by the arrows, and stays above the side', () => {
        expect(turned({ azimuth: 358, elevation: 40 }, 'ArrowLeft', 5)).toEqual({ azimuth: 3, elevation: 40 });
        expect(turned({ azimuth: 2, elevation: 40 }, 'ArrowRight', 5)).toEqual({ azimuth: 357, elevation: 40 });
        expect(turned({ azimuth: 2, elevation: 88 }, 'ArrowUp', 5)).toEqual({ azimuth: 2, elevation: 90 });
        expect(turned({ azimuth: 2, elevation: 3 }, 'ArrowDown', 5)).toEqual({ azimuth: 2, elevation: 0 });
        expect(turned({ azimuth: 2, elevation: 3 }, 'x', 5)).toBeNull();
    });
});

describe('a lamp', () => {
    it('hangs where it is dragged to over the page, and never off it', () => {
        const box = { left: 100, top: 40, width: 200, height: 300 };
        expect(placed(150, 265, box)).toEqual({ x: 0.25, y: 0.75 });
        expect(placed(20, 900, box)).toEqual({ x: 0, y: 1 });
    });
    it('is moved by the arrows', () => {
        expect(nudged({ x: 0.5, y: 0.4 }, 'ArrowLeft')).toEqual({ x: 0.48, y: 0.4 });
        expect(nudged({ x: 0.5, y: 0.01 }, 'ArrowUp')).toEqual({ x: 0.5, y: 0 });
        expect(nudged({ x: 0.99, y: 0.4 }, 'ArrowRight')).toEqual({ x: 1, y: 0.4 });
        expect(nudged({ x: 0.5, y: 0.4 }, 'ArrowDown')?.y).toBeCloseTo(0.42);
        expect(nudged({ x: 0.5, y: 0.4 }, 'a')).toBeNull();
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

describe('a pass shown alone', () => {
    it('leaves out all others, groups among them, and is let down', () => {
        const { records, palette } = pageState();
        const grouped = { ...shade, group: 'group1', opacity: 0.4, visible: false };
        const stack = buildStack(
            {
                ...records,
                pass: { first: shade, second: grouped, above: { ...shade, scope: { kind: 'page', id: 0 } } },
                group: { group1: { isolated: true, mode: 'multiply', opacity: 0.5 } },
            },
            palette,
        );
        const shown = alone(stack, 'second', 0.4);
        expect(shown.planes.flatMap(({ layers }) => layers)).toMatchObject([
            { kind: 'pass', id: 'second', opacity: 0.4 },
        ]);
        expect(shown.above).toEqual([]);
        expect(alone(stack, 'above', 1).planes.flatMap(({ layers }) => layers)).toEqual([]);
        expect(alone(stack, 'above', 1).above).toHaveLength(1);
    });
});

describe('the small picture of a pass', () => {
    const SIDE = 256;
    const tile = (planes: number, ...dots: [number, number, ...number[]][]): Uint8Array => {
        const bytes = new Uint8Array(planes * SIDE * SIDE);
        for (const [x, y, ...values] of dots)
            values.forEach((value, plane) => (bytes[plane * SIDE * SIDE + y * SIDE + x] = value));
        return bytes;
    };

    it('reaches as far as what is painted, over tiles', () => {
        const tiles: Record<string, Uint8Array> = {
            '0 0': tile(1, [250, 100, 90], [255, 255, 200]),
            '1 0': tile(1, [3, 104, 255]),
        };
        const thumb = thumbOf((column, row) => tiles[`${column} ${row}`] ?? null, 300, 255, 0x123456);
        expect([thumb?.width, thumb?.height]).toEqual([10, 5]);
        const at = (x: number, y: number): number[] => [
            ...(thumb?.pixels ?? []).slice(4 * (y * 10 + x), 4 * (y * 10 + x) + 4),
        ];
        expect([at(0, 0), at(9, 4), at(4, 2)]).toEqual([
            [0x12, 0x34, 0x56, 90],
            [0x12, 0x34, 0x56, 255],
            [0x12, 0x34, 0x56, 0],
        ]);
    });

    it('has the colours of paint, and there is none of nothing', () => {
        const thumb = thumbOf(() => tile(4, [7, 9, 10, 20, 30, 40]), 200, 200, 0x123456);
        expect(thumb).toMatchObject({ width: 1, height: 1 });
        expect([...(thumb?.pixels ?? [])]).toEqual([10, 20, 30, 40]);
        expect(thumbOf(() => null, 200, 200, 0)).toBeNull();
    });
});
