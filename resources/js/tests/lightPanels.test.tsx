// @vitest-environment happy-dom
/** The panel of a first light: its plan, its lamps, and what picked regions are. */
import { act, fireEvent, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { LightPlanData, LightState, RegionData } from '../api/generated';
import type { BenchModel } from '../bench/model/model';
import { ChosenSolid } from '../bench/panels/light/ChosenSolid';
import { LampsPart } from '../bench/panels/light/LampsPart';
import { RoughPart } from '../bench/panels/light/RoughPart';
import { AT_FIRST } from '../bench/model/keyLight';
import { asked, button, open, openWith, press, show, slide, type, unfold } from './showing';
import { oilskin, pageState, region } from './world';

const noon: LightPlanData = { ...AT_FIRST, azimuth: 60.4, elevation: 71.6, colour: '#ffeecc' };
const colours = pageState().palette.lightColours;
const lights: LightState[] = [
    { id: 4, name: 'Noon', version: 2, plan: noon, colours },
    { id: 6, name: 'Dusk', version: 1, plan: AT_FIRST, colours },
];

/** With the oilskin's shade picked, and a page under one of two plans, or under none. */
function lit(plan: number | null, isHeld = true): BenchModel {
    const bench = open({ palette: { ...pageState().palette, lights, plan } }, isHeld);
    bench.set({ target: { material: oilskin, figureName: 'Oda', tone: 'shade', pass: null } });
    vi.spyOn(bench.light, 'want').mockImplementation(() => undefined);
    show(bench, <RoughPart />);
    unfold('First light on Oda');
    return bench;
}
const wanted = ({ light }: BenchModel): LightPlanData => vi.mocked(light.want).mock.lastCall?.[1] as LightPlanData;

describe('a first light', () => {
    it('shows nothing until a tone is picked', () => {
        show(open(), <RoughPart />);
        expect(screen.queryByText(/First light/)).toBeNull();
    });
    it('begins with the plan of the page and tries what is changed of it on the picked figure', () => {
        const bench = lit(4);
        expect(screen.getByText('from 60°, height 72°')).toBeTruthy();
        slide('Snow', 45);
        expect(vi.mocked(bench.light.want).mock.lastCall).toEqual([
            3,
            { ...noon, dials: { ...noon.dials, snow: 0.45 } },
        ]);
        slide('Cast', 120);
        expect(wanted(bench).dials).toMatchObject({ snow: 0.45, cast: 120 });
        fireEvent.click(screen.getByLabelText(/bounce in the colours/));
        expect(wanted(bench)).toMatchObject({ beside: true, dials: { snow: 0.45 } });
        fireEvent.change(screen.getByLabelText('Ambient light'), { target: { value: '#010203' } });
        expect(wanted(bench)).toMatchObject({ ambient: '#010203', colour: '#ffeecc', beside: true });
    });
    it('shows one or two more dials of a pass when it is unfolded', () => {
        const bench = lit(4);
        expect(screen.queryByRole('slider', { name: /Lumps/ })).toBeNull();
        press('More of Snow');
        slide('Lumps', 80);
        slide('Size', 25);
        expect(wanted(bench).dials).toMatchObject({ snowLumps: 0.8, snowSize: 25 });
        press('More of Glow');
        slide('Close', 45);
        expect(wanted(bench).dials.glowFall).toBe(4.5);
    });
    it('turns by the arrows on the maquette, by five degrees, and leaves other keys alone', () => {
        const bench = lit(4);
        const maquette = screen.getByLabelText(/Where the light comes from/);
        fireEvent.keyDown(maquette, { key: 'ArrowLeft' });
        expect([wanted(bench).azimuth, wanted(bench).elevation]).toEqual([65.4, 71.6]);
        fireEvent.keyDown(maquette, { key: 'ArrowDown' });
        expect(wanted(bench).elevation).toBeCloseTo(66.6);
        expect(screen.getByText('from 65°, height 67°')).toBeTruthy();
        fireEvent.keyDown(maquette, { key: 'Enter' });
        expect(bench.light.want).toHaveBeenCalledTimes(2);
    });
    it('only looks where the page is held by somebody else', () => {
        const bench = lit(4, false);
        slide('Snow', 45);
        expect(bench.light.want).not.toHaveBeenCalled();
        for (const name of ['Lay first light', 'on every figure', 'Change the plan', 'Delete it'])
            expect(button(name).disabled, name).toBe(true);
    });
    it('is laid on the figure or on all, and the preview goes when it is done', async () => {
        const bench = lit(4);
        const drop = vi.spyOn(bench.light, 'drop').mockImplementation(() => undefined);
        const one = vi.spyOn(bench.session.work, 'roughIn').mockResolvedValue({ state: 'done' } as never);
        const all = vi.spyOn(bench.session.work, 'roughInAll').mockResolvedValue({ state: 'failed' } as never);
        slide('Snow', 45);
        press('Lay first light');
        expect(one.mock.lastCall).toEqual([3, { ...noon, dials: { ...noon.dials, snow: 0.45 } }]);
        await vi.waitFor(() => expect(drop).toHaveBeenCalledTimes(1));
        press('on every figure');
        await act(async () => undefined);
        expect(all.mock.lastCall?.[0].dials.snow).toBe(0.45);
        expect(drop, 'what failed is still shown').toHaveBeenCalledTimes(1);
    });
    it('can be left while it is a preview', () => {
        const bench = lit(4);
        const drop = vi.spyOn(bench.light, 'drop').mockImplementation(() => undefined);
        expect(button('Leave it').disabled).toBe(true);
        act(() => bench.set({ tried: {} as never }));
        press('Leave it');
        expect(drop).toHaveBeenCalledTimes(1);
    });
    it('keeps the maquette beside the page as long as it is ticked', () => {
        const bench = lit(4);
        const tick = screen.getByLabelText('keep the maquette beside the page');
        fireEvent.click(tick);
        expect(bench.view.maquette).not.toBeNull();
        fireEvent.click(tick);
        expect(bench.view.maquette).toBeNull();
    });
    it('stands under a plan of the series or under none', () => {
        const bench = lit(4);
        const pick = vi.spyOn(bench.session.palette, 'pickLight').mockResolvedValue(undefined as never);
        const choice = screen.getByLabelText('Light plan of this page') as HTMLSelectElement;
        expect([choice.value, [...choice.options].map(({ text }) => text)]).toEqual([
            '4',
            ['no light plan', 'Noon', 'Dusk'],
        ]);
        fireEvent.change(choice, { target: { value: '6' } });
        fireEvent.change(choice, { target: { value: '' } });
        expect(pick.mock.calls).toEqual([[6], [null]]);
    });
    it('changes or deletes the plan it has, and keeps another by a name', () => {
        const bench = lit(4);
        const change = vi.spyOn(bench.session.palette, 'changeLight').mockResolvedValue(undefined as never);
        const keep = vi.spyOn(bench.session.palette, 'keepLight').mockResolvedValue(undefined as never);
        expect(button('Change the plan').disabled, 'it is as it was').toBe(true);
        slide('Rim', 12);
        press('Change the plan');
        press('Delete it');
        expect(change.mock.calls).toEqual([
            [lights[0], { plan: { ...noon, dials: { ...noon.dials, rim: 12 } } }],
            [lights[0], { retire: true }],
        ]);
        type('Name of a new light plan', '   ');
        expect(button('Keep as new').disabled).toBe(true);
        type('Name of a new light plan', ' Snow at dawn ');
        press('Keep as new');
        expect(keep.mock.lastCall).toMatchObject(['Snow at dawn', { dials: { rim: 12 } }]);
        const field = screen.getByLabelText('Name of a new light plan') as HTMLInputElement;
        expect(field.value).toBe('');
        fireEvent.keyDown(field, { key: 'Enter' });
        expect(keep, 'without a name nothing is kept').toHaveBeenCalledTimes(1);
    });
    it('has nothing to change or delete under no plan', () => {
        lit(null);
        expect(screen.getByText('from 135°, height 40°')).toBeTruthy();
        expect(screen.queryByText('Change the plan')).toBeNull();
        expect(screen.queryByText('Delete it')).toBeNull();
    });
});

describe('more lights', () => {
    const lamp = { x: 0.25, y: 0.5, reach: 0.4, colour: '#ffd08a' };
    const seen = (plan: Partial<LightPlanData>) => {
        const changed = vi.fn();
        show(open(), <LampsPart plan={{ ...noon, ...plan }} onChange={changed} />);
        unfold('More lights');
        return changed;
    };
    it('are hung one after the other, two lamps at the most', () => {
        const changed = seen({});
        press('Hang a lamp');
        expect(changed.mock.lastCall?.[0].lamps).toHaveLength(1);
        press('Light from behind');
        expect(changed.mock.lastCall).toEqual([{ back: { azimuth: 315, colour: '#ffe2b0' } }]);
    });
    it('say how many there are before they are unfolded', () => {
        show(
            open(),
            <LampsPart plan={{ ...noon, lamps: [lamp], back: { azimuth: 3, colour: '#fff' } }} onChange={vi.fn()} />,
        );
        expect(screen.getByText('2')).toBeTruthy();
    });
    it('are set and taken away one by one', () => {
        const other = { ...lamp, reach: 0.9, colour: '#88aaff' };
        const changed = seen({ lamps: [lamp, other], back: { azimuth: 45.2, colour: '#aabbcc' } });
        expect(screen.queryByText('Hang a lamp'), 'there are two').toBeNull();
        expect(screen.queryByText('Light from behind')).toBeNull();
        slide('^Lamp 2', 35);
        expect(changed.mock.lastCall).toEqual([{ lamps: [lamp, { ...other, reach: 0.35 }] }]);
        fireEvent.change(screen.getByLabelText('Colour of lamp 1'), { target: { value: '#010203' } });
        expect(changed.mock.lastCall).toEqual([{ lamps: [{ ...lamp, colour: '#010203' }, other] }]);
        expect(screen.getByText('45°')).toBeTruthy();
        slide('Behind', 90);
        expect(changed.mock.lastCall).toEqual([{ back: { azimuth: 90, colour: '#aabbcc' } }]);
        press('Remove the light from behind');
        expect(changed.mock.lastCall).toEqual([{ back: null }]);
        fireEvent.click(screen.getAllByRole('button', { name: /lamp 1 away|Take lamp 1/i })[0]);
        expect(changed.mock.lastCall).toEqual([{ lamps: [other] }]);
    });
    it('are moved over the page by arrows, and stay on it', () => {
        const changed = seen({ lamps: [{ ...lamp, x: 0.99 }] });
        const place = screen.getByRole('slider', { name: 'Place of lamp 1' });
        expect(place.getAttribute('aria-valuetext')).toBe('99 % from the left, 50 % from the top');
        fireEvent.keyDown(place, { key: 'ArrowRight' });
        expect(changed.mock.lastCall?.[0].lamps[0]).toMatchObject({ x: 1, y: 0.5 });
        fireEvent.keyDown(place, { key: 'ArrowUp' });
        expect(changed.mock.lastCall?.[0].lamps[0]).toMatchObject({ x: 0.99, y: 0.48 });
        fireEvent.keyDown(place, { key: 'a' });
        expect(changed).toHaveBeenCalledTimes(2);
    });
});

describe('what picked regions are', () => {
    const flow = { length: 2 } as unknown as RegionData['flow'];
    const regions: Record<string, RegionData> = {
        2: { ...region(9, 50), solid: 'cloth' },
        3: { ...region(9, 40), inFront: true, flow },
        5: { ...region(9, 40), figure: 8 },
    };
    const picked = (labels: number[], isHeld = true): BenchModel => {
        const bench = openWith({ region: regions }, isHeld);
        bench.set({ pickedRegions: labels });
        show(bench, <ChosenSolid figure={3} plan={noon} />);
        return bench;
    };
    it('is said of those of the figure alone', () => {
        picked([5]);
        expect(screen.getByText(/With Pick \(K\)/)).toBeTruthy();
    });
    it('is told of one, shown as it is', () => {
        picked([2, 5]);
        expect(screen.getByText('The picked region is')).toBeTruthy();
        expect((screen.getByLabelText('Taken for') as HTMLSelectElement).value).toBe('cloth');
        fireEvent.change(screen.getByLabelText('Taken for'), { target: { value: 'gem' } });
        fireEvent.click(screen.getByLabelText(/In front of the rest/));
        expect(asked).toMatchObject([
            { kind: 'light.solid', labels: [2], solid: 'gem' },
            { kind: 'light.before', labels: [2], inFront: true },
        ]);
    });
    it('is told of several, and light can be laid on these alone', () => {
        const bench = picked([3, 2]);
        const lay = vi.spyOn(bench.session.work, 'roughIn').mockResolvedValue(null);
        expect(screen.getByText('2 picked regions are')).toBeTruthy();
        expect((screen.getByLabelText('Taken for') as HTMLSelectElement).value).toBe('round');
        fireEvent.click(screen.getByLabelText(/In front of the rest/));
        expect(asked).toMatchObject([{ labels: [3, 2], inFront: false }]);
        press('Light only these');
        expect(lay.mock.calls).toEqual([[3, noon, [3, 2]]]);
        press('Pick none');
        expect(bench.view.pickedRegions).toEqual([]);
    });
    it('is a direction that is drawn once more or taken away', () => {
        const bench = picked([3]);
        const draw = vi.spyOn(bench.paint, 'drawFlow').mockImplementation((on) => bench.set({ isDrawingFlow: on }));
        press('Draw one more');
        expect(draw.mock.calls).toEqual([[true]]);
        press('Now draw it on the page …');
        expect(draw.mock.lastCall).toEqual([false]);
        press('Remove all 2');
        expect(asked).toMatchObject([{ kind: 'light.flow', labels: [3], line: null }]);
    });
    it('cannot be told where the page is only looked at', () => {
        picked([3], false);
        for (const name of ['Light only these', 'Draw one more', 'Remove all 2'])
            expect(button(name).disabled, name).toBe(true);
    });
});
