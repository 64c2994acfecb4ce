// @vitest-environment happy-dom
/** The Mood stage's panels, rendered without a server: what they show, and what they ask for. */
import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { api } from '../api/client';
import type { ContentData, GradientData, LightState, MoodState, PassData, ReferenceState } from '../api/generated';
import { Failure } from '../api/http';
import { usePage } from '../bench/model/context';
import type { BenchModel } from '../bench/model/model';
import { MoodStrip } from '../bench/panels/mood/MoodStrip';
import { MoodTools } from '../bench/panels/mood/MoodTools';
import { OwnSettings } from '../bench/panels/passes/passKinds/OwnSettings';
import type { Op } from '../page/ops/registry';
import { asked, openWith, show, slide, unfold } from './showing';
import { flatOf, pageState, shade } from './world';

/** A page with these passes, shown in a mood. */
const open = (pass: Record<string, PassData>, mood = ''): BenchModel =>
    openWith({ page: { page: { ...pageState().records.page.page, mood } }, pass });

const air = { name: 'Air', content: { kind: 'wash' as const, colour: '#dfe5ea' }, mode: 'screen', opacity: 0.4 };
const moods: MoodState[] = [
    { key: 'ready0', id: null, version: 1, name: 'Fog', layers: [air], light: '', variant: '' },
    {
        key: 'own7',
        id: 7,
        version: 3,
        name: 'Squall',
        layers: [air, { ...air, name: 'Rain light' }],
        light: '',
        variant: '',
    },
];
const overPage = (content: ContentData): PassData => ({
    ...shade,
    figure: 0,
    scope: { kind: 'page', id: 0 },
    content,
});
const laid: PassData = { ...overPage(air.content), name: 'Air', mode: 'screen', opacity: 0.4 };

describe('the strip of moods', () => {
    const seen = async (pass: Record<string, PassData>, mood = ''): Promise<BenchModel> => {
        vi.spyOn(api, 'moods').mockResolvedValue(moods);
        const bench = open(pass, mood);
        show(
            bench,
            <>
                <MoodStrip />
                <MoodTools />
            </>,
        );
        await screen.findByRole('button', { name: 'Squall' });
        return bench;
    };

    it('shows the page in the one that is pressed, instead of the last one', async () => {
        const byHand = overPage({ kind: 'wash', colour: '#102030' });
        await seen({ mood00000001: laid, byhand0001: byHand }, 'Fog');
        expect(screen.getByText('Shown in “Fog”.')).toBeTruthy();
        expect(screen.getAllByRole('button', { pressed: true }).map((one) => one.textContent)).toEqual(['Fog']);
        fireEvent.click(screen.getByRole('button', { name: 'Squall' }));
        const [op] = asked as { kind: string; name: string; leaving: string[]; ids: string[]; layers: unknown[] }[];
        expect(op).toMatchObject({
            kind: 'mood.wear',
            name: 'Squall',
            leaving: ['mood00000001'],
            layers: moods[1].layers,
        });
        expect(op.ids).toHaveLength(2);
        for (const id of op.ids) expect(id).toMatch(/^mood[a-z0-9]{12}$/);
        expect(screen.getByText('Shown in “Squall”.')).toBeTruthy();
    });
    it('asks for two pictures at a time, and shows the last ones until new ones come', async () => {
        const five = [1, 2, 3, 4, 5].map((n) => ({ ...moods[1], key: `own${n}`, id: n, name: `Mood ${n}` }));
        vi.spyOn(api, 'moods').mockResolvedValue(five);
        const bench = open({});
        show(bench, <MoodStrip />);
        await screen.findByText('Mood 5');
        const images = (): HTMLImageElement[] => [...document.querySelectorAll('img')];
        const keys = (): (string | undefined)[] =>
            images().map((one) => /moods\/(own\d)\?/.exec(one.getAttribute('src') ?? '')?.[1]);
        expect(keys()).toEqual(['own1', 'own2', undefined, undefined, undefined]);
        fireEvent.load(images()[1]);
        expect(keys()).toEqual(['own1', 'own2', 'own3', undefined, undefined]);
        fireEvent.error(images()[0]);
        fireEvent.load(images()[2]);
        expect(keys()).toEqual(['own1', 'own2', 'own3', 'own4', 'own5']);
        for (const image of images()) fireEvent.load(image);
        const before = images().map((one) => one.src);
        act(() => bench.session.store.setState({ revision: bench.session.view.revision + 10 }));
        const after = images().map((one) => one.src);
        expect(after.map((src, i) => src === before[i])).toEqual([false, false, true, true, true]);
    });
    describe('keeps what was changed of a mood at hand', () => {
        const holds = (): unknown[] => asked.map((op) => (op as unknown as { hold: unknown }).hold);
        const id = expect.stringMatching(/^[a-z0-9]{12}$/);
        const press = (name: string): boolean => fireEvent.click(screen.getByRole('button', { name }));

        it('and nothing where the page shows it as the series has it', async () => {
            await seen({ mood00000001: laid }, 'Fog');
            press('Squall');
            expect(holds()).toEqual([null]);
            expect(screen.queryByText('At hand on this page')).toBeNull();
        });
        for (const [what, change] of Object.entries({
            'its opacity': { opacity: 0.7 },
            'its reach': { scope: { kind: 'figure', id: 3 } },
            'whether it shows': { visible: false },
            'where it is': { mask: { pass: 'byhand0001', outside: false } },
            'its colours': { turn: { lightness: 0.1, chroma: 1, hue: 0 } },
            'its group': { group: 'group001' },
        } as Record<string, Partial<PassData>>))
            it(`whatever it is: ${what}`, async () => {
                await seen({ mood00000001: { ...laid, ...change } }, 'Fog');
                press('Squall');
                expect(holds()).toEqual([id]);
            });
        it('but a mask that regions in moods of their own make is nobody’s change', async () => {
            await seen({ mood00000001: { ...laid, mask: { pass: 'panels00000', outside: true } } }, 'Fog');
            press('Squall');
            expect(holds()).toEqual([null]);
        });
        it('also where the series has no mood of that name, and when no mood is shown after it', async () => {
            await seen({ mood00000001: laid }, 'Elsewhere');
            fireEvent.click(screen.getByText('Show no mood'));
            expect(holds()).toEqual([id]);
            expect(screen.getByText('At hand on this page')).toBeTruthy();
            expect(screen.getByRole('button', { name: 'Elsewhere, as this page had it' })).toBeTruthy();
        });
        const store = (name: string) => ({
            name,
            brought: { plan: null, variant: null },
            layers: { moodheld0001: { ...laid, opacity: 0.7 } },
            groups: {},
        });
        const atHand = async (): Promise<BenchModel> => {
            const bench = await seen({ mood00000001: laid }, 'Fog');
            const { records } = bench.session.view;
            const held = { heldb: store('Fog'), helda: store('Squall'), heldc: store('Fog') };
            act(() => bench.session.store.setState({ records: { ...records, held } }));
            return bench;
        };
        it('told apart by number, and with pictures of their own', async () => {
            await atHand();
            const strip = screen.getByRole('list', { name: 'At hand on this page' });
            expect([...strip.querySelectorAll('li')].map((one) => one.textContent)).toEqual(['Fog', 'Fog 2', 'Squall']);
            const keys = (): (string | undefined)[] =>
                [...strip.querySelectorAll('img')].map(
                    (one) => /moods\/(\w+)\?/.exec(one.getAttribute('src') ?? '')?.[1],
                );
            expect(keys(), 'after those of the series').toEqual([undefined, undefined, undefined]);
            for (const image of document.querySelectorAll('img')) fireEvent.load(image);
            expect(keys()).toEqual(['heldheldb', 'heldheldc', undefined]);
        });
        it('without a picture until the server has it', async () => {
            const bench = await seen({ mood00000001: laid }, 'Elsewhere');
            act(() => bench.session.store.setState({ unsent: 1 }));
            press('Squall');
            for (const image of document.querySelectorAll('img')) fireEvent.load(image);
            const image = screen.getByRole('list', { name: 'At hand on this page' }).querySelector('img');
            expect(image?.getAttribute('src')).toBeNull();
            act(() => bench.session.store.setState({ unsent: 0 }));
            expect(image?.getAttribute('src')).toContain('/moods/held');
        });
        it('shows one again, and keeps what it takes the place of where that was changed', async () => {
            const bench = await atHand();
            press('Fog 2, as this page had it');
            expect(asked).toMatchObject([
                { kind: 'mood.show', id: 'heldc', hold: null, leaving: ['mood00000001'], coming: ['moodheld0001'] },
            ]);
            expect(bench.session.view.records.pass.moodheld0001.opacity).toBe(0.7);
            press('Squall, as this page had it');
            expect(asked[1]).toMatchObject({ kind: 'mood.show', id: 'helda', hold: id, leaving: ['moodheld0001'] });
        });
        it('until it is let go', async () => {
            const bench = await atHand();
            press('Let Fog go');
            expect(asked).toEqual([{ kind: 'mood.letgo', id: 'heldb' }]);
            expect(Object.keys(bench.session.view.records.held)).toEqual(['helda', 'heldc']);
        });
        it('not for picked regions', async () => {
            const bench = await atHand();
            act(() => bench.set({ pickedRegions: [1] }));
            expect(screen.queryByText('At hand on this page')).toBeNull();
            expect(screen.getByRole('button', { name: 'Squall' })).toBeTruthy();
        });
    });
    it('takes the mood off, which can be pressed only where there is one', async () => {
        await seen({ mood00000001: laid }, 'Fog');
        fireEvent.click(screen.getByText('Show no mood'));
        expect(asked).toMatchObject([{ kind: 'mood.wear', name: '', layers: [], ids: [], leaving: ['mood00000001'] }]);
        expect((screen.getByText('Show no mood') as HTMLButtonElement).disabled).toBe(true);
    });
    it('brings the light plan and the variant that the series calls by the names of the mood', async () => {
        const plan = { azimuth: 10, elevation: 20 } as LightState['plan'];
        const colours = {} as LightState['colours'];
        const named = (id: number, name: string) => ({ id, name, version: 1, plan, colours });
        const palette = {
            lights: [named(4, 'Noon'), named(5, 'Lamp at midnight')],
            variants: [
                { id: 0, name: 'The palette', materials: {} },
                { id: 8, name: 'Wet', materials: {} },
            ],
        };
        const watch = { ...moods[1], key: 'own8', id: 8, name: 'Watch', light: 'Lamp at midnight', variant: 'Wet' };
        const stranger = { ...watch, key: 'own9', id: 9, name: 'Stranger', light: 'Elsewhere', variant: 'The palette' };
        vi.spyOn(api, 'moods').mockResolvedValue([watch, stranger]);
        vi.spyOn(api, 'moodFollowers').mockResolvedValue([]);
        const bench = open({ mood00000001: laid }, 'Watch');
        const { session } = bench;
        session.store.setState({ palette: { ...session.view.palette, ...palette } });
        show(
            bench,
            <>
                <MoodStrip />
                <MoodTools />
            </>,
        );
        fireEvent.click(await screen.findByRole('button', { name: 'Watch' }));
        fireEvent.click(screen.getByRole('button', { name: 'Stranger' }));
        expect(asked).toMatchObject([
            { kind: 'mood.wear', plan: 5, variant: 8 },
            { kind: 'mood.wear', plan: null, variant: null },
        ]);
        fireEvent.click(screen.getByRole('button', { name: 'Watch' }));
        unfold('What the mood brings');
        const value = (name: string) => (screen.getByLabelText(name) as HTMLSelectElement).value;
        expect([value('Light plan'), value('Palette variant')]).toEqual(['5', '8']);
        fireEvent.change(screen.getByLabelText('Light plan'), { target: { value: '4' } });
        fireEvent.change(screen.getByLabelText('Palette variant'), { target: { value: '' } });
        expect(asked.slice(3)).toMatchObject([
            { kind: 'mood.bring', plan: 4, variant: 8 },
            { kind: 'mood.bring', plan: 4, variant: null },
        ]);
        expect([value('Light plan'), value('Palette variant')]).toEqual(['4', '']);
        expect(screen.getByText(/differs from the series’ mood/)).toBeTruthy();
    });
    it('brings the page near a picture on the board, as near as is said, and nearer without measuring again', async () => {
        const hung = (id: number, width: number | null) => ({ id, name: `Study ${id}`, width }) as ReferenceState;
        vi.spyOn(api, 'pictures').mockResolvedValue([hung(3, null), hung(4, 90), hung(5, 90)]);
        const layer = { ...air, mode: 'normal', opacity: 1 };
        const like = vi.spyOn(api, 'moodLike').mockResolvedValue({ name: 'Like Study 5', layers: [layer, layer] });
        const bench = await seen({});
        unfold('From a picture');
        const choice = (await screen.findByLabelText('Picture on the board')) as HTMLSelectElement;
        expect(
            [...choice.options].map((one) => one.text),
            'one that is being read is not offered',
        ).toEqual(['Study 4', 'Study 5']);
        fireEvent.change(choice, { target: { value: '5' } });
        slide('Strength', 40);
        expect(asked).toEqual([]);
        fireEvent.click(screen.getByText('Bring the page near it'));
        await vi.waitFor(() => expect(asked).toHaveLength(1));
        expect(like.mock.calls[0].slice(1)).toEqual([5, bench.session.view.id]);
        slide('Strength', 90);
        const opacities = (op: Op) =>
            (op as unknown as { layers: { opacity: number }[] }).layers.map((one) => one.opacity);
        expect(asked.map(opacities)).toEqual([
            [0.4, 0.4],
            [0.9, 0.9],
        ]);
        expect(asked).toMatchObject([{ kind: 'mood.wear', name: 'Like Study 5' }, { name: 'Like Study 5' }]);
        expect(like).toHaveBeenCalledTimes(1);
    });
    it('washes the ticked figures in the colour of what lies around each', async () => {
        const [ours, theirs] = [
            { figure: 3, name: 'Oda Brack', around: [[4, 1000]] as [number, number][] },
            {
                figure: 4,
                name: 'Tamsin',
                around: [
                    [2, 250],
                    [77, 750],
                ] as [number, number][],
            },
        ];
        const gone = { figure: 5, name: 'A ghost', around: [[78, 1000]] as [number, number][] };
        const ask = vi.spyOn(api, 'surroundings').mockResolvedValue([ours, theirs, gone]);
        const bench = await seen({});
        const flats = new Map([
            [4, flatOf(0x4060c0)],
            [2, flatOf(0x30a040)],
        ]);
        // A change builds what is shown anew, from records that have none of these.
        const fill = (): void =>
            act(() => bench.session.store.setState({ stack: { ...bench.session.view.stack, flats } }));
        fill();
        unfold('Colour of the surroundings');
        expect(screen.queryByText('Wash the ticked figures')).toBeNull();
        fireEvent.click(screen.getByText('Measure the page'));
        await screen.findByText('Wash the ticked figures');
        expect(ask).toHaveBeenCalledWith(bench.session.view.id);
        expect(screen.queryByText('A ghost'), 'nothing around it has a colour').toBeNull();
        slide('Strength', 35);
        expect(asked, 'nothing hangs yet').toEqual([]);
        fireEvent.click(screen.getByLabelText('Tamsin'));
        fireEvent.click(screen.getByText('Wash the ticked figures'));
        const wash = { figure: 3, colour: '#4060c0', around: ours.around };
        expect(asked).toMatchObject([{ kind: 'wash.around', strength: 0.35, washes: [wash] }]);
        expect((asked[0] as unknown as { washes: unknown[] }).washes).toHaveLength(1);
        fill();
        slide('Strength', 60);
        expect(asked[1], 'one that hangs follows the strength').toMatchObject({ strength: 0.6, washes: [wash] });
        fill();
        fireEvent.click(screen.getByLabelText('Tamsin'));
        fireEvent.click(screen.getByLabelText('Oda Brack'));
        fireEvent.click(screen.getByText('Wash the ticked figures'));
        expect(asked[2]).toMatchObject({ washes: [{ figure: 4, colour: '#30a040', around: theirs.around }] });
    });
    it('hangs a rainbow opposite to the light, or says why there is none', async () => {
        const bow: GradientData = {
            kind: 'gradient',
            form: 'round',
            space: 'oklab',
            from: [0.5, 1.2],
            to: [0.5, 0.4],
            stops: [
                { at: 0.9, colour: '#7b5cc4', alpha: 0 },
                { at: 1, colour: '#e4603f', alpha: 0 },
            ],
        };
        const ask = vi.spyOn(api, 'rainbow').mockRejectedValueOnce(new Failure('refused', 'Raise the light first.'));
        const bench = await seen({});
        unfold('Rainbow');
        fireEvent.click(screen.getByText('Hang a rainbow'));
        expect((await screen.findByRole('alert')).textContent).toBe('Raise the light first.');
        expect(asked).toEqual([]);
        ask.mockResolvedValue(bow);
        fireEvent.click(screen.getByText('Hang a rainbow'));
        await vi.waitFor(() => expect(asked).toHaveLength(1));
        expect(asked).toMatchObject([
            {
                kind: 'pass.add',
                pass: { name: 'Rainbow', figure: 0, content: bow, mode: 'screen', scope: { kind: 'page' } },
            },
        ]);
        expect(screen.queryByRole('alert')).toBeNull();
        expect(ask).toHaveBeenLastCalledWith(bench.session.view.id, []);
        act(() => bench.set({ pickedRegions: [2, 3] }));
        fireEvent.click(screen.getByText('Hang a rainbow in the picked regions'));
        await vi.waitFor(() => expect(asked.length).toBeGreaterThan(1));
        expect(ask).toHaveBeenLastCalledWith(bench.session.view.id, [2, 3]);
        expect(
            asked.slice(1).map(({ kind }) => kind),
            'it is kept to these by a mask',
        ).toEqual(['pass.add', 'paint.pour', 'pass.change']);
    });
    it('says where pictures come from when none hangs', async () => {
        vi.spyOn(api, 'pictures').mockResolvedValue([]);
        await seen({});
        unfold('From a picture');
        expect(await screen.findByText(/No picture hangs on the board/)).toBeTruthy();
    });
    it('shows a mood in picked regions alone, and names the regions', async () => {
        const bench = await seen({ mood00000001: laid }, 'Fog');
        act(() => bench.set({ pickedRegions: [4, 9] }));
        await screen.findByText(/2 regions are picked/);
        fireEvent.click(screen.getByRole('button', { name: 'Squall' }));
        const [op] = asked as { kind: string; labels: number[]; ids: string[]; cover: string }[];
        expect(op).toMatchObject({ kind: 'mood.panel', name: 'Squall', labels: [4, 9], layers: moods[1].layers });
        expect(op.ids).toHaveLength(2);
        for (const id of op.ids) expect(id).toMatch(/^panel[a-z0-9]{12}$/);
        expect(op.cover).toMatch(/^panelcover[a-z0-9]{6}$/);
        const asThePage = screen.getByText('Show them in the page’s mood') as HTMLButtonElement;
        expect(asThePage.disabled, 'no region wears one yet').toBe(true);
    });
    it('takes regions back to the mood of the page', async () => {
        const bench = await seen({ panelcover01: laid, paneln100: laid }, '');
        act(() => bench.set({ pickedRegions: [4] }));
        fireEvent.click(await screen.findByText('Show them in the page’s mood'));
        expect(asked).toMatchObject([{ kind: 'mood.panel', name: '', layers: [], ids: [], labels: [4] }]);
        expect(screen.getByText(/One region is picked/)).toBeTruthy();
    });
    it('holds the page against another mood, at an edge and while held', async () => {
        const bench = await seen({});
        unfold('Compare two moods');
        fireEvent.change(screen.getByLabelText('Compare with'), { target: { value: 'own7' } });
        expect(bench.view.compared).toBe('own7');
        slide('Edge', 30);
        expect(bench.view.edge).toBe(0.3);
        const hold = screen.getByText('Hold to see the other mood');
        fireEvent.pointerDown(hold);
        expect(bench.view.isComparing).toBe(true);
        fireEvent.pointerUp(hold);
        expect(bench.view.isComparing).toBe(false);
        fireEvent.change(screen.getByLabelText('Compare with'), { target: { value: '' } });
        expect([bench.view.compared, screen.queryByRole('slider')]).toEqual([null, null]);
    });
    it('says that a file is too large for a mood, and does not send it', async () => {
        await seen({});
        unfold('Keep, save or take moods');
        const field = screen.getByLabelText('Take a mood from a file');
        const asked = vi.spyOn(globalThis, 'fetch');
        const file = new File(['{}'], 'mood.json');
        Object.defineProperty(file, 'size', { value: 100_000_000 });
        fireEvent.change(field, { target: { files: [file] } });
        expect((await screen.findByRole('alert')).textContent).toMatch(/larger than any mood/);
        expect(asked).not.toHaveBeenCalled();
    });
    it('says when the page shows its own, and offers it to a mood of the series alone', async () => {
        await seen({ mood00000001: { ...laid, opacity: 0.9 } }, 'Fog');
        expect(screen.getByText(/differs from the series’ mood/)).toBeTruthy();
        expect(screen.queryByText(/to these layers/), 'one that lies ready is nobody’s to change').toBeNull();
        cleanup();
        vi.spyOn(api, 'moodFollowers').mockResolvedValue([]);
        await seen({ mood00000001: { ...laid, opacity: 0.9 } }, 'Squall');
        const change = vi.spyOn(api, 'applyToSeries').mockResolvedValue({} as never);
        const give = screen.getByText(/to these layers/) as HTMLButtonElement;
        await vi.waitFor(() => expect(give.disabled).toBe(false));
        fireEvent.click(give);
        await vi.waitFor(() => expect(change).toHaveBeenCalled());
        expect(change.mock.calls[0].slice(1, 3)).toEqual([
            'mood.change',
            { mood: 7, version: 3, layers: [{ ...air, opacity: 0.9 }], light: '', variant: '' },
        ]);
    });
    it('asks for the moods anew when somebody else has changed one meanwhile', async () => {
        vi.spyOn(api, 'moodFollowers').mockResolvedValue([]);
        const bench = await seen({ mood00000001: { ...laid, opacity: 0.9 } }, 'Squall');
        const told = vi.spyOn(api, 'moods').mockResolvedValue([{ ...moods[1], version: 4, name: 'Theirs' }]);
        vi.spyOn(api, 'applyToSeries').mockRejectedValue(new Failure('conflict', 'Somebody changed the mood', 409));
        const give = screen.getByText(/to these layers/) as HTMLButtonElement;
        await vi.waitFor(() => expect(give.disabled).toBe(false));
        told.mockClear();
        fireEvent.click(give);
        expect(await screen.findByRole('button', { name: 'Theirs' })).toBeTruthy();
        expect(told).toHaveBeenCalledTimes(1);
        expect(bench.session.view.message).toContain('Somebody changed the mood');
    });
    it('lists the pages that change with a mood, those with changes of their own not ticked', async () => {
        const page = (id: number, isChanged: boolean) => ({
            page: id,
            number: id + 10,
            title: `Quay ${id}`,
            isChanged,
        });
        vi.spyOn(api, 'moodFollowers').mockResolvedValue([
            page(3, false),
            page(4, true),
            page(5, false),
            page(6, true),
        ]);
        const task = {
            id: 1,
            kind: 'mood',
            name: 'x',
            state: 'done',
            outcomes: [{ page: 6, number: 16, done: true, why: 'Done.' }],
        };
        const begin = vi.spyOn(api, 'beginForSeries').mockResolvedValue(task as never);
        const bench = await seen({ mood00000001: { ...laid, opacity: 0.9 } }, 'Squall');
        const here = bench.session.view.id;
        vi.spyOn(api, 'task').mockResolvedValue(task as never);
        vi.spyOn(api, 'applyToSeries').mockResolvedValue({
            shown: [moods[0], { ...moods[1], layers: [air] }],
        } as never);
        const ticks = (await screen.findAllByRole('checkbox')) as HTMLInputElement[];
        const others = [3, 4, 5, 6].filter((id) => id !== here);
        expect(ticks.map((one) => one.checked)).toEqual(others.map((id) => id % 2 === 1));
        fireEvent.click(ticks[others.indexOf(6)]);
        fireEvent.click(ticks[others.indexOf(5)]);
        fireEvent.click(screen.getByText(/to these layers/));
        await vi.waitFor(() => expect(begin).toHaveBeenCalled());
        const pages = others.filter((id) => id === 3 || id === 6);
        expect(begin.mock.calls[0].slice(1)).toEqual(['mood', { mood: 7, pages }]);
        expect(await screen.findByText(/Done\./)).toBeTruthy();
        fireEvent.click(screen.getByText('Close'));
    });
    it('says nothing of that where the layers are the mood’s', async () => {
        await seen({ mood00000001: laid }, 'Fog');
        expect(screen.queryByText(/differs from the series/)).toBeNull();
    });
});

/** The settings of a pass as it is now. */
function Live() {
    const { content } = usePage((view) => view.records.pass.layer001);
    return <OwnSettings id="layer001" content={content} disabled={false} />;
}
const set = (content: ContentData): BenchModel => {
    const bench = open({ layer001: overPage(content) });
    show(bench, <Live />);
    return bench;
};
const contents = (): unknown[] => asked.map((op) => (op as unknown as { values: { content: unknown } }).values.content);

describe('the settings of a layer', () => {
    it('of a shift keep its range of lightness in order, and let hues go round', () => {
        set({ kind: 'shift', lightness: 0, chroma: 1, hue: 0, hues: null, tones: null });
        slide('Chroma', 40);
        fireEvent.click(screen.getByText('Only some lightness'));
        slide('To', 20);
        fireEvent.click(screen.getByText('Only some lightness'));
        fireEvent.click(screen.getByText('Only some hues'));
        slide('From', 300);
        expect(contents()).toMatchObject([
            { chroma: 0.4, tones: null },
            { tones: { from: 0.5, to: 1 } },
            { tones: { from: 0.2, to: 0.5 } },
            { tones: null },
            { hues: { from: 20, to: 80 } },
            { hues: { from: 300, to: 80 } },
        ]);
    });
    it('of a balance change one part of one of three', () => {
        set({ kind: 'balance', darks: [0, 0, 0], middle: [0.1, 0, 0], lights: [0, 0, 0] });
        const [, middleRed] = screen.getAllByRole('slider', { name: /toward red/ });
        fireEvent.change(middleRed, { target: { value: '-30' } });
        fireEvent.pointerUp(middleRed);
        expect(contents()).toMatchObject([{ darks: [0, 0, 0], middle: [-0.3, 0, 0], lights: [0, 0, 0] }]);
    });
    it('of a gradient keep its stops in order, and add one in the widest gap', () => {
        const stop = (at: number, colour: string) => ({ at, colour, alpha: 1 });
        set({
            kind: 'gradient',
            form: 'linear',
            space: 'oklab',
            from: [0, 0],
            to: [0, 1],
            stops: [stop(0, '#000000'), stop(0.2, '#808080'), stop(1, '#ffffff')],
        });
        fireEvent.click(screen.getByText(/One more colour/));
        const [first] = screen.getAllByRole('slider', { name: /Stands at/ });
        fireEvent.change(first, { target: { value: '90' } });
        fireEvent.pointerUp(first);
        fireEvent.click(screen.getByLabelText('Take colour 1 out'));
        fireEvent.click(screen.getByText('Left to right'));
        expect(contents().map((one) => (one as { stops: { at: number }[] }).stops.map(({ at }) => at))).toEqual([
            [0, 0.2, 0.6, 1],
            [0.2, 0.6, 0.9, 1],
            [0.6, 0.9, 1],
            [0.6, 0.9, 1],
        ]);
        expect(contents().at(-1)).toMatchObject({ from: [0, 0.5], to: [1, 0.5] });
    });
    it('of a curve are typed between the neighbours of a point', () => {
        const points: [number, number][] = [
            [0, 0],
            [0.5, 0.6],
            [1, 1],
        ];
        set({ kind: 'curve', channel: 'all', points });
        const type = (label: string, text: string): void => {
            const field = screen.getByLabelText(new RegExp(`^${label}`));
            fireEvent.change(field, { target: { value: text } });
            fireEvent.blur(field);
        };
        type('From', '70');
        type('to', 'much');
        fireEvent.change(screen.getByRole('combobox'), { target: { value: 'blue' } });
        fireEvent.click(screen.getByText('Take the point out'));
        expect(contents()).toMatchObject([
            { points: [[0.49, 0], points[1], points[2]] },
            { channel: 'blue' },
            { points: [points[1], points[2]] },
        ]);
    });
});

describe('the settings of a wash', () => {
    it('let its colour be picked, or say that it follows, and keep the colour it has now', () => {
        set({ kind: 'wash', colour: '#102030' });
        fireEvent.change(screen.getByLabelText('Colour'), { target: { value: '#405060' } });
        fireEvent.blur(screen.getByLabelText('Colour'));
        expect(contents()).toEqual([{ kind: 'wash', colour: '#405060' }]);
    });
    it('keep the colour of the surroundings when they are told to', () => {
        const bench = set({ kind: 'wash', colour: '#102030', around: [[4, 800]] });
        expect(screen.queryByLabelText('Colour')).toBeNull();
        act(() => {
            const { stack } = bench.session.view;
            bench.session.store.setState({ stack: { ...stack, flats: new Map([[4, flatOf(0x4060c0)]]) } });
        });
        fireEvent.click(screen.getByText('Keep this colour'));
        expect(JSON.parse(JSON.stringify(contents()))).toEqual([{ kind: 'wash', colour: '#4060c0' }]);
        expect(screen.getByLabelText('Colour'), 'it is its own now').toBeTruthy();
    });
});

describe('the settings of weather', () => {
    const rain: ContentData = {
        kind: 'particles',
        colour: '#dce6f0',
        form: 'streak',
        spacing: 22,
        size: 0.8,
        length: 42,
        angle: -12,
        spread: 0.02,
        softness: 0.3,
        variety: 0.5,
        near: 0.7,
        middle: 0.55,
        far: 0.4,
        outline: 0,
        outlineColour: '#20242c',
        lamps: [],
        dim: 0.7,
        seed: 65535,
    };
    it('of rain are set in thousandths, degrees and shares, and its places go round', () => {
        set(rain);
        slide('Spacing', 305);
        slide('Direction', 20);
        slide('Near', 25);
        fireEvent.click(screen.getByText('Other places'));
        expect(contents()).toEqual([
            { ...rain, spacing: 30.5 },
            { ...rain, spacing: 30.5, angle: 20 },
            { ...rain, spacing: 30.5, angle: 20, near: 0.25 },
            { ...rain, spacing: 30.5, angle: 20, near: 0.25, seed: 0 },
        ]);
        expect(screen.getByText('42 ‰')).toBeTruthy();
        expect(screen.getByText('20°')).toBeTruthy();
        expect(screen.getByText('40 %')).toBeTruthy();
    });
    it('of rain brighten it near the lamps of the page, and show it alike again', () => {
        set(rain);
        expect(screen.queryByText(/lamps/)).toBeNull();
        cleanup();
        const lamps = [
            { x: 0.25, y: 0.75, reach: 0.4, colour: '#ffd08a' },
            { x: 0.5, y: 0.1, reach: 0.2, colour: '#ffd08a' },
        ];
        const bench = set(rain);
        const { palette } = bench.session.view;
        const light = { id: 4, name: 'Lamps', plan: { lamps }, colours: palette.lightColours } as unknown as LightState;
        act(() => bench.session.store.setState({ palette: { ...palette, plan: 4, lights: [light] } }));
        fireEvent.click(screen.getByText('Brighter near the page’s lamps'));
        const places = [
            [0.25, 0.75, 0.4],
            [0.5, 0.1, 0.2],
        ];
        expect(contents().at(-1)).toEqual({ ...rain, lamps: places });
        expect(screen.queryByText('Take the lamps anew'), 'they are the page’s').toBeNull();
        slide('Dimmer elsewhere', 30);
        expect(contents().at(-1)).toEqual({ ...rain, lamps: places, dim: 0.3 });
        const moved = { ...light, plan: { ...light.plan, lamps: [lamps[1]] } };
        act(() => bench.session.store.setState({ palette: { ...palette, plan: 4, lights: [moved] } }));
        fireEvent.click(screen.getByText('Take the lamps anew'));
        expect(contents().at(-1)).toMatchObject({ lamps: [places[1]], dim: 0.3 });
        fireEvent.click(screen.getByText('As bright everywhere'));
        expect(contents().at(-1)).toMatchObject({ lamps: [] });
    });
    it('of an outline show its colour once it is wide enough to be seen', () => {
        set(rain);
        expect(screen.queryByLabelText('Colour of the outline')).toBeNull();
        slide('Outline', 8);
        expect(contents()).toEqual([{ ...rain, outline: 0.8 }]);
        expect(screen.getAllByText('0.8 ‰')).toHaveLength(2);
        expect(screen.getByLabelText('Colour of the outline')).toBeTruthy();
    });
    it('of crystals have no length: they are not drawn out', () => {
        set({ ...rain, form: 'crystal' });
        expect(screen.queryByRole('slider', { name: /Length/ })).toBeNull();
        expect(screen.getByRole('slider', { name: /Size/ })).toBeTruthy();
        fireEvent.change(screen.getByLabelText('Form'), { target: { value: 'petal' } });
        expect(contents()).toEqual([{ ...rain, form: 'petal' }]);
        expect(screen.queryByRole('slider', { name: /Length/ })).toBeNull();
    });
    it('of lightning, a glow and a shimmer are dials, too', () => {
        const strike: ContentData = {
            kind: 'lightning',
            colour: '#ffffff',
            from: [0.4, 0],
            to: [0.6, 0.6],
            width: 2.2,
            jag: 0.5,
            branches: 5,
            glow: 14,
            outline: 0.5,
            outlineColour: '#20242c',
            seed: 1,
        };
        set(strike);
        slide('Branches', 9);
        slide('Width', 31);
        cleanup();
        const glow: ContentData = { kind: 'glow', threshold: 0.75, reach: 6 };
        set(glow);
        slide('From', 60);
        slide('Reach', 125);
        cleanup();
        const shimmer: ContentData = { kind: 'shimmer', height: 1.5, length: 18, angle: 0, seed: 1 };
        set(shimmer);
        slide('Height', 30);
        expect(contents()).toEqual([
            { ...strike, branches: 9 },
            { ...strike, branches: 9, width: 3.1 },
            { ...glow, threshold: 0.6 },
            { ...glow, threshold: 0.6, reach: 12.5 },
            { ...shimmer, height: 3 },
        ]);
    });
});
