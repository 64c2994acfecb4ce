import { describe, expect, it } from 'vitest';
import type { CloudsData, LightningData, ParticlesData, ShaftsData, WeatherData } from '../api/generated';
import { Ground, type Stretch } from '../picture/ground';
import { EMPTY, type Stack } from '../picture/stack';
import { Clouds } from '../picture/weather/clouds';
import { mistAt } from '../picture/weather/mist';
import { Lightning, outlined as aroundStrike } from '../picture/weather/lightning';
import { outlined, particles } from '../picture/weather/particles';
import { Shafts } from '../picture/weather/shafts';
import { bytes, weather } from './fixtures';

/** The plane of a weather on a stretch of a page that is halved so often. */
function planeOf(content: WeatherData | CloudsData, page: Stack['page'], stretch: Stretch, level = 0): Uint8Array {
    const scale = 2 ** level;
    switch (content.kind) {
        case 'particles':
            return particles(content, page, level, stretch);
        case 'lightning':
            return new Lightning(content, page, level).in(stretch);
        case 'clouds': {
            const { covered, lit } = new Clouds(content, page, level).in(stretch);
            return Uint8Array.from([...covered, ...lit]);
        }
        case 'shafts':
            return new Shafts(content, page, level).in(stretch);
        case 'mist': {
            const at = mistAt(content, page);
            return Uint8Array.from({ length: stretch.width * stretch.height }, (_, i) => {
                const x = stretch.x + (i % stretch.width) + 0.5;
                const y = stretch.y + Math.floor(i / stretch.width) + 0.5;
                return Math.floor(at(x * scale, y * scale) + 0.5);
            });
        }
    }
}

const mean = (plane: Uint8Array): number => plane.reduce((sum, value) => sum + value, 0) / plane.length;

const page = { width: 1000, height: 800 };
const whole: Stretch = { x: 0, y: 0, width: 256, height: 256 };
const snow: ParticlesData = {
    kind: 'particles',
    colour: '#ffffff',
    form: 'flake',
    spacing: 20,
    size: 6,
    length: 0,
    angle: 0,
    spread: 0,
    softness: 0.4,
    variety: 0.5,
    near: 1,
    middle: 1,
    far: 1,
    outline: 0,
    outlineColour: '#20242c',
    lamps: [],
    dim: 0.7,
    seed: 3,
};
const strike: LightningData = {
    kind: 'lightning',
    colour: '#ffffff',
    from: [0.05, 0.02],
    to: [0.2, 0.25],
    width: 4,
    jag: 0.5,
    branches: 4,
    glow: 10,
    outline: 0,
    outlineColour: '#20242c',
    seed: 3,
};

const heaps: CloudsData = {
    kind: 'clouds',
    colour: '#ffffff',
    shade: '#8090b0',
    heaps: [
        [0.02, 0.05, 0.2, 0.15],
        [0.1, 0.12, 0.12, 0.1],
    ],
    lumps: 20,
    fullness: 0.5,
    softness: 0.4,
    contrast: 0.6,
    light: 120,
    height: 30,
    seed: 3,
};

const beams: ShaftsData = {
    kind: 'shafts',
    colour: '#ffffff',
    from: [0.02, 0.01],
    to: [0.3, 0.3],
    spread: 70,
    count: 5,
    softness: 0.5,
    variety: 0.5,
    seed: 3,
};

describe('weather is the core’s', () => {
    it.each(weather().map((one) => [one.name, one] as const))('%s', (_, { content, page, stretch, expected }) => {
        const [made, wanted] = [planeOf(content, page, stretch), bytes(expected)];
        expect(made.length).toBe(wanted.length);
        let worst = [0, 0, 0];
        for (let i = 0; i < made.length; i++) if (Math.abs(made[i] - wanted[i]) > 1) worst = [i, made[i], wanted[i]];
        expect(worst).toEqual([0, 0, 0]);
    });

    it('and most of its samples show something', () => {
        const seen = weather().filter(({ expected }) => bytes(expected).some((byte) => byte > 8));
        expect(seen.length).toBeGreaterThan(0.5 * weather().length);
    });
});

describe('weather', () => {
    it.each([
        ['particles', snow],
        ['lightning', strike],
        ['shafts', beams],
    ])('of %s has no seam: a part is the same by itself', (_, content) => {
        const all = planeOf(content, page, whole);
        const part = { x: 61, y: 37, width: 83, height: 51 };
        const alone = planeOf(content, page, part);
        for (let y = 0; y < part.height; y++) {
            const from = (part.y + y) * whole.width + part.x;
            expect([...alone.subarray(y * part.width, (y + 1) * part.width)]).toEqual([
                ...all.subarray(from, from + part.width),
            ]);
        }
    });

    it('of clouds has no seam either, in what it covers and in its light', () => {
        const clouds = new Clouds(heaps, page, 0);
        const all = clouds.in(whole);
        const part = { x: 61, y: 37, width: 83, height: 51 };
        const alone = new Clouds(heaps, page, 0).in(part);
        for (const plane of ['covered', 'lit'] as const)
            for (let y = 0; y < part.height; y++) {
                const from = (part.y + y) * whole.width + part.x;
                expect([...alone[plane].subarray(y * part.width, (y + 1) * part.width)]).toEqual([
                    ...all[plane].subarray(from, from + part.width),
                ]);
            }
        expect(mean(alone.lit)).toBeGreaterThan(20);
    });

    it.each([
        ['particles', snow, 1],
        ['clouds', heaps, 2],
        ['particles, finer than pixels', { ...snow, spacing: 4, size: 1 }, 3],
        ['lightning', strike, 1],
        ['shafts', beams, 2],
    ])('of %s covers as much on a page that is halved', (_, content, level) => {
        const full = mean(planeOf(content, page, whole));
        const half = mean(planeOf(content, page, { x: 0, y: 0, width: 256 >> level, height: 256 >> level }, level));
        expect(full).toBeGreaterThan(2);
        expect(half / full).toBeGreaterThan(0.8);
        expect(half / full).toBeLessThan(1.25);
    });

    it('is drawn where pixels are gathered as it is drawn for all of them', () => {
        const block = { count: 256 * 256, ...whole, bytes: () => null };
        const places = [3, 700, 40_000, 256 * 256 - 1];
        const drawn = (ground: Ground): Uint8Array => ground.drawn((stretch) => planeOf(snow, page, stretch));
        const all = drawn(new Ground({ ...EMPTY, page }, block));
        const some = drawn(new Ground({ ...EMPTY, page }, { ...block, count: places.length, places }));
        expect([...some]).toEqual(places.map((at) => all[at]));
        expect(all.some((byte) => byte > 100)).toBe(true);
    });
});

describe('an outline', () => {
    it('is of the same things, larger on every side and as soft, in its own colour', () => {
        expect(outlined(snow)).toBeNull();
        const around = outlined({ ...snow, outline: 1.5, outlineColour: '#102030' });
        expect(around).toMatchObject({ colour: '#102030', size: 9, seed: 3, outline: 0 });
        expect(around?.softness).toBeCloseTo((0.4 * 6) / 9, 12);
        expect(outlined({ ...snow, size: 59, outline: 5 })?.size).toBe(60);
    });
    it('of lightning is the same stroke, wider and without its glow', () => {
        expect(aroundStrike(strike)).toBeNull();
        const around = { ...strike, outline: 1.5, outlineColour: '#102030' };
        expect(aroundStrike(around)).toEqual({ ...around, colour: '#102030', width: 7, glow: 0, outline: 0 });
        expect(aroundStrike({ ...around, width: 29 })?.width).toBe(30);
    });
});
