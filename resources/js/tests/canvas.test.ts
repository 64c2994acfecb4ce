import { describe, expect, it } from 'vitest';
import { blendColours, channelOf } from '../picture/blend';
import { FloatCanvas } from '../picture/canvas';

/** The values of the recommendation's formulas, worked out by hand. */
describe('blend modes', () => {
    it.each([
        ['multiply', 0.5, 0.5, 0.25],
        ['screen', 0.5, 0.5, 0.75],
        ['overlay', 0.25, 0.8, 0.4],
        ['overlay', 0.75, 0.8, 0.9],
        ['hard-light', 0.8, 0.25, 0.4],
        ['hard-light', 0.8, 0.75, 0.9],
        ['color-dodge', 0, 1, 0],
        ['color-dodge', 0.2, 0.5, 0.4],
        ['color-dodge', 0.2, 1, 1],
        ['color-burn', 1, 0, 1],
        ['color-burn', 0.8, 0.5, 0.6],
        ['color-burn', 0.8, 0, 0],
        ['soft-light', 0.5, 0.25, 0.375],
        ['soft-light', 0.16, 0.75, 0.16 + 0.5 * (((16 * 0.16 - 12) * 0.16 + 4) * 0.16 - 0.16)],
        ['soft-light', 0.64, 0.75, 0.64 + 0.5 * (0.8 - 0.64)],
        ['difference', 0.2, 0.7, 0.5],
        ['exclusion', 0.5, 0.5, 0.5],
        ['darken', 0.3, 0.4, 0.3],
        ['lighten', 0.3, 0.4, 0.4],
    ] as const)('%s of %d and %d', (mode, backdrop, source, expected) =>
        expect(channelOf(mode)?.(backdrop, source)).toBeCloseTo(expected, 6),
    );
    it.each(['hue', 'saturation', 'color', 'luminosity'] as const)('%s needs all three channels', (mode) =>
        expect(channelOf(mode)).toBeUndefined(),
    );
    it('keep what they say they keep', () => {
        const lum = ([r, g, b]: number[]): number => 0.3 * r + 0.59 * g + 0.11 * b;
        const sat = (c: number[]): number => Math.max(...c) - Math.min(...c);
        const backdrop: [number, number, number] = [0.7, 0.4, 0.3];
        const source: [number, number, number] = [0.2, 0.5, 0.3];
        expect(lum(blendColours('hue', backdrop, source))).toBeCloseTo(lum(backdrop), 6);
        expect(sat(blendColours('hue', backdrop, source))).toBeCloseTo(sat(backdrop), 6);
        expect(sat(blendColours('saturation', backdrop, source))).toBeCloseTo(sat(source), 6);
        expect(lum(blendColours('color', backdrop, source))).toBeCloseTo(lum(backdrop), 6);
        expect(lum(blendColours('luminosity', backdrop, source))).toBeCloseTo(lum(source), 6);
        blendColours('saturation', [0.5, 0.5, 0.5], source).forEach((value) => expect(value).toBeCloseTo(0.5, 9));
    });
});

describe('a canvas', () => {
    const pixel = (canvas: FloatCanvas, i = 0): number[] => [
        canvas.r[i],
        canvas.g[i],
        canvas.b[i],
        canvas.a === null ? 1 : canvas.a[i],
    ];
    const close = (found: number[], expected: number[]): void =>
        expected.forEach((value, i) => expect(found[i], `part ${i}`).toBeCloseTo(value, 5));

    it('mixes over what is opaque', () => {
        const canvas = FloatCanvas.solid(2, 0x804020);
        canvas.mixer('normal')(0, 1, 1, 1, 0.25);
        close(pixel(canvas), [0.25 + 0.75 * (128 / 255), 0.25 + 0.75 * (64 / 255), 0.25 + 0.75 * (32 / 255), 1]);
        close(pixel(canvas, 1), [128 / 255, 64 / 255, 32 / 255, 1]);
    });
    it('mixes over what is clear: the colour as it is, the alpha added up', () => {
        const canvas = FloatCanvas.clear(1);
        canvas.mixer('multiply')(0, 0.2, 0.4, 0.6, 0.5);
        close(pixel(canvas), [0.2, 0.4, 0.6, 0.5]);
        canvas.mixer('multiply')(0, 0.5, 0.5, 0.5, 0.5);
        // Half of the source blends with the backdrop, half lies where nothing is; the union is three quarters.
        const channel = (b: number): number => (0.5 * 0.5 * 0.5 + 0.5 * 0.5 * (b * 0.5) + 0.5 * 0.5 * b) / 0.75;
        close(pixel(canvas), [channel(0.2), channel(0.4), channel(0.6), 0.75]);
    });
    it('adds light up, and holds it to full', () => {
        const canvas = FloatCanvas.solid(1, 0x808080);
        canvas.mixer('plus-lighter')(0, 1, 0.2, 0, 0.5);
        close(pixel(canvas), [1, 128 / 255 + 0.1, 128 / 255, 1]);
        const clear = FloatCanvas.clear(1);
        clear.mixer('plus-lighter')(0, 0.8, 0.4, 0.2, 0.25);
        clear.mixer('plus-lighter')(0, 0.8, 0.4, 0.2, 0.25);
        close(pixel(clear), [0.8, 0.4, 0.2, 0.5]);
    });
    it('takes a picture over it, through a mask and at an opacity', () => {
        const canvas = FloatCanvas.solid(3, 0x000000);
        canvas.lay(FloatCanvas.solid(3, 0xffffff), Uint8Array.of(255, 0, 51), 'normal', 0.5);
        expect([0, 1, 2].map((i) => Math.round(1000 * canvas.r[i]))).toEqual([500, 0, 100]);
    });
    it('fades back to how it was, colour and alpha together', () => {
        const before = FloatCanvas.clear(1);
        const after = FloatCanvas.clear(1);
        after.set(0, 0xff0000);
        const canvas = after.copy();
        canvas.fade(before, 0.25);
        close(pixel(canvas), [1, 0, 0, 0.25]);
        const opaque = FloatCanvas.solid(1, 0x000000);
        const white = FloatCanvas.solid(1, 0xffffff);
        white.fade(opaque, 0.75);
        close(pixel(white), [0.75, 0.75, 0.75, 1]);
        close(pixel(after), [1, 0, 0, 1]);
    });
    it('is rounded once, at the end', () => {
        const canvas = FloatCanvas.solid(1, 0x102030);
        canvas.mixer('normal')(0, 0, 0, 0, 0.01);
        expect([...canvas.rgba()]).toEqual([16, 32, 48, 255]);
        for (let i = 0; i < 40; i++) canvas.mixer('normal')(0, 0, 0, 0, 0.01);
        expect([...canvas.rgba()]).toEqual([16, 32, 48].map((value) => Math.round(value * 0.99 ** 41)).concat(255));
    });
});
