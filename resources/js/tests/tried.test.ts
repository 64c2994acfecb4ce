import { describe, expect, it, vi } from 'vitest';
import type { PassData, TintData, TriedLightState } from '../api/generated';
import { LightTrial } from '../bench/model/lightTrial';
import { AT_FIRST } from '../bench/model/keyLight';
import { SIDE } from '../picture/compose';
import { TriedLight, withTried } from '../picture/tried';
import { pageState, shade } from './world';

const spec: PassData = { ...shade, name: 'Shade, rough' };
/** 3 x 2 px at level 3, at 40,30: what it covers is known pixel by pixel. */
const BYTES = Uint8Array.of(0, 80, 160, 40, 200, 255);

async function deflated(bytes: Uint8Array<ArrayBuffer>): Promise<string> {
    const stream = new Blob([bytes]).stream().pipeThrough(new CompressionStream('deflate'));
    return Buffer.from(await new Response(stream).arrayBuffer()).toString('base64');
}

const state = async (over: Partial<TriedLightState> = {}): Promise<TriedLightState> => ({
    level: 3,
    x: 40,
    y: 30,
    width: 3,
    height: 2,
    passes: { rough3shade: { spec, coverage: await deflated(BYTES) } },
    ...over,
});
const LAYER = 'pass:rough3shade';

describe('a light that is tried', () => {
    it('is shown as it was worked out, where it was', async () => {
        const tried = await TriedLight.from(await state());
        const tile = tried.tile(LAYER, 3, 0, 0) as Uint8Array;
        const at = (x: number, y: number): number => tile[y * SIDE + x];
        expect([at(40, 30), at(41, 30), at(42, 30), at(40, 31), at(41, 31), at(42, 31)]).toEqual([...BYTES]);
        expect([at(39, 30), at(43, 30), at(41, 29), at(41, 32), at(43, 31)]).toEqual([0, 0, 0, 0, 0]);
        expect(tile.reduce((sum, value) => sum + value, 0)).toBe(BYTES.reduce((sum, value) => sum + value, 0));
        expect(tried.passes).toEqual({ rough3shade: spec });
    });
    it('is drawn between its pixels at finer levels, and from every second one’s neighbours at coarser', async () => {
        const tried = await TriedLight.from(await state());
        // A level finer: places lie a quarter of a pixel beside the small ones.
        const fine = tried.tile(LAYER, 2, 0, 0) as Uint8Array;
        const mix = (a: number, b: number): number => 0.75 * a + 0.25 * b;
        expect(fine[61 * SIDE + 82]).toBe(Math.round(mix(mix(80, 0), mix(200, 40))));
        expect(fine[61 * SIDE + 83]).toBe(Math.round(mix(mix(80, 160), mix(200, 255))));
        expect(fine[60 * SIDE + 85]).toBe(Math.round(mix(mix(160, 0), 0)));
        const coarse = tried.tile(LAYER, 4, 0, 0) as Uint8Array;
        expect(coarse[15 * SIDE + 20]).toBe((0 + 80 + 40 + 200) / 4);
        expect(coarse[15 * SIDE + 21]).toBe(Math.round((160 + 255) / 4));
    });
    it('knows its tiles, at every level, and those round about them', async () => {
        const tried = await TriedLight.from(await state());
        expect([
            tried.touches(3, 0, 0),
            tried.touches(3, 1, 0),
            tried.touches(0, 1, 0),
            tried.touches(0, 1, 2),
            tried.touches(0, 0, 0),
        ]).toEqual([true, false, true, false, false]);
        expect([
            tried.tile(LAYER, 3, 1, 0),
            tried.tile('pass:other', 3, 0, 0),
            tried.has(LAYER),
            tried.has('pass:other'),
        ]).toEqual([null, null, true, false]);
        const next = await TriedLight.from(await state());
        expect(next.version).toBeGreaterThan(tried.version);
    });
});

describe('a page on which a light is tried', () => {
    it('has its passes beside those that hang, and the colours it gives to those that take them from it', async () => {
        const tint = (colour: string, follows: TintData['follows']): PassData => ({
            ...spec,
            content: { kind: 'tint', colour, follows },
        });
        const passes = {
            rough3rim: tint('#111111', 'given'),
            rough3bounce: tint('#222222', 'given'),
            rough3glow: tint('#333333', 'given'),
        };
        const coverage = await deflated(BYTES);
        const tried = await TriedLight.from(
            await state({
                passes: Object.fromEntries(Object.entries(passes).map(([id, one]) => [id, { spec: one, coverage }])),
            }),
        );
        const hung = {
            rough3rim: tint('#aaaaaa', null),
            rough3bounce: { ...tint('#bbbbbb', 'given'), opacity: 0.25 },
            byhand: tint('#cccccc', 'given'),
        };
        const shown = withTried({ ...pageState().records, pass: hung }, tried).pass;
        expect(
            Object.fromEntries(
                Object.entries(shown).map(([id, { content, opacity }]) => [
                    id,
                    [content.kind === 'tint' ? content.colour : null, opacity],
                ]),
            ),
        ).toEqual({
            rough3rim: ['#aaaaaa', spec.opacity],
            rough3bounce: ['#222222', 0.25],
            rough3glow: ['#333333', spec.opacity],
            byhand: ['#cccccc', spec.opacity],
        });
    });
});

describe('a light that is dragged', () => {
    const plan = (azimuth: number) => ({ ...AT_FIRST, azimuth });
    function trial(rests?: number) {
        const asked: number[] = [];
        const fine: number[] = [];
        const answers: ((one: TriedLightState | null) => void)[] = [];
        const shown: (TriedLight | null)[] = [];
        const made = new LightTrial(
            (_, { azimuth }, __, isFine) => {
                (isFine ? fine : asked).push(azimuth);
                return new Promise((done) => answers.push(done));
            },
            (tried) => shown.push(tried),
            rests,
        );
        const settled = () => new Promise((done) => setTimeout(done, 20));
        return { made, asked, fine, answers, shown, settled };
    }

    it('is asked for one wish at a time, the newest, and each answer is shown', async () => {
        const { made, asked, answers, shown } = trial();
        [10, 20, 30].forEach((azimuth) => made.want(3, plan(azimuth)));
        expect(asked).toEqual([10]);
        answers[0](await state());
        await vi.waitFor(() => expect([asked, shown.length]).toEqual([[10, 30], 1]));
        answers[1](await state());
        await vi.waitFor(() => expect([asked, shown.length]).toEqual([[10, 30], 2]));
        made.want(3, plan(40));
        expect(asked).toEqual([10, 30, 40]);
    });
    it('is asked for once more, sharper, when the hand rests, and not waited for', async () => {
        const { made, asked, fine, answers, shown, settled } = trial(0);
        made.want(3, plan(10));
        answers[0](await state());
        await vi.waitFor(() => expect([asked, fine, shown.length]).toEqual([[10], [10], 1]));
        // A new wish is asked beside it; what comes late of the old one is not shown.
        made.want(3, plan(20));
        expect(asked).toEqual([10, 20]);
        answers[1](await state());
        await settled();
        expect(shown).toHaveLength(1);
        answers[2](await state());
        await vi.waitFor(() => expect([fine, shown.length]).toEqual([[10, 20], 2]));
        answers[3](await state());
        await vi.waitFor(() => expect(shown).toHaveLength(3));
        // Let go before the hand rested, it is not asked; nor when the first could not be told.
        made.want(3, plan(30));
        made.drop();
        answers[4](await state());
        await settled();
        made.want(3, plan(40));
        await vi.waitFor(() => expect(asked).toEqual([10, 20, 30, 40]));
        answers[5](null);
        await settled();
        expect(fine).toEqual([10, 20]);
    });
    it('is not shown any more once it is let go, and one that could not be told shows nothing', async () => {
        const { made, asked, answers, shown, settled } = trial();
        made.want(3, plan(10));
        made.drop();
        answers[0](await state());
        await settled();
        expect(shown).toEqual([null]);
        made.want(3, plan(20));
        await vi.waitFor(() => expect(asked).toEqual([10, 20]));
        answers[1](null);
        await settled();
        expect([asked, shown]).toEqual([[10, 20], [null]]);
    });
});
