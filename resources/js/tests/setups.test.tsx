// @vitest-environment happy-dom
/** Setups: stacks of passes that are hung, kept, changed and followed. */
import { act, fireEvent, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { api } from '../api/client';
import type { PassData, SetupPass, SetupState } from '../api/generated';
import type { BenchModel } from '../bench/model/model';
import { SetupPart } from '../bench/panels/passes/SetupPart';
import { usePage } from '../bench/model/context';
import { asked, button, openWith, press, show, type, unfold } from './showing';
import { oilskin, region, shade, taskState } from './world';

const kept = (name: string, more: Partial<SetupPass> = {}): SetupPass => ({
    name,
    content: { kind: 'tone', tone: 'shade' },
    mode: 'normal',
    opacity: 1,
    turn: null,
    marks: null,
    rough: null,
    ...more,
});
const plain: SetupState = { id: 0, name: 'Cloth', passes: [kept('Shade'), kept('Rim')] };
const rust: SetupState = { id: 12, name: 'Rust', passes: [kept('Spots', { marks: 'AAAA' }), kept('Edge')] };
const lit: SetupState = { id: 13, name: 'Lit', passes: [kept('Shadow', { rough: 'shade' }), kept('Glaze')] };

/** The passes of the page, as the list of passes gives them. */
function Live() {
    const passes = usePage((view) => view.records.pass);
    return <SetupPart passes={Object.entries(passes)} />;
}

async function seen(pass: Record<string, PassData> = {}, picked: number[] = []): Promise<BenchModel> {
    vi.spyOn(api, 'setups').mockResolvedValue([plain, rust, lit]);
    const bench = openWith({ pass, region: { 2: region(9, 50), 4: region(9, 60), 6: { ...region(8, 9), figure: 4 } } });
    bench.set({ target: { material: oilskin, figureName: 'Oda', tone: 'shade', pass: null }, pickedRegions: picked });
    show(bench, <Live />);
    unfold('Setups');
    await screen.findByLabelText('Setup');
    return bench;
}
const choose = (at: number): boolean =>
    fireEvent.change(screen.getByLabelText('Setup'), { target: { value: String(at) } });
const answered = (setups: SetupState[]) => vi.spyOn(api, 'applyToSeries').mockResolvedValue({ shown: setups } as never);
const hangs = (setup: number, place: number, marked: number[] = []): PassData => ({
    ...shade,
    setup: { setup, place, marked },
});

describe('hanging a setup', () => {
    it('hangs its passes on the material or on all of the figure', async () => {
        await seen();
        expect(screen.getByText('Shade · Rim')).toBeTruthy();
        press('Hang it on oilskin');
        press('on all of Oda');
        expect(asked).toMatchObject([
            { kind: 'setup.hang', name: 'Cloth', figure: 3, scope: { kind: 'material', id: 9 }, labels: [], setup: 0 },
            { kind: 'setup.hang', scope: { kind: 'figure', id: 3 }, labels: [] },
        ]);
        expect((asked[0] as unknown as { ids: string[] }).ids).toHaveLength(2);
        expect(screen.queryByText('Save as a file'), 'it lies ready; it is nobody’s').toBeNull();
    });
    it('paints what it holds in picked regions of the figure', async () => {
        await seen({}, [4, 6, 99]);
        choose(1);
        press('Paint it in the picked region');
        expect(asked).toMatchObject([{ name: 'Rust', setup: 12, labels: [4], scope: { kind: 'figure', id: 3 } }]);
    });
    it('says that regions are to be picked for what was painted', async () => {
        await seen();
        choose(1);
        expect(screen.getByText(/It holds what was painted: pick regions/)).toBeTruthy();
        expect(screen.getByText('Save as a file').getAttribute('href')).toBe(api.setupFileUrl(2, 12));
    });
    it('has a first light fill what it fills, where it is hung', async () => {
        const bench = await seen();
        const fill = vi.spyOn(bench.session.work, 'roughIn').mockResolvedValue(null);
        choose(2);
        expect(screen.getByText('A first light fills Shadow, by the plan of the page.')).toBeTruthy();
        press('Hang it on oilskin');
        expect(fill.mock.lastCall?.slice(0, 1)).toEqual([3]);
        expect(fill.mock.lastCall?.[2]).toEqual([2, 4]);
        press('on all of Oda');
        expect(fill.mock.lastCall?.[2], 'all of the figure').toEqual([]);
        expect((asked[0] as unknown as { ids: string[] }).ids[0]).toBe('rough3shade');
    });
});

describe('keeping a setup', () => {
    it('keeps the passes of the figure under a name, empty', async () => {
        await seen({ aaaaaa1: shade, rough3rim: { ...shade, name: 'Rim, rough' } });
        const keep = answered([plain]);
        expect(button('Keep these passes').disabled).toBe(true);
        type('Name of a new setup', ' Lantern ');
        press('Keep these passes');
        await vi.waitFor(() => expect(keep).toHaveBeenCalled());
        expect(keep.mock.lastCall?.slice(0, 3)).toMatchObject([
            2,
            'setup.keep',
            {
                name: 'Lantern',
                passes: [
                    { name: 'Shade', marks: null, rough: null },
                    { name: 'Rim, rough', marks: null, rough: 'rim' },
                ],
            },
        ]);
        expect((screen.getByLabelText('Name of a new setup') as HTMLInputElement).value).toBe('');
    });
    it('keeps what is painted in picked regions, and of them only passes that do something there', async () => {
        await seen({ aaaaaa1: shade, bbbbbb2: { ...shade, name: 'Glint' } }, [2, 4]);
        const marks = vi.spyOn(api, 'marks').mockResolvedValue({ marks: [null, 'BBBB'] });
        const keep = answered([plain]);
        type('Name of a new setup', 'Patch');
        press('Keep what is picked');
        await vi.waitFor(() => expect(keep).toHaveBeenCalled());
        expect(marks.mock.lastCall).toEqual([7, ['aaaaaa1', 'bbbbbb2'], [2, 4]]);
        expect((keep.mock.lastCall?.[2] as unknown as { passes: unknown[] }).passes).toMatchObject([
            { name: 'Glint', marks: 'BBBB' },
        ]);
    });
    it('has nothing to keep where no pass hangs', async () => {
        await seen();
        expect((screen.getByLabelText('Name of a new setup') as HTMLInputElement).disabled).toBe(true);
    });
});

describe('a setup of the series', () => {
    it('becomes what hangs here, and what is ticked beside it joins it', async () => {
        await seen({ spots01: { ...hangs(12, 0), opacity: 0.4 }, other01: { ...shade, name: 'Scratches' } });
        choose(1);
        const change = answered([plain, rust]);
        vi.spyOn(api, 'setupFollowers').mockResolvedValue([]);
        fireEvent.click(screen.getByLabelText('Scratches'));
        press('Change it to what hangs here');
        await vi.waitFor(() => expect(asked).toHaveLength(1));
        expect(change.mock.lastCall?.slice(0, 3)).toMatchObject([
            2,
            'setup.change',
            {
                setup: 12,
                passes: [{ name: 'Shade', opacity: 0.4, marks: 'AAAA' }, { name: 'Edge' }, { name: 'Scratches' }],
            },
        ]);
        expect(asked).toMatchObject([{ kind: 'setup.join', passes: ['other01'], setup: 12, first: 2, marked: [] }]);
    });
    it('is followed by the pages that are ticked, and says what came of each', async () => {
        await seen({ spots01: hangs(12, 0) });
        choose(1);
        answered([plain, rust]);
        const follower = (page: number, figures: string[]) => ({ page, number: page - 40, figures });
        vi.spyOn(api, 'setupFollowers').mockResolvedValue([follower(41, ['Oda', 'Tamsin']), follower(42, ['Oda'])]);
        const task = taskState({
            id: 5,
            kind: 'follow',
            outcomes: [{ page: 42, number: 2, why: 'follows now' } as never],
        });
        const begin = vi.spyOn(api, 'beginForSeries').mockResolvedValue(task);
        vi.spyOn(api, 'task').mockResolvedValue(task);
        press('Change it to what hangs here');
        await screen.findByText('These 2 pages follow');
        fireEvent.click(screen.getByLabelText(/p\. 1: Oda, Tamsin/));
        press('This page follows');
        await screen.findByText('follows now');
        expect(begin.mock.lastCall).toEqual([2, 'follow', { setup: 12, pages: [42], known: 2, before: rust.passes }]);
        press('Close');
        expect(screen.queryByText('Who follows Rust')).toBeNull();
    });
    it('is deleted, and the next one shows', async () => {
        await seen();
        choose(1);
        const retire = answered([plain, lit]);
        press('Delete it');
        await vi.waitFor(() => expect(screen.queryByText('Rust')).toBeNull());
        expect(retire.mock.lastCall?.slice(0, 3)).toEqual([2, 'setup.retire', { setup: 12 }]);
        await act(async () => undefined);
        expect(screen.getByText('Shadow · Glaze')).toBeTruthy();
    });
});
