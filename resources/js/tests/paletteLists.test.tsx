// @vitest-environment happy-dom
/** The palette's figures, its files, replacing on pages, and the people of a series. */
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { api } from '../api/client';
import type { FigureState, ImportRow, MaterialState, SeriesState, TaskState } from '../api/generated';
import { Failure } from '../api/http';
import { FigureList } from '../palette/FigureList';
import { FilePart } from '../palette/FilePart';
import { ReplacePart } from '../palette/ReplacePart';
import type { PaletteDesk } from '../palette/usePalette';
import { PeoplePart } from '../series/PeoplePart';
import { clogs, oilskin, pageState } from './world';

afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
});

const rope: MaterialState = { ...oilskin, id: 11, name: 'rope', pinned: ['base', 'glint'] };
const boots: MaterialState = { ...oilskin, id: 12, name: 'boots' };
const figures: FigureState[] = [
    { id: 3, name: 'Oda', depth: 2, soft: false, follows: null, materials: [oilskin, rope, boots] },
    { id: 4, name: 'Tamsin', depth: 1, soft: false, follows: null, materials: [clogs] },
    { id: 6, name: 'Gulls', depth: 0, soft: false, follows: 'The Long Pier', materials: [] },
];

function deskOf(more: Partial<PaletteDesk> = {}, mayColour = true): PaletteDesk {
    return {
        overview: {
            id: 2,
            name: 'The Salt Ferry',
            mayColour,
            palette: { ...pageState().palette, figures },
            uses: {
                9: { regions: 14, pages: [1, 2, 3, 4, 5], width: null, place: null },
                11: { regions: 3, pages: [2], width: null, place: null },
            },
            advice: { 11: [{}, {}] as never },
            undo: null,
            redo: null,
        },
        figures,
        picked: null,
        variant: null,
        apply: vi.fn(async () => true),
        change: vi.fn(async () => true),
        ask: vi.fn(async (work: () => Promise<unknown>) => {
            await work();
            return true;
        }),
        ...more,
    } as unknown as PaletteDesk;
}

function rendered(part: ReactNode): void {
    const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
    render(<QueryClientProvider client={client}>{part}</QueryClientProvider>);
}
const press = (name: string | RegExp): boolean => fireEvent.click(screen.getByRole('button', { name }));

describe('figures and materials', () => {
    const listed = (desk: PaletteDesk) => {
        const pick = vi.fn();
        rendered(<FigureList desk={desk} onPick={pick} />);
        return pick;
    };
    const of = (name: string) => within(screen.getByRole('region', { name }));

    it('say where each is used, what is to see, and which tones are pinned', () => {
        const pick = listed(deskOf());
        expect(screen.getByText('14 on p. 1, 2, 3, 4 …')).toBeTruthy();
        expect(screen.getByText('3 on p. 2')).toBeTruthy();
        expect(screen.getByText('2 to see')).toBeTruthy();
        expect(of('Tamsin').getByText('not used')).toBeTruthy();
        expect(screen.getByText('follows The Long Pier')).toBeTruthy();
        press('Oda rope glint, pinned');
        press('Oda rope light, derived');
        fireEvent.click(screen.getByText('boots'));
        expect(pick.mock.calls).toEqual([
            [{ material: 11, tone: 'glint' }],
            [{ material: 11, tone: 'light' }],
            [{ material: 12, tone: 'base' }],
        ]);
    });
    it('move by keys within their figure, and not beyond its ends', () => {
        const desk = deskOf();
        listed(desk);
        const handle = (name: string): HTMLElement => screen.getByLabelText(`Move ${name}: drag it, or use the arrows`);
        fireEvent.keyDown(handle('rope'), { key: 'ArrowUp' });
        fireEvent.keyDown(handle('rope'), { key: 'ArrowDown' });
        fireEvent.keyDown(handle('oilskin'), { key: 'ArrowUp' });
        fireEvent.keyDown(handle('boots'), { key: 'ArrowDown' });
        fireEvent.keyDown(handle('rope'), { key: 'ArrowLeft' });
        expect(vi.mocked(desk.change).mock.calls).toEqual([
            ['material.change', rope, { place: 0 }],
            ['material.change', rope, { place: 2 }],
        ]);
    });
    it('are dropped before another, of their own figure or of another', () => {
        const desk = deskOf();
        listed(desk);
        const drop = (id: number, name: string): boolean =>
            fireEvent.drop(screen.getByText(name).closest('li') as HTMLElement, {
                dataTransfer: { getData: () => String(id) },
            });
        drop(9, 'boots');
        drop(12, 'oilskin');
        drop(8, 'rope');
        drop(11, 'boots');
        drop(777, 'boots');
        expect(vi.mocked(desk.change).mock.calls).toEqual([
            ['material.change', oilskin, { place: 1 }],
            ['material.change', boots, { place: 0 }],
            ['material.change', clogs, { figure: 3, place: 1 }],
        ]);
    });
    it('are renamed, merged, deleted, or stop following', () => {
        const desk = deskOf();
        listed(desk);
        press('Change Oda');
        expect(screen.getByText('17 regions use it. Who takes over its materials?')).toBeTruthy();
        press('Delete the figure');
        fireEvent.change(of('Oda').getByRole('combobox'), { target: { value: '4' } });
        press('Merge');
        press('Change Gulls');
        expect(screen.getByText('No page uses it. Its materials go to')).toBeTruthy();
        press('Stop following');
        expect(vi.mocked(desk.apply).mock.calls).toEqual([
            ['figure.retire', { figure: 3, into: null }],
            ['figure.retire', { figure: 3, into: 4 }],
            ['figure.unlink', { figure: 6 }],
        ]);
    });
    it('are added with a colour to begin from', async () => {
        const desk = deskOf();
        listed(desk);
        press('Add a material to Tamsin');
        fireEvent.change(screen.getByLabelText('Its base'), { target: { value: '#405060' } });
        fireEvent.change(screen.getByLabelText('Material of Tamsin'), { target: { value: 'wool' } });
        fireEvent.submit(screen.getByLabelText('Material of Tamsin').closest('form') as HTMLFormElement);
        await vi.waitFor(() => expect(screen.queryByLabelText('Its base')).toBeNull());
        expect(desk.apply).toHaveBeenCalledWith('material.add', { figure: 4, name: 'wool', base: '#405060' });
        expect(screen.queryByText('Add a material to Gulls'), 'it follows another series').toBeNull();
    });
    it('are searched by either name where there are many', () => {
        const many = Array.from({ length: 20 }, (_, i) => ({ ...rope, id: 100 + i, name: `cord ${i}` }));
        listed(deskOf({ figures: [{ ...figures[0], materials: many }, figures[1]] }));
        const search = screen.getByLabelText('Search materials');
        fireEvent.change(search, { target: { value: ' CORD 7' } });
        expect(screen.getAllByRole('listitem')).toHaveLength(1);
        expect(screen.queryByRole('region', { name: 'Tamsin' })).toBeNull();
        fireEvent.change(search, { target: { value: 'tams' } });
        expect(screen.getByText('clogs')).toBeTruthy();
        fireEvent.change(search, { target: { value: 'whale' } });
        expect(screen.getByText('Nothing is called that.')).toBeTruthy();
    });
    it('are only looked at by who may not colour', () => {
        listed(deskOf({}, false));
        for (const name of [/^Move/, /^Change/, /^Add/]) expect(screen.queryByRole('button', { name })).toBeNull();
        expect(screen.queryByLabelText(/Search/), 'four are few').toBeNull();
    });
});

describe('palette files', () => {
    const row = (material: string, does: ImportRow['does']): ImportRow => ({
        figure: 'Oda',
        material,
        does,
        before: does === 'add' ? null : { base: '#111111' },
        after: { base: '#222222' },
    });
    it('show what they would do before they do it', async () => {
        const desk = deskOf();
        vi.spyOn(api, 'shelf').mockResolvedValue([]);
        const rows = [row('felt', 'add'), row('rope', 'change'), row('boots', 'leave'), row('wool', 'add')];
        const read = vi.spyOn(api, 'readPalette').mockResolvedValue(rows);
        rendered(<FilePart desk={desk} />);
        expect(screen.getByText('CSV').closest('a')?.getAttribute('href')).toBe(api.paletteFile(2, 'csv'));
        fireEvent.change(screen.getByLabelText('A palette file'), {
            target: { files: [new File(['a,b'], 'new.csv')] },
        });
        await screen.findByText('new.csv: 2 added, 1 changed, 1 left as they are.');
        expect(read.mock.lastCall).toEqual([2, 'new.csv', 'a,b']);
        expect(screen.getAllByRole('listitem').map((one) => one.textContent)).toEqual([
            'Oda, felt is added→',
            'Oda, rope is changed→',
            'Oda, wool is added→',
        ]);
        press('Take it in');
        await vi.waitFor(() => expect(screen.queryByText('Take it in')).toBeNull());
        expect(desk.apply).toHaveBeenCalledWith('palette.import', { name: 'new.csv', text: 'a,b' });
        expect(await screen.findByText('There is no other series you are in.')).toBeTruthy();
    });
    it('that change nothing cannot be taken in, and stay when they are refused', async () => {
        const desk = deskOf({ apply: vi.fn(async () => false) as never });
        vi.spyOn(api, 'shelf').mockResolvedValue([]);
        const read = vi.spyOn(api, 'readPalette').mockResolvedValue([row('boots', 'leave')]);
        rendered(<FilePart desk={desk} />);
        const take = (): boolean =>
            fireEvent.change(screen.getByLabelText('A palette file'), {
                target: { files: [new File(['x'], 'p.json')] },
            });
        take();
        await screen.findByText(/0 added, 0 changed, 1 left/);
        expect((screen.getByText('Take it in') as HTMLButtonElement).disabled).toBe(true);
        press('Leave it');
        expect(screen.queryByText('Take it in')).toBeNull();
        read.mockResolvedValue([row('felt', 'add')]);
        take();
        fireEvent.click(await screen.findByText('Take it in'));
        await vi.waitFor(() => expect(desk.apply).toHaveBeenCalled());
        expect(screen.getByText(/1 added/), 'it was refused').toBeTruthy();
    });
    it('of another series are copied or followed, figure by figure', async () => {
        const desk = deskOf();
        vi.spyOn(api, 'shelf').mockResolvedValue([
            { id: 2, name: 'The Salt Ferry' },
            { id: 8, name: 'The Long Pier' },
        ] as never);
        const other = vi.spyOn(api, 'series').mockResolvedValue({ palette: { figures: [figures[1]] } } as never);
        rendered(<FilePart desk={desk} />);
        const choice = (await screen.findByLabelText('From which series')) as HTMLSelectElement;
        expect([...choice.options].map(({ text }) => text)).toEqual(['From which series?', 'The Long Pier']);
        fireEvent.change(choice, { target: { value: '8' } });
        await screen.findByText('Tamsin');
        expect(other).toHaveBeenCalledWith(8);
        press('Copy');
        press('Follow');
        expect(vi.mocked(desk.apply).mock.calls).toEqual([
            ['figure.copy', { figure: 4 }],
            ['figure.link', { figure: 4 }],
        ]);
    });
});

describe('replacing on pages', () => {
    const pages = [1, 2, 6].map((number) => ({ id: 70 + number, number, title: `Page ${number}` }));
    const done = {
        id: 5,
        kind: 'replace',
        state: 'done',
        outcomes: [{ page: 71, number: 1, why: '9 regions' }],
    } as unknown as TaskState;
    const opened = async (desk = deskOf()) => {
        vi.spyOn(api, 'series').mockResolvedValue({ pages } as unknown as SeriesState);
        vi.spyOn(api, 'task').mockResolvedValue(done);
        const begin = vi.spyOn(api, 'beginForSeries').mockResolvedValue(done);
        rendered(<ReplacePart desk={desk} material={oilskin} />);
        press('Replace on some pages …');
        await screen.findByLabelText('1. Page 1');
        return begin;
    };
    it('names the pages that use the material, and replaces it on those that are ticked', async () => {
        const begin = await opened();
        expect(screen.queryByLabelText('6. Page 6'), 'it is not used there').toBeNull();
        expect((screen.getByText('Replace on 2 pages') as HTMLButtonElement).disabled, 'by nothing yet').toBe(true);
        fireEvent.click(screen.getByLabelText('2. Page 2'));
        const by = screen.getByLabelText('By') as HTMLSelectElement;
        expect([...by.options].map(({ text }) => text)).toEqual(['Which?', 'Oda, rope', 'Oda, boots', 'Tamsin, clogs']);
        fireEvent.change(by, { target: { value: '8' } });
        press('Replace on 1 page');
        await screen.findByText('p. 1: 9 regions');
        expect(begin.mock.lastCall).toEqual([2, 'replace', { material: 9, into: 8, pages: [71] }]);
        press('Close');
        expect(screen.getByText('Replace on some pages …')).toBeTruthy();
    });
    it('replaces a tone by another of the whole figure', async () => {
        const begin = await opened(deskOf({ picked: { material: 9, tone: 'glint' } }));
        fireEvent.change(screen.getByLabelText('By'), { target: { value: '8' } });
        fireEvent.change(screen.getByLabelText('Replace'), { target: { value: 'tone' } });
        const by = screen.getByLabelText('By') as HTMLSelectElement;
        expect(by.value, 'a material is no tone').toBe('');
        expect((screen.getByText('Replace on 2 pages') as HTMLButtonElement).disabled).toBe(true);
        expect([...by.options].map(({ value }) => value)).not.toContain('glint');
        fireEvent.change(by, { target: { value: 'light' } });
        press('Replace on 2 pages');
        await vi.waitFor(() => expect(begin).toHaveBeenCalled());
        expect(begin.mock.lastCall?.[2]).toEqual({ figure: 3, tone: 'glint', into: 'light', pages: [71, 72] });
    });
});

describe('the people of a series', () => {
    const series = (role: SeriesState['role']): SeriesState =>
        ({
            id: 2,
            role,
            people: [
                { id: 1, name: 'Ida', role: 'owner' },
                { id: 7, name: 'Mira', role: 'colourist' },
            ],
        }) as unknown as SeriesState;
    it('are added, removed and invited by the owner', async () => {
        const changed = vi.fn(async () => undefined);
        const add = vi.spyOn(api, 'addMember').mockResolvedValue({ id: 9 });
        const remove = vi.spyOn(api, 'removeMember').mockResolvedValue(undefined);
        const invite = vi.spyOn(api, 'invite').mockResolvedValue({ link: 'https://awning.example/j/1', days: 7 });
        rendered(<PeoplePart series={series('owner')} onChange={changed} />);
        press('Remove Mira');
        await vi.waitFor(() => expect(changed).toHaveBeenCalledTimes(1));
        expect(remove.mock.calls).toEqual([[2, 7]]);
        const email = screen.getByLabelText('E-mail address') as HTMLInputElement;
        fireEvent.change(email, { target: { value: 'jonne@awning.example' } });
        fireEvent.change(screen.getByLabelText('Part in the series'), { target: { value: 'viewer' } });
        fireEvent.submit(email.closest('form') as HTMLFormElement);
        await vi.waitFor(() => expect(changed).toHaveBeenCalledTimes(2));
        expect([add.mock.lastCall, email.value]).toEqual([[2, 'jonne@awning.example', 'viewer'], '']);
        fireEvent.change(screen.getByLabelText('To join as'), { target: { value: 'flatter' } });
        press('Make a link');
        const link = (await screen.findByLabelText(/It works once, for 7 days/)) as HTMLInputElement;
        expect([link.value, invite.mock.calls]).toEqual(['https://awning.example/j/1', [[2, 'flatter']]]);
    });
    it('are only named to everybody else', () => {
        rendered(<PeoplePart series={series('flatter')} onChange={async () => undefined} />);
        expect(screen.getAllByRole('listitem').map((one) => one.textContent)).toEqual(['Idaowner', 'Miracolourist']);
        expect(screen.queryByRole('button')).toBeNull();
    });
    it('stay as they are when somebody may not be removed, and it says why', async () => {
        vi.spyOn(api, 'removeMember').mockRejectedValue(new Failure('refused', 'A series keeps one owner.'));
        const changed = vi.fn(async () => undefined);
        rendered(<PeoplePart series={series('owner')} onChange={changed} />);
        press('Remove Ida');
        expect((await screen.findByRole('alert')).textContent).toBe('A series keeps one owner.');
        expect(changed).not.toHaveBeenCalled();
    });
});
