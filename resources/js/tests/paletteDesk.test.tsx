// @vitest-environment happy-dom
/** A tone on the palette's desk, pictures held against the palette, drift from page to page, and named versions. */
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api } from '../api/client';
import type {
    AdviceData,
    FigureState,
    MatchReport,
    MaterialState,
    PageColoursState,
    PaletteVersionState,
    Tone,
} from '../api/generated';
import { seriesOutbox } from '../page/seriesOutbox';
import { DriftPart } from '../palette/DriftPart';
import { HoldPart } from '../palette/HoldPart';
import { MaterialPart } from '../palette/MaterialPart';
import { ToneDesk } from '../palette/ToneDesk';
import type { PaletteDesk } from '../palette/usePalette';
import { VersionsPart } from '../palette/VersionsPart';
import { clogs, oilskin, pageState, taskState } from './world';

// What draws on a canvas of its own is tested by itself.
vi.mock('../palette/Tracks', () => ({ Tracks: () => null }));
vi.mock('../ui/Maquette', () => ({ Maquette: () => null }));
vi.mock('../palette/Compare', () => ({ Compare: () => null }));
vi.mock('../palette/TwoPictures', () => ({ TwoPictures: () => <p>two pictures</p> }));

const rope: MaterialState = {
    ...oilskin,
    id: 11,
    name: 'rope',
    pinned: ['base', 'glint'],
    tones: { ...oilskin.tones, base: '#705030', glint: '#ffeedd' },
};

let figures: FigureState[];
let desk: PaletteDesk;
let done: unknown[][];

beforeEach(() => {
    done = [];
    figures = [
        { id: 3, name: 'Oda', depth: 2, soft: false, follows: null, materials: [oilskin, rope] },
        { id: 4, name: 'Tamsin', depth: 1, soft: false, follows: null, materials: [clogs] },
    ];
    desk = {
        overview: {
            id: 2,
            name: 'The Salt Ferry',
            mayColour: true,
            palette: { ...pageState().palette, version: 14, figures },
            uses: { 11: { regions: 3, pages: [2, 5], width: null, place: null } },
            advice: {},
            undo: null,
            redo: null,
        },
        figures,
        clash: null,
        apply: vi.fn(async (...what: unknown[]) => !!done.push(what)),
        change: vi.fn(async (...what: unknown[]) => !!done.push(what)),
        pin: vi.fn(async (material: MaterialState, tones: object) => !!done.push([material.id, tones])),
        ask: vi.fn(async (work: () => Promise<unknown>) => !!(await work().then(() => true))),
        tryOut: vi.fn(),
        settle: vi.fn(),
    } as unknown as PaletteDesk;
});

afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
});

function rendered(part: ReactNode): void {
    const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
    render(
        <QueryClientProvider client={client}>
            <MemoryRouter>{part}</MemoryRouter>
        </QueryClientProvider>,
    );
}
const press = (name: string | RegExp): boolean => fireEvent.click(screen.getByRole('button', { name }));
describe('a tone on the desk', () => {
    const opened = (tone: Tone, material = rope): void =>
        rendered(<ToneDesk desk={desk} material={material} tone={tone} />);

    it('says whose it is, whether it is pinned, and how light it is', () => {
        opened('glint');
        expect(screen.getByRole('heading', { level: 2 }).textContent).toBe('Oda › rope › glint');
        expect(screen.getByText('● pinned')).toBeTruthy();
        expect(screen.getAllByText('L* 95')).toHaveLength(2);
        cleanup();
        opened('shade');
        expect(screen.getByText('○ derived from the base')).toBeTruthy();
    });
    it('is typed: tried at once, and pinned when it differs', () => {
        opened('shade');
        const hex = screen.getByLabelText('Hex');
        fireEvent.change(hex, { target: { value: '#334455' } });
        fireEvent.blur(hex);
        expect(done).toEqual([[11, { shade: '#334455' }]]);
        expect(desk.tryOut).toHaveBeenLastCalledWith({ 11: { shade: '#334455' } });
        expect(screen.getByText('L* 28')).toBeTruthy();
    });
    it('is pinned as it is, alone or with the others, and derived again', () => {
        opened('shade');
        press('Pin this colour');
        expect(screen.queryByText('Derive it')).toBeNull();
        press('Pin all');
        press('Derive all');
        expect(done[0]).toEqual([11, { shade: rope.tones.shade }]);
        expect(done[1]).toEqual([
            11,
            Object.fromEntries((['deep', 'shade', 'light', 'line'] as const).map((tone) => [tone, rope.tones[tone]])),
        ]);
        expect(done[2]).toEqual([11, { glint: null }]);
        cleanup();
        opened('glint');
        expect(screen.queryByText('Pin this colour')).toBeNull();
        press('Derive it');
        expect(done[3]).toEqual([11, { glint: null }]);
        cleanup();
        // The base is never derived.
        opened('base', oilskin);
        expect(screen.queryByText(/^Derive/)).toBeNull();
    });
    it('of a figure that is followed, or for who may not, is only looked at', () => {
        figures[0] = { ...figures[0], follows: 'The Long Pier' };
        opened('shade');
        expect(screen.getByText(/Set in The Long Pier/)).toBeTruthy();
        expect(screen.queryByText('Pin this colour')).toBeNull();
        expect((screen.getByLabelText('Hex') as HTMLInputElement).disabled).toBe(true);
    });
    it('that somebody else changed meanwhile is theirs or yours', () => {
        const theirs = { ...rope, version: 3 };
        desk = { ...desk, clash: { theirs, yours: { shade: '#123456' } } } as PaletteDesk;
        opened('shade');
        press('Keep theirs');
        press('Take yours');
        expect(desk.settle).toHaveBeenCalledOnce();
        expect(desk.pin).toHaveBeenLastCalledWith(theirs, { shade: '#123456' });
        cleanup();
        opened('base', oilskin);
        expect(screen.queryByText('Keep theirs')).toBeNull();
    });
    it('has advice with a number, and a mend where there is one', () => {
        const advice = (more: Partial<AdviceData>): AdviceData =>
            ({
                kind: 'step',
                tone: 'shade',
                amount: 1.26,
                other: null,
                sight: null,
                mend: null,
                release: false,
                ...more,
            }) as AdviceData;
        desk.overview!.advice = {
            11: [
                advice({ mend: '#402010' }),
                advice({ kind: 'alike', tone: 'base', other: 8, amount: 2.5 }),
                advice({ kind: 'sight', tone: 'base', other: 9, amount: 3.1, sight: 'deutan' }),
                advice({ kind: 'grey', tone: 'glint', release: true }),
                advice({ kind: 'uneven', tone: 'light', release: true }),
            ],
        };
        opened('shade');
        const list = within(screen.getByRole('region', { name: 'Worth a look' }));
        const [step, alike, sight, grey, uneven] = list.getAllByRole('listitem');
        expect(step.textContent).toContain('ΔE 1.3, less than 3');
        expect(alike.textContent).toContain('Close to clogs: ΔE 2.5');
        expect(sight.textContent).toContain('Close to oilskin for eyes without the green cone: ΔE 3.1.');
        fireEvent.click(within(step).getByRole('button'));
        fireEvent.click(within(grey).getByRole('button', { name: 'Derive it' }));
        expect(done).toEqual([
            [11, { shade: '#402010' }],
            [11, { glint: null }],
        ]);
        // What is derived already cannot be mended by that.
        expect([alike, uneven].map((one) => within(one).queryByRole('button'))).toEqual([null, null]);
    });
});

describe('a whole material', () => {
    it('is moved to another figure, duplicated, and goes with or without another in its place', () => {
        rendered(<MaterialPart desk={desk} material={rope} />);
        fireEvent.change(screen.getByLabelText('Figure'), { target: { value: '4' } });
        press('Duplicate');
        expect(done).toEqual([
            ['material.change', rope, { figure: 4 }],
            ['material.duplicate', { material: 11 }],
        ]);
        press('Delete or merge …');
        expect(screen.getByText(/3 regions on p. 2, 5 use it/)).toBeTruthy();
    });
});

describe('a picture held against the palette', () => {
    const row = (colour: string, share: number, verdict: 'exact' | 'near' | 'unknown', x = 0, y = 0) => ({
        colour,
        share,
        tone: 'Oda, rope, base',
        deltaE: 1.26,
        verdict,
        x,
        y,
    });
    const report: MatchReport = {
        name: 'cover.png',
        width: 400,
        height: 200,
        rows: [
            row('#705030', 0.5, 'exact', 100, 50),
            row('#715131', 0.25, 'near'),
            row('#ff00ff', 0.2, 'unknown'),
            row('#00ff00', 0.0004, 'unknown'),
        ],
    };
    beforeEach(() => {
        vi.spyOn(api, 'series').mockResolvedValue({
            role: 'colourist',
            pages: [{ id: 71, number: 4, title: 'Noon' }],
        } as never);
        vi.spyOn(api, 'pictures').mockResolvedValue([
            { id: 81, name: 'quay.jpg', width: 10 },
            { id: 82, name: 'on its way', width: null },
        ] as never);
    });

    it('is a page, a picture of the board that is there, or a file', async () => {
        const begun = vi.spyOn(api, 'beginForSeries').mockResolvedValue(taskState({ state: 'failed', message: 'No.' }));
        vi.spyOn(api, 'task').mockResolvedValue(taskState({ state: 'failed', message: 'No.' }));
        rendered(<HoldPart series={2} />);
        await screen.findByRole('option', { name: 'p. 4 Noon' });
        await screen.findByRole('option', { name: 'quay.jpg' });
        expect(screen.queryByRole('option', { name: 'on its way' })).toBeNull();
        const list = screen.getByLabelText('A page or a picture of ours');
        fireEvent.change(list, { target: { value: 'page 71' } });
        expect((await screen.findByRole('alert')).textContent).toBe('No.');
        fireEvent.change(list, { target: { value: 'picture 81' } });
        const file = new File(['x'], 'a.png');
        fireEvent.change(screen.getByLabelText('A picture to hold against the palette'), { target: { files: [file] } });
        await vi.waitFor(() => expect(begun).toHaveBeenCalledTimes(3));
        expect(begun.mock.calls).toEqual([
            [2, 'match', { page: 71 }],
            [2, 'match', { reference: 81 }],
            [2, 'match', { picture: file }],
        ]);
    });
    it('is told in shares, colour by colour, with its place in the picture', async () => {
        const ended = taskState({ match: report, download: '/api/tasks/6/file' });
        vi.spyOn(api, 'beginForSeries').mockResolvedValue(ended);
        vi.spyOn(api, 'task').mockResolvedValue(ended);
        rendered(<HoldPart series={2} />);
        await screen.findByRole('option', { name: 'p. 4 Noon' });
        fireEvent.change(screen.getByLabelText('A page or a picture of ours'), { target: { value: 'page 71' } });
        expect(
            await screen.findByText(
                'cover.png, 400 × 200 px: 50 % are the palette’s tones, 25 % are near one, 20 % are none of ours.',
            ),
        ).toBeTruthy();
        const rows = screen.getAllByRole('row').slice(1);
        expect(rows.map((one) => one.textContent)).toEqual([
            '50.0 % #705030Oda, rope, base1.3= the tone',
            '25.0 % #715131Oda, rope, base1.3≈ near it',
            '20.0 % #ff00ffOda, rope, base1.3≠ no tone of ours',
        ]);
        fireEvent.focus(rows[0]);
        const mark = document.querySelector('.plane-mark') as HTMLElement;
        expect([mark.style.left, mark.style.top]).toEqual(['25%', '25%']);
        const picture = screen.getByRole('img') as HTMLImageElement;
        expect(picture.getAttribute('src')).toBe('/api/tasks/6/file');
        press('On the palette');
        expect(picture.getAttribute('src')).toBe('/api/tasks/6/file?part=snapped');
        // A page of ours is not laid over a page.
        expect(screen.queryByLabelText('Over which page')).toBeNull();
    });
    it('that is not a page of ours can be laid over one', async () => {
        const ended = taskState({ match: report });
        vi.spyOn(api, 'beginForSeries').mockResolvedValue(ended);
        vi.spyOn(api, 'task').mockResolvedValue(ended);
        const laid = vi.spyOn(api, 'begin').mockResolvedValue(taskState({ id: 9, kind: 'snap' }));
        rendered(<HoldPart series={2} />);
        await screen.findByRole('option', { name: 'quay.jpg' });
        fireEvent.change(screen.getByLabelText('A page or a picture of ours'), { target: { value: 'picture 81' } });
        const over = await screen.findByLabelText('Over which page');
        expect((screen.getByText('on the palette') as HTMLButtonElement).disabled).toBe(true);
        fireEvent.change(over, { target: { value: '71' } });
        press('on the palette');
        expect((await screen.findByText(/Look at it/)).getAttribute('href')).toBe('/bench/71');
        expect(laid.mock.calls).toEqual([[71, 'snap', { reference: 81 }]]);
    });
});

describe('drift from page to page', () => {
    const page = (id: number, number: number, seen: string, flat = '#705030'): PageColoursState => ({
        page: id,
        number,
        materials: { 11: { flat, lit: flat, seen, share: 0.1, x: 12, y: 34 } },
    });
    const opened = (...pages: (PageColoursState | null)[]): void => {
        const ids = [71, 72, 73].slice(0, pages.length);
        vi.spyOn(api, 'series').mockResolvedValue({
            pages: ids.map((id) => ({ id, number: id - 70, title: '', revision: 1 })),
        } as never);
        vi.spyOn(api, 'pictures').mockResolvedValue([]);
        vi.spyOn(api, 'pageColours').mockImplementation(async (id) => pages[ids.indexOf(id)]);
        rendered(<DriftPart desk={desk} />);
    };
    const worst = () => within(screen.getByRole('region', { name: 'The worst' }));

    it('has the furthest first, with the way to its place', async () => {
        opened(page(71, 1, '#705030'), page(72, 2, '#705030', '#20c0ff'), page(73, 3, '#805838'));
        await vi.waitFor(() => expect(worst().getAllByRole('listitem')).toHaveLength(2));
        const [first, second] = worst().getAllByRole('listitem');
        expect(first.textContent).toContain('to the palette');
        expect(within(first).getByRole('link').getAttribute('href')).toBe('/bench/72?at=12,34');
        expect(second.textContent).toMatch(/ΔE 4\.4 to the page before/);
        expect(within(second).getByRole('link').textContent).toBe('p. 3');
    });
    it('that nobody sees is none', async () => {
        opened(page(71, 1, '#705030'), page(72, 2, '#705030'));
        // Before anything is known, nothing is said.
        expect(screen.queryByText(/Nothing drifts/)).toBeNull();
        expect(await screen.findByText('Nothing drifts: all pages wear the palette’s colours.')).toBeTruthy();
        expect(worst().queryAllByRole('listitem')).toEqual([]);
        expect(within(screen.getByRole('region', { name: 'All materials' })).getAllByRole('link')).toHaveLength(2);
    });
    it('is measured where a page has not been, once', async () => {
        const begun = vi
            .spyOn(api, 'beginForSeries')
            .mockResolvedValue(taskState({ kind: 'colours', state: 'working', message: 'Measuring' }));
        vi.spyOn(api, 'task').mockResolvedValue(taskState({ kind: 'colours', state: 'working', message: 'Measuring' }));
        opened(page(71, 1, '#705030'), null);
        await vi.waitFor(() => expect(begun.mock.calls).toEqual([[2, 'colours', {}]]));
        expect(await screen.findByText('Measuring')).toBeTruthy();
        expect(screen.queryByText(/Nothing drifts/)).toBeNull();
    });
});

describe('named versions of the palette', () => {
    const moved = (material: number, name: string, tone: Tone) => ({
        material,
        name,
        tone,
        before: '#101010',
        after: '#202020',
        deltaE: 4.44,
    });
    const printed: PaletteVersionState = {
        id: 31,
        name: 'Book 1',
        version: 4,
        who: 'Ida',
        when: '2026-11-20T10:00:00Z',
        moved: [moved(11, 'Oda, rope', 'base'), moved(11, 'Oda, rope', 'shade'), moved(8, 'Tamsin, clogs', 'base')],
    };
    const now: PaletteVersionState = { ...printed, id: 32, name: 'Today', who: null, moved: [] };
    const applied = () => vi.spyOn(seriesOutbox(2), 'apply').mockResolvedValue({} as never);
    const opened = async (versions = [printed, now], follows: number[] = []): Promise<void> => {
        vi.spyOn(api, 'versions').mockResolvedValue({
            versions,
            pages: [
                { page: 71, number: 1, title: 'Noon', version: 31, follows },
                { page: 72, number: 2, title: 'Rain', version: null, follows: [] },
            ],
        });
        rendered(<VersionsPart desk={desk} />);
        await vi.waitFor(() => expect(screen.queryByText('Looking …')).toBeNull());
    };

    it('say what has moved on since, and are gone back to where something has', async () => {
        const outbox = applied();
        await opened();
        const [old, today] = ['Book 1', 'Today'].map((name) => within(screen.getByRole('region', { name })));
        expect(old.getByText('3 tones have moved on since:')).toBeTruthy();
        expect(old.getAllByRole('listitem')[2].textContent).toContain('Tamsin, clogs, baseΔE 4.4');
        expect(today.getByText('The palette is as it was then.')).toBeTruthy();
        expect(today.getByText(/^Somebody, /)).toBeTruthy();
        expect(today.queryByRole('button')).toBeNull();
        fireEvent.click(old.getByText('Go back to it'));
        await vi.waitFor(() => expect(outbox.mock.calls).toEqual([['version.restore', { version: 31 }]]));
    });
    it('are held by pages, or not; what has moved on is taken over material by material', async () => {
        const outbox = applied();
        await opened([printed, now], [8]);
        const [first, second] = [1, 2].map((n) => screen.getByLabelText(`Palette of page ${n}`) as HTMLSelectElement);
        expect([first.value, second.value]).toEqual(['31', '']);
        fireEvent.change(second, { target: { value: '32' } });
        fireEvent.change(first, { target: { value: '' } });
        press('2 tones have moved on');
        expect(screen.getByText('two pictures')).toBeTruthy();
        expect(screen.queryByText('Take clogs over')).toBeNull();
        press('Take rope over');
        await vi.waitFor(() => expect(outbox).toHaveBeenCalledTimes(3));
        expect(outbox.mock.calls).toEqual([
            ['page.version', { of: 72, version: 32, follows: [] }],
            ['page.version', { of: 71, version: null, follows: [] }],
            ['page.version', { of: 71, version: 31, follows: [8, 11] }],
        ]);
    });
    it('are named by who may colour', async () => {
        const named = vi.spyOn(api, 'nameVersion').mockResolvedValue({} as never);
        await opened([]);
        expect(screen.getByText(/No versions yet/)).toBeTruthy();
        expect(screen.queryByText('Which palette each page uses')).toBeNull();
        fireEvent.change(screen.getByPlaceholderText('Book 1, printed'), { target: { value: 'Book 2' } });
        press('Keep it');
        await vi.waitFor(() => expect(named.mock.calls).toEqual([[2, 'Book 2']]));
        cleanup();
        desk = { ...desk, overview: { ...desk.overview!, mayColour: false } };
        await opened();
        expect([screen.queryByText('Keep it'), screen.queryByText('Go back to it')]).toEqual([null, null]);
        expect((screen.getByLabelText('Palette of page 1') as HTMLSelectElement).disabled).toBe(true);
    });
});
