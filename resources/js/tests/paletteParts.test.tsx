// @vitest-environment happy-dom
/** Parts of the palette's screen, rendered without a server: what they show, and what they ask for. */
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api } from '../api/client';
import type { MaterialState, PaletteOverviewState, VariantState } from '../api/generated';
import { ColourEntry } from '../palette/ColourEntry';
import { RulePart } from '../palette/RulePart';
import { Tracks } from '../palette/Tracks';
import { usePalette, type PaletteDesk } from '../palette/usePalette';
import { VariantsPart } from '../palette/VariantsPart';
import { clogs, oilskin, pageState } from './world';

afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
});

const overview = (material: MaterialState = oilskin): PaletteOverviewState => {
    const { palette } = pageState();
    const figures = palette.figures.map((one) => (one.id === 3 ? { ...one, materials: [material] } : one));
    return {
        id: 2,
        name: 'The Salt Ferry',
        mayColour: true,
        palette: { ...palette, figures },
        uses: {},
        advice: {},
        undo: null,
        redo: null,
    };
};

function rendered(part: ReactNode): void {
    const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
    render(<QueryClientProvider client={client}>{part}</QueryClientProvider>);
}

describe('a colour as text', () => {
    const taken: number[] = [];
    beforeEach(() => {
        taken.length = 0;
        render(<ColourEntry colour={0x102030} disabled={false} onTake={(colour) => taken.push(colour)} />);
    });
    const type = (label: string, text: string): boolean => {
        const field = screen.getByLabelText(label) as HTMLInputElement;
        fireEvent.change(field, { target: { value: text } });
        const isWrong = field.getAttribute('aria-invalid') === 'true';
        fireEvent.keyDown(field, { key: 'Enter' });
        return isWrong;
    };
    const values = (): string[] => screen.getAllByRole('textbox').map((one) => (one as HTMLInputElement).value);

    it('is the same colour in three ways', () => {
        expect(values().slice(0, 2)).toEqual(['#102030', '16, 32, 48']);
        cleanup();
        render(<ColourEntry colour={0xffffff} disabled={false} onTake={() => undefined} />);
        expect(values()).toEqual(['#ffffff', '255, 255, 255', '100.0, 0.0, 0.0']);
    });
    it('is taken when it is whole, from the darkest to the lightest there is', () => {
        expect(type('Hex', ' ffA040 ')).toBe(false);
        expect(type('Red, green, blue', '0 0, 0')).toBe(false);
        expect(type('Red, green, blue', '255;255;255')).toBe(false);
        expect(type('L* a* b* (D50)', '100, 0, 0')).toBe(false);
        expect(type('L* a* b* (D50)', '0 0 0')).toBe(false);
        expect(taken).toEqual([0xffa040, 0, 0xffffff, 0xffffff, 0]);
    });
    it('waits while it is half typed, and comes back as it was', () => {
        const wrong = ['256, 0, 0', '-1, 0, 0', '1.5, 2, 3', '1, 2', '1, 2, 3, 4', 'red'];
        expect(wrong.map((text) => type('Red, green, blue', text))).toEqual(wrong.map(() => true));
        expect(['#12345', '1234567', '#12345g'].map((text) => type('Hex', text))).toEqual([true, true, true]);
        expect(
            ['101, 0, 0', '-1, 0, 0', '50, 129, 0', '50, 0, -129'].map((text) => type('L* a* b* (D50)', text)),
        ).toEqual([true, true, true, true]);
        expect([taken, values()[1]]).toEqual([[], '16, 32, 48']);
    });
    it('that is left as it was is not taken', () => {
        type('Hex', '#102030');
        fireEvent.blur(screen.getByLabelText('Hex'));
        expect(taken).toEqual([]);
    });
});

const desk = (more: Partial<PaletteDesk> = {}): PaletteDesk =>
    ({
        overview: overview(),
        figures: overview().palette.figures,
        picked: null,
        trial: {},
        variant: null,
        tryOut: vi.fn(),
        showVariant: vi.fn(),
        apply: vi.fn().mockResolvedValue(true),
        change: vi.fn().mockResolvedValue(true),
        ask: vi.fn((work: () => Promise<unknown>) => work().then(() => true)),
        ...more,
    }) as unknown as PaletteDesk;

describe('the rule for derived tones', () => {
    const dial = (label: string): HTMLInputElement => screen.getByLabelText(new RegExp(label)) as HTMLInputElement;

    it('shows its dials in hundredths, and asks for shares', () => {
        vi.spyOn(api, 'previewRule').mockResolvedValue({});
        const one = desk();
        rendered(<RulePart desk={one} />);
        const whole = screen.getByText('Make it the series’ rule') as HTMLButtonElement;
        expect([dial('Shades turn there').value, dial('Deep keeps').value, whole.disabled]).toEqual(['20', '70', true]);
        fireEvent.change(dial('Shades turn there'), { target: { value: '45' } });
        fireEvent.change(dial('Glint rises'), { target: { value: '60' } });
        fireEvent.click(whole);
        expect(vi.mocked(one.apply).mock.calls).toEqual([
            ['rule.change', { light: '#ffffff', dials: { ...overview().palette.dials, turn: 0.45, glint: 0.6 } }],
        ]);
        fireEvent.click(screen.getByText('As it was'));
        expect([dial('Shades turn there').value, whole.disabled]).toEqual(['20', true]);
    });
    it('is tried on the whole palette once the hand rests, and never after it was left', async () => {
        vi.useFakeTimers();
        try {
            const tones = { [oilskin.id]: { shade: '#111111' } };
            const preview = vi.spyOn(api, 'previewRule').mockResolvedValue(tones as never);
            const one = desk();
            rendered(<RulePart desk={one} />);
            fireEvent.change(dial('Light rises'), { target: { value: '50' } });
            fireEvent.change(dial('Light rises'), { target: { value: '55' } });
            expect(preview).not.toHaveBeenCalled();
            await vi.advanceTimersByTimeAsync(100);
            expect(preview.mock.calls.map(([series, , dials]) => [series, dials.light])).toEqual([[2, 0.55]]);
            expect(vi.mocked(one.tryOut).mock.lastCall).toEqual([tones]);
            fireEvent.change(dial('Light rises'), { target: { value: '60' } });
            cleanup();
            await vi.advanceTimersByTimeAsync(100);
            expect([preview.mock.calls.length, vi.mocked(one.tryOut).mock.lastCall]).toEqual([1, [{}]]);
        } finally {
            vi.useRealTimers();
        }
    });
});

describe('a variant', () => {
    const wet: VariantState = {
        id: 8,
        name: 'Wet',
        version: 3,
        materials: { [oilskin.id]: { own: ['base'], tones: { ...oilskin.tones, base: '#aa7711', shade: '#553300' } } },
    };
    const shown = (picked: PaletteDesk['picked']): void => {
        const one = desk({ variant: wet, picked });
        vi.spyOn(api, 'variants').mockResolvedValue({ variants: [wet], pages: [] } as never);
        rendered(<VariantsPart desk={one} />);
    };
    const part = async () => within(await screen.findByRole('region', { name: 'Wet' }));

    it('says of the picked tone what it is there, and gives back only what it has of its own', async () => {
        shown({ material: oilskin.id, tone: 'base' });
        const there = await part();
        expect((there.getByLabelText('base in Wet') as HTMLInputElement).value).toBe('#aa7711');
        expect((there.getByText('As the palette') as HTMLButtonElement).disabled).toBe(false);
        cleanup();
        shown({ material: oilskin.id, tone: 'shade' });
        expect(((await part()).getByText('As the palette') as HTMLButtonElement).disabled).toBe(true);
        cleanup();
        shown({ material: clogs.id, tone: 'base' });
        const other = await part();
        expect((other.getByLabelText('base in Wet') as HTMLInputElement).value).toBe(clogs.tones.base);
        expect((other.getByText('As the palette') as HTMLButtonElement).disabled).toBe(true);
    });
    it('asks for a colour once the hand has chosen it, and not for the one that is there', async () => {
        shown({ material: oilskin.id, tone: 'base' });
        const colour = (await part()).getByLabelText('base in Wet');
        const apply = vi.spyOn(api, 'applyToSeries').mockResolvedValue({} as never);
        fireEvent.blur(colour);
        expect(apply).not.toHaveBeenCalled();
        fireEvent.change(colour, { target: { value: '#00ff00' } });
        fireEvent.blur(colour);
        await vi.waitFor(() => expect(apply).toHaveBeenCalledOnce());
        expect(apply.mock.calls[0].slice(0, 3)).toEqual([
            2,
            'variant.change',
            { variant: 8, version: 3, material: oilskin.id, tones: { base: '#00ff00' } },
        ]);
    });
});

describe('the palette’s desk', () => {
    let last: PaletteDesk;
    function Desk() {
        last = usePalette(2);
        return <p>{last.message ?? 'no message'}</p>;
    }
    const applied = (version: number) => ({ shown: overview({ ...oilskin, version }).palette, added: null });

    it('asks for one change after the other, each as this window has seen the material', async () => {
        vi.spyOn(api, 'palette').mockResolvedValue(overview({ ...oilskin, version: 5 }));
        const asked: number[] = [];
        const apply = vi.spyOn(api, 'applyToSeries').mockImplementation(async (...[, , input]) => {
            asked.push((input as { version: number }).version);
            return applied(5 + asked.length) as never;
        });
        rendered(<Desk />);
        await vi.waitFor(() => expect(last.overview).toBeDefined());
        const material = { ...oilskin, version: 5 };
        const both = [
            last.change('material.change', material, { name: 'a' }),
            last.change('material.change', material, { name: 'b' }),
        ];
        expect(await Promise.all(both)).toEqual([true, true]);
        expect(asked, 'the second knows what came of the first').toEqual([5, 6]);
        // Others have changed it since: what is shown now counts.
        await last.change('material.change', { ...oilskin, version: 9 }, { name: 'c' });
        expect([asked.at(-1), apply.mock.calls.length]).toEqual([9, 3]);
    });
    it('says what went wrong, goes on with the next change, and forgets it then', async () => {
        vi.spyOn(api, 'palette').mockResolvedValue(overview());
        rendered(<Desk />);
        await vi.waitFor(() => expect(last.overview).toBeDefined());
        expect(await last.ask(() => Promise.reject(new Error('The name is taken.')))).toBe(false);
        expect(await screen.findByText('The name is taken.')).toBeTruthy();
        expect(await last.ask(() => Promise.resolve())).toBe(true);
        expect(await screen.findByText('no message')).toBeTruthy();
    });
});

describe('the plane and the tracks of a colour', () => {
    const colour = { l: 0.4, c: 0.1, h: 80 };
    const shown = (isDisabled = false) => {
        const [change, settle] = [vi.fn(), vi.fn()];
        render(<Tracks colour={colour} disabled={isDisabled} onChange={change} onSettle={settle} />);
        const plane = document.querySelector('figure [role=presentation]') as HTMLElement;
        plane.setPointerCapture = () => undefined;
        plane.getBoundingClientRect = () => ({ left: 10, top: 20, width: 200, height: 100 }) as DOMRect;
        return { change, settle, plane };
    };
    const at = (x: number, y: number, buttons: number) => ({ clientX: x, clientY: y, buttons, pointerId: 1 });

    it('take what is where the hand lets go, though nothing was drawn of it yet', () => {
        const { change, settle, plane } = shown();
        fireEvent.pointerDown(plane, at(10, 120, 1));
        fireEvent.pointerMove(plane, at(110, 70, 0));
        fireEvent.pointerUp(plane, at(110, 45, 0));
        expect(change.mock.calls.map(([one]) => (one as typeof colour).l)).toEqual([0]);
        expect(settle.mock.calls[0][0]).toMatchObject({ l: 0.75, h: 80 });
        const lightness = screen.getByLabelText('Lightness');
        fireEvent.change(lightness, { target: { value: '650' } });
        expect(change.mock.lastCall?.[0]).toEqual({ ...colour, l: 0.65 });
    });
    it('of a colour that was not moved give that colour, however fine it is', () => {
        const fine = { l: 0.40004, c: 0.1, h: 80 };
        const settle = vi.fn();
        render(<Tracks colour={fine} disabled={false} onChange={() => undefined} onSettle={settle} />);
        fireEvent.keyUp(screen.getByLabelText('Lightness'), { key: 'Tab' });
        fireEvent.pointerUp(screen.getByLabelText('Hue'));
        expect(settle.mock.calls).toEqual([[fine], [fine]]);
    });
    it('of somebody who may only look take nothing', () => {
        const { change, settle, plane } = shown(true);
        fireEvent.pointerDown(plane, at(10, 120, 1));
        fireEvent.pointerUp(plane, at(110, 45, 0));
        expect([change.mock.calls, settle.mock.calls]).toEqual([[], []]);
    });
});
