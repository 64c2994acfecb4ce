import { describe, expect, it } from 'vitest';
import { turnedSpots } from '../bench/model/lines';
import { rampCover } from '../bench/tools/covering';
import { reachOf } from '../page/reach';
import { PullPreview } from '../picture/pull';
import { bytes, strokes } from './fixtures';
import { pageState, shade } from './world';

const { pulls, ramps } = strokes();
const worst = (a: Uint8Array, b: Uint8Array): number =>
    a.reduce((most, value, i) => Math.max(most, Math.abs(value - b[i])), 0);

describe('what the hand does is shown as the core does it', () => {
    it.each(pulls.map((one) => [`${one.planes} planes, ${one.size} px at ${one.strength}`, one] as const))(
        'dragging: %s',
        (_, one) => {
            const tile = { bytes: bytes(one.before), inside: bytes(one.inside) };
            const preview = new PullPreview(one.size, 0.5, one.strength, 0, one.planes, (key) =>
                key === '0,0' ? tile : null,
            );
            for (const [x, y] of one.points) preview.add(x, y);
            preview.end();
            expect(worst(tile.bytes, bytes(one.after))).toBeLessThanOrEqual(2);
            expect(worst(tile.bytes, bytes(one.before))).toBeGreaterThan(20);
        },
    );
    it.each(ramps.map((one) => [one.form, one] as const))('a %s ramp', (_, { from, to, form, cover }) => {
        const shown = rampCover({ x: from[0], y: from[1] }, { x: to[0], y: to[1] }, form, 0, ['0,1']).get(
            '0,1',
        ) as Uint8Array;
        expect(worst(shown, bytes(cover))).toBeLessThanOrEqual(1);
        expect(new Set(shown).size).toBeGreaterThan(100);
    });
});

describe('where a pass reaches', () => {
    const { records } = pageState();
    const region = (figure: number, material: number) => ({ ...records.region[1], figure, material });
    const there = { ...records, region: { 1: region(3, 9), 2: region(3, 8), 4: region(5, 9) } };
    const within = (kind: 'figure' | 'material' | 'page', id: number) => ({
        ...there,
        pass: { p: { ...shade, scope: { kind, id } } },
    });
    it('is its clip, and of that what is wanted', () => {
        expect(reachOf(within('figure', 3), 'p', [])).toEqual([1, 2]);
        expect(reachOf(within('material', 9), 'p', [])).toEqual([1, 4]);
        expect(reachOf(within('figure', 3), 'p', [2, 4])).toEqual([2]);
        expect(reachOf(within('page', 0), 'p', [4])).toEqual([4]);
        expect(reachOf(within('page', 0), 'p', [])).toBeNull();
    });
});

describe('an outline that is moved', () => {
    it('turns and scales about the middle of its bounds', () => {
        const box = [
            { x: 10, y: 20 },
            { x: 30, y: 20 },
            { x: 30, y: 60 },
        ];
        expect(turnedSpots(box, [5, -2], 0, [-1, 0.5])).toEqual([
            { x: 35, y: 28 },
            { x: 15, y: 28 },
            { x: 15, y: 48 },
        ]);
        // Clockwise, as y runs down: what was above comes to the right.
        const [first] = turnedSpots(box, [0, 0], 90, [1, 1]);
        expect(first.x).toBeCloseTo(40);
        expect(first.y).toBeCloseTo(30);
    });
});
