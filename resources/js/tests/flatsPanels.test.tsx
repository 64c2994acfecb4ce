// @vitest-environment happy-dom
/** What picked regions, bridges and a material's colour can be told, and what brushes are set to. */
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { BridgeData, BoxedBrush, TipData } from '../api/generated';
import type { BenchModel } from '../bench/model/model';
import { HEAVIEST_LINE, LARGEST_BRUSH } from '../bench/model/limits';
import {
    Cut,
    Flow,
    Grain,
    Opacity,
    Size,
    Softness,
    Steady,
    Strength,
    Taper,
    Weight,
    Within,
} from '../bench/options/brush';
import { BrushMaker } from '../bench/options/BrushMaker';
import { BridgesPart } from '../bench/panels/flats/BridgesPart';
import { ChosenPart } from '../bench/panels/flats/ChosenPart';
import { ColourPart } from '../bench/panels/flats/ColourPart';
import { asked, button, open, openWith, press, show, slide, unfold } from './showing';
import { bridgeOf, oilskin, pageState, region } from './world';

vi.mock('../bench/options/BrushSample', () => ({ BrushSample: () => null }));

const target = { material: oilskin, figureName: 'Oda', tone: 'base', pass: null } as const;
const choose = (label: string | RegExp, value: string): void => {
    fireEvent.change(screen.getByLabelText(label), { target: { value } });
};

describe('picked regions', () => {
    const opened = (labels: number[], more: Parameters<typeof openWith>[0] = {}): BenchModel => {
        const bench = openWith({
            region: { 1: region(0, 90), 2: region(9, 1050), 3: region(9, 400), 5: region(8, 7) },
            ...more,
        });
        bench.set({ pickedRegions: labels, target });
        show(bench, <ChosenPart />);
        return bench;
    };

    it('are counted with their area; what is gone from the page does not count', () => {
        opened([1, 2, 77]);
        expect(screen.getByText('2 regions picked')).toBeTruthy();
        expect(screen.getByText('1,140 px')).toBeTruthy();
        cleanup();
        const bench = opened([3]);
        expect(screen.getByText('One region picked')).toBeTruthy();
        press('Pick none');
        expect(bench.view.pickedRegions).toEqual([]);
        expect(screen.queryByText('One region picked')).toBeNull();
    });
    it('are filled with what is in hand, joined and locked', () => {
        const bench = opened([1, 3]);
        press('Fill with oilskin');
        press('Join');
        expect(bench.view.pickedRegions).toEqual([]);
        cleanup();
        opened([2, 3]);
        press('Lock');
        expect(asked).toMatchObject([
            { kind: 'fill', labels: [1, 3], figure: 3, material: 9 },
            { kind: 'flats.join', labels: [1, 3] },
            { kind: 'flats.lock', labels: [2, 3], locked: true },
        ]);
        // What is locked cannot be joined.
        expect([button('Unlock').disabled, button('Join').disabled]).toEqual([false, true]);
    });
    it('that are all locked can be unlocked and nothing else', () => {
        const locked = { ...region(9, 10), locked: true };
        opened([2, 3], { region: { 2: locked, 3: locked } });
        expect(['Fill with oilskin', 'Join', 'Grow', 'Fill holes'].map((name) => button(name).disabled)).toEqual([
            true,
            true,
            true,
            true,
        ]);
        press('Unlock');
        expect(asked).toMatchObject([{ kind: 'flats.lock', locked: false }]);
        cleanup();
        // One that is locked among others does not block them.
        opened([2, 3], { region: { 2: locked, 3: region(9, 10) } });
        expect([button('Lock').disabled, button('Join').disabled]).toEqual([false, false]);
    });
    it('grow, shrink by as much, and have their holes filled', () => {
        opened([2]);
        expect(screen.queryByText('Join')).toBeNull();
        press('Grow');
        choose('By, px', '7');
        fireEvent.blur(screen.getByLabelText('By, px'));
        press('Shrink');
        press('Fill holes');
        expect(asked).toMatchObject([
            { kind: 'flats.resize', labels: [2], by: 2 },
            { kind: 'flats.resize', labels: [2], by: -7 },
            { kind: 'flats.resize', labels: [2], by: 0 },
        ]);
    });
    it('go to another figure or to a new one, unless none of them is filled', () => {
        const bench = opened([2, 3]);
        const given = vi.spyOn(bench.session.palette, 'giveTo').mockResolvedValue(undefined as never);
        choose('Give to', '4');
        choose('Give to', 'new');
        expect(given.mock.calls).toEqual([
            [[2, 3], 4, ''],
            [[2, 3], null, 'New figure 4'],
        ]);
        cleanup();
        opened([1]);
        expect((screen.getByLabelText('Give to') as HTMLSelectElement).disabled).toBe(true);
    });
    it('wear a variant of their own; several at once are told', () => {
        const palette = { ...pageState().palette, variants: [{ id: 21, name: 'Night', materials: {} }] };
        const bench = open({
            palette,
            records: {
                ...pageState().records,
                region: { 2: { ...region(9, 10), variant: 21 }, 3: region(9, 20) },
            },
        });
        bench.set({ pickedRegions: [2, 3] });
        show(bench, <ChosenPart />);
        expect((screen.getByLabelText('Variant') as HTMLSelectElement).value).toBe('');
        choose('Variant', '21');
        choose('Variant', 'page');
        expect(asked).toMatchObject([
            { kind: 'variant.wear', labels: [2, 3], variant: 21 },
            { kind: 'variant.wear', labels: [2, 3], variant: null },
        ]);
    });
});

describe('bridges', () => {
    const opened = (bridges: BridgeData[], isHeld = true): BenchModel => {
        const bench = openWith({ bridge: Object.fromEntries(bridges.map((one, i) => [i + 1, one])) }, isHeld);
        show(bench, <BridgesPart />);
        unfold('Bridges');
        return bench;
    };
    const some = [
        bridgeOf('found', 0, 0, 3, 4),
        bridgeOf('found', 0, 0, 0, 8),
        bridgeOf('kept', 0, 0, 40, 0),
        bridgeOf('doubtful', 0, 0, 6, 8),
        bridgeOf('doubtful', 20, 10, 21, 40),
        bridgeOf('refused', 0, 0, 1, 1),
    ];

    it('are counted: those that close a gap, and those that are in doubt', () => {
        const bench = opened(some);
        expect(screen.getByText('2 in doubt')).toBeTruthy();
        fireEvent.click(screen.getByLabelText('Show the 3 gaps that were closed'));
        expect(bench.view.bridges).toBe(true);
        cleanup();
        opened(some.filter(({ kind }) => kind !== 'doubtful'));
        expect(screen.getByText('3')).toBeTruthy();
        expect(screen.queryByText(/may be damage/)).toBeNull();
    });
    it('have a limit that tells what it would change, and is set when the hand lets go', () => {
        const bench = opened(some);
        const slider = screen.getByRole('slider', { name: /Up to/ }) as HTMLInputElement;
        expect([slider.value, slider.max]).toEqual(['8', '31']);
        fireEvent.change(slider, { target: { value: '10' } });
        expect(bench.view.bridgeLimit).toBe(10);
        expect(screen.getByRole('status').textContent).toBe('1 more, 0 fewer');
        fireEvent.change(slider, { target: { value: '5' } });
        expect(screen.getByRole('status').textContent).toBe('0 more, 1 fewer');
        fireEvent.pointerUp(slider);
        expect(bench.view.bridgeLimit).toBeNull();
        slide(/Up to/, 8);
        expect(asked).toMatchObject([{ kind: 'bridges.limit', longest: 5 }]);
    });
    it('that are in doubt are gone through, made or left open', () => {
        const bench = opened(some);
        expect(screen.getByText('2 gaps may be damage or drawn so.')).toBeTruthy();
        expect(screen.queryByText('Bridge it')).toBeNull();
        press('Look at them');
        expect([bench.view.bridge, bench.view.bridges]).toEqual(['4', true]);
        press('Next');
        expect(bench.view.bridge).toBe('5');
        press('Leave it open');
        expect(asked).toMatchObject([{ kind: 'bridges', draw: null, bridge: 5, as: 'refused' }]);
        expect(bench.view.bridge).toBe('4');
        expect(screen.getByText('One gap may be damage or drawn so.')).toBeTruthy();
        press('Bridge it');
        expect(asked[1]).toMatchObject({ bridge: 4, as: 'kept' });
    });
    it('can be looked at and not changed by somebody who watches', () => {
        const bench = opened(some, false);
        press('Look at them');
        expect(bench.view.bridge).toBe('4');
        expect([button('Bridge it').disabled, button('Leave it open').disabled]).toEqual([true, true]);
        expect((screen.getByRole('slider', { name: /Up to/ }) as HTMLInputElement).disabled).toBe(true);
    });
});

describe('the colour of a material on this page', () => {
    const shift = (lightness: number) => ({ lightness, chroma: 1, hue: 0, material: 9 });
    const opened = (records: Parameters<typeof openWith>[0], picked: number[] = []): BenchModel => {
        const bench = openWith(records);
        bench.set({ target, pickedRegions: picked });
        show(bench, <ColourPart />);
        return bench;
    };
    const locked = { ...region(9, 5), locked: true };

    it('is shifted in all its regions that are not locked; each shift has an id of its own', () => {
        opened({ region: { 1: region(9, 5), 2: locked, 3: region(8, 5), 4: region(9, 9) } });
        unfold('Colour of oilskin here');
        expect(screen.getByText('On this page only, in 2 of its regions.')).toBeTruthy();
        slide('Lightness', -12);
        expect(asked).toMatchObject([
            { kind: 'colour.shift', labels: [1, 4], values: { lightness: -0.12, chroma: 1, hue: 0, material: 9 } },
        ]);
        expect((asked[0] as unknown as { id: string }).id).toMatch(/^\w{12}$/);
    });
    it('goes on from the shift that is there, and goes back', () => {
        opened({
            region: {
                1: { ...region(9, 5), shift: 'before' },
                2: { ...locked, shift: 'before' },
                4: { ...region(9, 9), shift: 'before' },
            },
            shift: { before: shift(0.2) },
        });
        unfold('Colour of oilskin here');
        slide('Hue', 40);
        press('As the palette says');
        expect(asked).toMatchObject([
            { id: 'before', values: { lightness: 0.2, chroma: 1, hue: 40 } },
            { id: 'before', values: { lightness: 0, chroma: 1, hue: 0 } },
        ]);
    });
    it('of picked regions leaves what others of that shift have', () => {
        opened(
            {
                region: { 1: { ...region(9, 5), shift: 'before' }, 4: { ...region(9, 9), shift: 'before' } },
                shift: { before: shift(0.2) },
            },
            [4],
        );
        unfold('Colour of oilskin here');
        expect(screen.getByText('In the 1 picked regions only.')).toBeTruthy();
        slide('Strength', 50);
        expect(asked).toMatchObject([{ labels: [4], values: { lightness: 0.2, chroma: 0.5 } }]);
        expect((asked[0] as unknown as { id: string }).id).not.toBe('before');
    });
    it('can become that of the palette', () => {
        const bench = opened({
            region: { 1: { ...region(9, 5), shift: 'before' } },
            shift: { before: shift(0.25) },
        });
        unfold('Colour of oilskin here');
        const pinned = vi.spyOn(bench.session.palette, 'pin').mockResolvedValue(undefined as never);
        press('Change the palette so');
        expect(asked).toMatchObject([{ id: 'before', values: { lightness: 0 } }]);
        const [[material, tone, colour]] = pinned.mock.calls;
        expect([material.id, tone]).toEqual([9, 'base']);
        expect(colour).toMatch(/^#[0-9a-f]{6}$/);
        // Lighter than the dark green that it was.
        expect(parseInt(String(colour).slice(3, 5), 16)).toBeGreaterThan(0x60);
    });
    it('is exchanged for that of another material; without a region there is nothing to set', () => {
        opened({ region: { 1: region(9, 5), 2: locked } });
        unfold('Colour of oilskin here');
        choose('Exchange for', '8');
        expect(asked).toMatchObject([{ kind: 'fill', labels: [1], figure: 4, material: 8 }]);
        cleanup();
        opened({ region: { 3: region(8, 5) } });
        expect(screen.queryByText(/Colour of/)).toBeNull();
    });
});

describe('what a brush is set to', () => {
    const slider = (name: RegExp): HTMLInputElement => screen.getByRole('slider', { name });

    it('sizes and weights go by their root, so that small ones have fine steps', () => {
        const bench = open();
        bench.set({ size: 49, weight: 4 });
        show(
            bench,
            <>
                <Size />
                <Weight />
            </>,
        );
        expect([slider(/Size/).value, slider(/Weight/).value]).toEqual(['70', '20']);
        expect(Number(slider(/Size/).max)).toBe(Math.round(10 * Math.sqrt(LARGEST_BRUSH)));
        expect(Number(slider(/Weight/).max)).toBe(Math.round(10 * Math.sqrt(HEAVIEST_LINE)));
        slide(/Size/, 120);
        slide(/Weight/, 16);
        expect([bench.view.size, bench.view.weight]).toEqual([144, 2.5]);
        slide(/Size/, 0);
        slide(/Weight/, 0);
        expect([bench.view.size, bench.view.weight]).toEqual([1, 1]);
    });
    it('the others are shares of what they can be', () => {
        const bench = open();
        show(
            bench,
            <>
                <Opacity />
                <Steady />
                <Taper />
                <Grain />
                <Strength />
                <Softness />
            </>,
        );
        slide(/Opacity/, 40);
        slide(/Taper/, 25);
        slide(/Grain/, 70);
        slide(/Strength/, 15);
        slide(/^Soft/, 33);
        expect(bench.view).toMatchObject({ opacity: 0.4, taper: 0.25, grain: 0.7, strength: 0.15, softness: 33 });
        slide(/Steady/, 0);
        expect(bench.view.steady).toBe(0);
        slide(/Steady/, 5);
        const half = bench.view.steady;
        slide(/Steady/, 10);
        expect(bench.view.steady).toBeCloseTo(2 * half);
        fireEvent.click(screen.getByLabelText('not where shapes meet'));
        expect(bench.view.isSoftApart).toBe(true);
    });
    it('an eraser of lines cuts parts out of them only where it is told to', () => {
        const bench = open();
        bench.set({ isCutting: false });
        show(
            bench,
            <>
                <Cut />
                <Within />
            </>,
        );
        expect(screen.queryByRole('slider')).toBeNull();
        fireEvent.click(screen.getByLabelText('Only parts of lines'));
        slide(/Width/, 44);
        fireEvent.click(screen.getByLabelText('in one region'));
        expect(bench.view).toMatchObject({ isCutting: true, cut: 44, isWithin: true });
    });
    it('flows where it has a tip, and as that has it until it is told otherwise', () => {
        const bench = open();
        show(bench, <Flow />);
        expect(screen.queryByRole('slider')).toBeNull();
        cleanup();
        bench.paint.take({ ...boxed, tip: { ...tip, flow: 0.35 } });
        show(bench, <Flow />);
        expect(slider(/Flow/).value).toBe('35');
        slide(/Flow/, 80);
        expect([bench.view.flow, bench.paint.tip?.flow]).toEqual([0.8, 0.8]);
    });
});

const tip: TipData = {
    kind: 'flat',
    seed: 4,
    flow: 0.5,
    spacing: 0.2,
    scatter: 0,
    along: false,
    angle: 30,
    turn: 0,
    jitter: 0,
    taper: 0,
    sizeBy: [1, 1, 1, 1, 1],
    flowBy: [1, 1, 1, 1, 1],
    opacityBy: [1, 1, 1, 1, 1],
    wet: 0,
    grain: 0,
    picture: null,
};
const boxed: BoxedBrush = { id: 31, name: 'Net mender', what: '', size: 20, hardness: 0.5, tip };

describe('a brush of one’s own', () => {
    const making = (isHeld = true, from = boxed) => {
        const bench = open({}, isHeld);
        bench.paint.take(from);
        bench.set({ size: 26 });
        const taken = vi.fn();
        show(bench, <BrushMaker from={from} onTaken={taken} />);
        return { bench, taken };
    };

    it('begins as the one in hand, and is tried without being kept', () => {
        const { bench, taken } = making();
        slide(/Hard/, 80);
        slide(/Angle/, -45);
        slide(/Scatter/, 60);
        fireEvent.click(screen.getByLabelText('along the stroke'));
        choose('Tip', 'bristle');
        press('Try it');
        expect(bench.view.boxed).toMatchObject({
            id: 0,
            name: 'Net mender, tried',
            size: 26,
            hardness: 0.8,
            tip: { kind: 'bristle', angle: -45, scatter: 0.6, along: true, spacing: 0.2, seed: 4, picture: null },
        });
        expect(taken).toHaveBeenCalledOnce();
    });
    it('is kept under a name, and in hand from then on', async () => {
        const { bench, taken } = making();
        const kept: BoxedBrush = { ...boxed, id: 40, name: 'Tar' };
        const keep = vi.spyOn(bench.session.brushes, 'keep').mockResolvedValue(kept);
        expect(button('Keep in the series').disabled).toBe(true);
        choose('Name of a new brush', '  Tar ');
        press('Keep in the series');
        await vi.waitFor(() => expect(taken).toHaveBeenCalledOnce());
        expect(keep.mock.calls).toMatchObject([['Tar', { size: 26, hardness: 0.5, tip: { kind: 'flat' } }]]);
        expect(bench.view.boxed?.id).toBe(40);
    });
    it('stays in the making where it could not be kept', async () => {
        const { bench, taken } = making();
        const keep = vi.spyOn(bench.session.brushes, 'keep').mockResolvedValue(null);
        choose('Name of a new brush', 'Tar');
        press('Keep in the series');
        await vi.waitFor(() => expect(keep).toHaveBeenCalled());
        await Promise.resolve();
        expect([taken.mock.calls.length, bench.view.boxed?.id]).toEqual([0, 31]);
    });
    it('can be deleted where it is the series’ own, by whoever may', async () => {
        const { bench } = making();
        const gone = vi.spyOn(bench.session.brushes, 'delete').mockResolvedValue(undefined as never);
        press('Delete Net mender');
        await vi.waitFor(() => expect(bench.view.boxed).toBeNull());
        expect(gone.mock.calls).toEqual([[31]]);
        cleanup();
        making(true, { ...boxed, id: 0 });
        expect(screen.queryByText(/^Delete/)).toBeNull();
        cleanup();
        making(false);
        expect([button('Delete Net mender').disabled, button('Try it').disabled]).toEqual([true, false]);
    });
    it('takes a picture for its tip, and lets it go with another kind', async () => {
        const { bench } = making();
        expect(screen.queryByRole('option', { name: 'the picture' })).toBeNull();
        const picture = { width: 2, height: 2, data: 'AAAA' } as never;
        vi.spyOn(bench.session.brushes, 'tipOf').mockResolvedValue(picture);
        fireEvent.change(screen.getByLabelText('Bring a picture'), {
            target: { files: [new File(['x'], 'tip.png')] },
        });
        await vi.waitFor(() => expect(screen.getByRole('option', { name: 'the picture' })).toBeTruthy());
        press('Try it');
        expect(bench.paint.tip).toMatchObject({ kind: 'picture', picture });
        choose('Tip', 'round');
        press('Try it');
        expect(bench.paint.tip).toMatchObject({ kind: 'round', picture: null });
    });
});
