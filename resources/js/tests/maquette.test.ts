import { describe, expect, it } from 'vitest';
import { colourOn, coverages, USUAL_DIALS, type RampColours, type Rgb } from '../picture/maquette';
import { balls } from './fixtures';

describe('a maquette', () => {
    it('shows what the core lays on a ball', () => {
        for (const { light, dials, places } of balls()) {
            for (const [right, ...laid] of places) {
                const shown = coverages([right, 0, Math.sqrt(1 - right * right)], light, dials);
                expect(shown.map(([tone]) => tone)).toEqual(['shade', 'deep', 'light', 'glint']);
                // The core keeps cosines in steps of 1/127: a steep edge may lie one of them aside.
                const steep = [
                    dials.soft,
                    dials.deepSoft,
                    2 * dials.lit * dials.litSoft,
                    2 * dials.glint * dials.glintSoft,
                ];
                shown.forEach(([tone, share], i) => {
                    const off = Math.abs(255 * share - laid[i]);
                    expect(off, `${tone} at ${right}, ${laid[i]}`).toBeLessThan(6 + 6 / Math.max(0.02, steep[i]));
                });
            }
        }
    });

    it('lays tone over tone in parts', () => {
        const ramp: RampColours = {
            deep: [0, 0, 200],
            shade: [0, 100, 0],
            base: [100, 0, 0],
            light: [250, 0, 0],
            glint: [0, 250, 0],
        };
        const facing = (cosine: number): [number, number, number] => [Math.sqrt(1 - cosine * cosine), 0, cosine];
        const dials = {
            ...USUAL_DIALS,
            reach: 0,
            soft: 0.5,
            deepFrom: 0.25,
            deepSoft: 0.5,
            lit: 0.3,
            litSoft: 0.5,
            glint: 0,
        };
        const seen = (cosine: number): Rgb => colourOn(facing(cosine), [0, 0, 1], dials, ramp).map(Math.round) as Rgb;
        expect(seen(0.5)).toEqual([100, 0, 0]);
        expect(seen(0)).toEqual([50, 50, 0]);
        // All of the shade, and half of the deep one over it.
        expect(seen(-0.25)).toEqual([0, 50, 100]);
        expect(seen(-0.9)).toEqual([0, 0, 200]);
        expect(seen(0.7)).toEqual([175, 0, 0]);
        expect(colourOn(facing(1), [0, 0, 1], { ...dials, lit: 0, glint: 0.1 }, ramp)).toEqual([0, 250, 0]);
        expect(USUAL_DIALS).toMatchObject({ cast: 0, rim: 6, deepFrom: 0.45 });
    });
});
