import { describe, expect, it } from 'vitest';
import type { RecordsState, RegionData } from '../api/generated';
import { seenFlats } from '../picture/seenFlats';
import { EMPTY, type PassNode, type Stack } from '../picture/stack';
import { figuresOf } from '../picture/values';
import { region } from './world';

const tones = (base: number) =>
    ({ base }) as Stack['flats'] extends Map<number, infer F> ? F['tones' & keyof F] : never;
const flats: Stack['flats'] = new Map([
    [1, { figure: 1, material: 1, tones: tones(0x204060), light: null }],
    [300, { figure: 2, material: 2, tones: tones(0xf0e0d0), light: null }],
]);
const at = (x: number, y: number, area: number): RegionData => ({ ...region(1, area), x, y });
const regions: RecordsState['region'] = { 1: at(10, 10, 50), 300: at(90, 70, 70) };
const layer = (content: PassNode['content'], more: Partial<PassNode> = {}): PassNode => ({
    kind: 'pass',
    id: 'mood01',
    layer: 'pass:mood01',
    content,
    scope: { kind: 'page', id: 0 },
    mode: 'normal',
    opacity: 1,
    mask: null,
    turn: null,
    ...more,
});
const under = (...above: PassNode[]): Map<number, number> =>
    seenFlats({ ...EMPTY, page: { width: 100, height: 80 }, flats, above }, regions);

describe('flats as a mood shows them', () => {
    it('are their bases where there is none', () => {
        expect([...under()]).toEqual(
            [...flats].map(
                ([
                    label,
                    {
                        tones: { base },
                    },
                ]) => [label, base],
            ),
        );
    });
    it('take the mood that lies over them, each at its own place', () => {
        const dark = under(layer({ kind: 'wash', colour: '#000000' }, { opacity: 0.5 }));
        expect([dark.get(1), dark.get(300)]).toEqual([0x102030, 0x787068]);
        const sky = under(
            layer({
                kind: 'gradient',
                form: 'linear',
                space: 'srgb',
                from: [0, 0],
                to: [0, 1],
                stops: [
                    { at: 0, colour: '#ff0000', alpha: 1 },
                    { at: 1, colour: '#0000ff', alpha: 1 },
                ],
            }),
        );
        expect((sky.get(1) ?? 0) >> 16, 'near the top').toBeGreaterThan(200);
        expect((sky.get(300) ?? 0) & 255, 'near the foot').toBeGreaterThan(200);
    });
    it('are not taken for the snow that falls before them, nor for what is painted or hidden', () => {
        const snow = {
            kind: 'particles' as const,
            colour: '#ffffff',
            form: 'flake' as const,
            spacing: 4,
            size: 60,
            length: 0,
            angle: 0,
            spread: 0,
            softness: 0,
            variety: 0,
            near: 1,
            middle: 1,
            far: 1,
            outline: 0,
            lamps: [],
            dim: 0.7,
            outlineColour: '#20242c',
            seed: 1,
        };
        expect(under(layer(snow), layer({ kind: 'tint', colour: '#ff0000', follows: null })).get(1)).toBe(0x204060);
        expect(under(layer({ kind: 'wash', colour: '#ffffff' }, { opacity: 0 })).get(1)).toBe(0x204060);
    });
    it('say how far figure and ground are apart', () => {
        const black = under(layer({ kind: 'wash', colour: '#000000' }));
        const { ours, others } = figuresOf(regions, flats, 1, (label) => black.get(label) ?? 0xffffff);
        expect([ours, others]).toEqual([[{ lightness: 0, area: 50 }], [{ lightness: 0, area: 70 }]]);
    });
});
