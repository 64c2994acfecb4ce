import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Applied } from '../api/client';
import { api } from '../api/client';
import type { FeedState, InkStrokeData, RecordNow } from '../api/generated';
import { Failure } from '../api/http';
import { PageSession } from '../page/session';
import type { OutboxEntry, OutboxStorage } from '../page/outboxStorage';
import { mayColour, mayFlat, sizeOf, whyNot } from '../page/store';
import { oilskin, pageState, quiet, region, shade, stubWindow } from './world';
import { keepTo, paintMask } from '../page/commands/masks';
import { fillRegions } from '../page/ops/flats/fillRegions';
import { drawInk } from '../page/ops/ink/drawInk';
import { addPass } from '../page/ops/passes/addPass';
import { changePass } from '../page/ops/passes/changePass';
import { groupPasses } from '../page/ops/passes/groupPasses';
import { removePass } from '../page/ops/passes/removePass';
import { softenMask } from '../page/ops/passes/softenMask';
import { filledWith } from '../page/ops/shown';
import { randomId } from '../page/ids';

vi.mock('../api/client', () => ({ api: {} }));

/** Keeps nothing, but remembers what it was asked to. */
class Memory implements OutboxStorage {
    kept: OutboxEntry[] = [];
    claim = async (): Promise<boolean> => true;
    load = async (): Promise<OutboxEntry[]> => [];
    add = async (entry: OutboxEntry): Promise<void> => void this.kept.push(entry);
    remove = async (): Promise<void> => undefined;
}

const journal = { undo: 'Fill a region', redo: null, count: 2 };
const answer = (more: Partial<Applied> = {}): Applied => ({
    revision: 6,
    title: 'Fill a region',
    tiles: [],
    records: [],
    journal,
    ...more,
});
let session: PageSession;

function open(server: Partial<typeof api>, state = pageState()): PageSession {
    Object.assign(api, {
        lease: async () => ({ held: true, holder: 'Mira' }),
        feed: async () => quiet,
        tasks: async () => [],
        tiles: async () => [],
        giveBack: () => undefined,
        ...server,
    });
    session = new PageSession(state, 1, new Memory());
    return session;
}

const saved = (): Promise<void> => vi.waitFor(() => expect(session.view.saving).toBe('saved'));

beforeEach(stubWindow);
afterEach(() => {
    session.end();
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
});

describe('a change', () => {
    it('is not taken back by the answer to an earlier one', async () => {
        const answers: ((applied: Applied) => void)[] = [];
        open({ apply: () => new Promise<Applied>((resolve) => answers.push(resolve)) });
        const line = (weight: number): InkStrokeData => ({
            points: [[1, 2, 1]],
            weight,
            taper: 0,
            steady: 0,
            grain: 0,
        });
        const weights = (): number[] => Object.values(session.view.records.stroke).map(({ weight }) => weight);
        session.apply(
            drawInk({
                strokes: [
                    { id: 'line0001', stroke: line(4) },
                    { id: 'line0002', stroke: line(14) },
                ],
            }),
        );
        session.apply(drawInk({ strokes: [{ id: 'line0001', stroke: line(5) }] }));
        await vi.waitFor(() => expect(answers).toHaveLength(1));
        const told = (revision: number, ...lines: [string, number][]): Applied =>
            answer({ revision, records: lines.map(([id, weight]): RecordNow => ['stroke', id, line(weight)]) });
        answers[0](told(6, ['line0001', 4], ['line0002', 15]));
        await vi.waitFor(() => expect(answers).toHaveLength(2));
        expect(weights()).toEqual([5, 15]);
        answers[1](told(7, ['line0001', 5.5]));
        await saved();
        expect(weights()).toEqual([5.5, 15]);
    });

    it('shows at once, is sent on the known revision, and the answer is taken', async () => {
        const apply = vi.fn(async () => answer({ records: [['region', '1', { ...region(9, 90, 11, 12) }]] }));
        open({ apply });
        session.apply(fillRegions({ labels: [1, 77], ...filledWith(oilskin) }));
        expect(session.view.records.region[1]).toMatchObject({ figure: 3, material: 9, area: 90 });
        expect(session.view.records.region[77]).toBeUndefined();
        expect(session.view).toMatchObject({ saving: 'sending', unsent: 1 });
        expect(session.view.stack.flats.get(1)).toMatchObject({ material: 9 });
        await saved();
        expect(apply).toHaveBeenCalledWith(7, expect.objectContaining({ base: 5, lease: session.lease.token }), {
            kind: 'fill',
            labels: [1, 77],
            figure: 3,
            material: 9,
        });
        expect(session.view).toMatchObject({ revision: 6, journal, unsent: 0 });
    });
    it('of a region to nothing takes figure and material away', async () => {
        open({ apply: async () => answer() });
        session.apply(fillRegions({ labels: [2], ...filledWith(null) }));
        expect(session.view.records.region[2]).toMatchObject({ figure: 0, material: 0 });
        await saved();
    });
    it('of a pass is shown while the slider moves and sent when it is let go', async () => {
        const apply = vi.fn(async () => answer());
        open({ apply }, pageState({ records: { ...pageState().records, pass: { shade1: shade } } }));
        session.preview(changePass({ id: 'shade1', values: { opacity: 0.3 } }));
        expect(session.view.records.pass.shade1.opacity).toBe(0.3);
        expect(apply).not.toHaveBeenCalled();
        session.apply(changePass({ id: 'shade1', values: { opacity: 0.4 } }));
        await saved();
        expect(apply).toHaveBeenCalledWith(7, expect.anything(), {
            kind: 'pass.change',
            id: 'shade1',
            values: { opacity: 0.4 },
        });
        session.preview(changePass({ id: 'nosuch', values: { opacity: 0.1 } }));
        expect(session.view.records.pass.nosuch).toBeUndefined();
    });
    it('that hides a pass by painting hangs a rolled-up one beside it', async () => {
        const asked: unknown[] = [];
        open(
            { apply: async (_page, _asking, op) => (asked.push(op), answer({ revision: 6 })) },
            pageState({ records: { ...pageState().records, pass: { shade001: shade } } }),
        );
        expect(paintMask(session, 'shade001', 'mask0001')).toBe('mask0001');
        expect(session.view.records.pass.mask0001).toMatchObject({
            name: 'Mask of Shade',
            visible: false,
            figure: 3,
            content: { kind: 'tint' },
        });
        expect(session.view.records.pass.shade001.mask).toEqual({ pass: 'mask0001', outside: true });
        await saved();
        expect(asked).toMatchObject([
            { kind: 'pass.add', id: 'mask0001' },
            { kind: 'pass.change', id: 'shade001', values: { mask: { pass: 'mask0001', outside: true } } },
        ]);
    });
    it('that keeps a pass to regions covers them in a mask of its own', async () => {
        const asked: unknown[] = [];
        open(
            { apply: async (_page, _asking, op) => (asked.push(op), answer({ revision: 6 })) },
            pageState({ records: { ...pageState().records, pass: { shade001: shade } } }),
        );
        keepTo(session, 'shade001', [2, 5], 12);
        const mask = session.view.records.pass.shade001.mask;
        expect(mask?.outside).toBe(false);
        expect(session.view.records.pass[mask?.pass ?? '']).toMatchObject({ name: 'Mask of Shade', visible: false });
        await saved();
        expect(asked).toMatchObject([
            {
                kind: 'paint.pour',
                labels: [2, 5],
                fade: 12,
                laying: { pass: mask?.pass, make: { content: { kind: 'tint' }, visible: false }, opacity: 1 },
            },
            { kind: 'pass.change', id: 'shade001', values: { mask } },
        ]);
        session.apply(softenMask({ id: 'shade001', mask: randomId(12), by: 7.5 }));
        await saved();
        expect(asked[2]).toMatchObject({ kind: 'mask.soften', id: 'shade001', by: 7.5 });
    });
    it('that hangs a pass shows it on top of its figure’s', async () => {
        open(
            { apply: async () => answer() },
            pageState({ records: { ...pageState().records, pass: { shade1: { ...shade, order: 3 } } } }),
        );
        session.apply(
            addPass({
                id: randomId(12),
                pass: {
                    name: 'Rim',
                    figure: 3,
                    content: { kind: 'tint', colour: '#ffffff', follows: null },
                    scope: shade.scope,
                },
            }),
        );
        const [, made] = Object.entries(session.view.records.pass).find(([id]) => id !== 'shade1') ?? [];
        expect(made).toMatchObject({ name: 'Rim', order: 4, visible: true, mask: null });
        session.apply(removePass({ id: 'shade1' }));
        expect(Object.keys(session.view.records.pass)).toHaveLength(1);
        await saved();
    });
    it('of a group is shown at once, and parting waits for the server', async () => {
        const apply = vi.fn(async () => answer());
        const group = { isolated: true, mode: 'normal' as const, opacity: 1 };
        open({ apply }, pageState({ records: { ...pageState().records, group: { group1: group } } }));
        session.apply(groupPasses({ id: 'group1', passes: [], how: { ...group, opacity: 0.5 } }));
        expect(session.view.records.group.group1.opacity).toBe(0.5);
        session.apply(groupPasses({ id: 'group1', passes: ['a', 'b'], how: null }));
        await saved();
        expect(apply).toHaveBeenLastCalledWith(7, expect.anything(), {
            kind: 'group',
            id: 'group1',
            passes: ['a', 'b'],
            how: null,
        });
    });
    it('made beside a refused one stays, whichever answer comes first', async () => {
        const filled = region(9, 90);
        const pages: ((state: ReturnType<typeof pageState>) => void)[] = [];
        const page = vi.fn(() => new Promise<ReturnType<typeof pageState>>((resolve) => pages.push(resolve)));
        const apply = vi
            .fn()
            .mockRejectedValueOnce(new Failure('refused', 'The pass is gone already.', 422))
            .mockResolvedValueOnce(answer({ records: [['region', '1', filled]] }));
        open({ apply, page });
        session.apply(removePass({ id: 'nosuchpass' }));
        session.apply(fillRegions({ labels: [1], ...filledWith(oilskin) }));
        await saved();
        expect([session.view.revision, session.view.records.region[1].material]).toEqual([6, 9]);
        // The page that was fetched for the refusal is older than the answer that came meanwhile.
        await vi.waitFor(() => expect(pages).toHaveLength(1));
        pages[0](pageState());
        await vi.waitFor(() => expect(pages).toHaveLength(2));
        expect([session.view.revision, session.view.records.region[1].material]).toEqual([6, 9]);
        const { records } = pageState();
        pages[1](pageState({ revision: 7, records: { ...records, region: { ...records.region, 1: filled } } }));
        await vi.waitFor(() => expect(session.view.revision).toBe(7));
        expect(session.view.records.region[1].material).toBe(9);
    });

    it('is not kept from a page that was put back to an earlier one', async () => {
        const page = vi.fn(async () => pageState({ revision: 2 }));
        open({ page });
        await session.reload();
        expect(session.view.revision).toBe(2);
    });

    it('that is refused says so by its name, and the true page is fetched', async () => {
        const page = vi.fn(async () => pageState({ revision: 9 }));
        open({ apply: async () => Promise.reject(new Failure('refused', 'There is no region there.', 422)), page });
        session.apply(fillRegions({ labels: [1], ...filledWith(oilskin) }));
        await vi.waitFor(() => expect(session.view.revision).toBe(9));
        expect(session.view.message).toBe('The fill was not done. There is no region there.');
        expect(session.view.records.region[1].material).toBe(0);
    });
    it('on a page that has moved on catches up first', async () => {
        const apply = vi
            .fn()
            .mockRejectedValueOnce(new Failure('conflict', 'Moved on.', 409, { reason: 'revision' }))
            .mockResolvedValue(answer({ revision: 8 }));
        const feed = vi.fn(async () => ({
            ...quiet,
            revision: 7,
            journal,
            records: [['region', '3', region(9, 400)] as FeedState['records'][0]],
        }));
        open({ apply, feed });
        session.apply(fillRegions({ labels: [1], ...filledWith(oilskin) }));
        await saved();
        expect(apply.mock.calls.map(([, asking]) => asking.base)).toEqual([5, 7]);
        expect(session.view.records.region[3].material).toBe(9);
        expect(session.view.revision).toBe(8);
    });
    it('undone and done again goes the same way', async () => {
        const undo = vi.fn(async () => answer({ revision: 6 }));
        const redo = vi.fn(async () => answer({ revision: 7 }));
        open({ undo, redo });
        session.undo();
        session.redo();
        await saved();
        expect([undo.mock.calls.length, redo.mock.calls.length, session.view.revision]).toEqual([1, 1, 7]);
    });
});

describe('what others do', () => {
    it('comes as differences: records, tiles, palette', async () => {
        const state = pageState();
        const palette = { ...state.palette, version: 5, light: '#000000' };
        open({
            feed: async () => ({
                ...quiet,
                revision: 8,
                palette: 5,
                paletteState: palette,
                journal,
                records: [['region', '2', region(0, 50)]],
                tiles: [['ink', 1, 0, 'new']],
            }),
        });
        const rename = vi.spyOn(session.tiles, 'rename');
        await session.start();
        await vi.waitFor(() => expect(session.view.revision).toBe(8));
        expect(session.view.palette).toBe(palette);
        expect(session.view.records.region[2].material).toBe(0);
        expect(session.view.records.region[1].area).toBe(90);
        expect(rename).toHaveBeenCalledWith('ink', 1, 0, 'new');
    });
    it('is fetched whole when differences cannot be told', async () => {
        const page = vi.fn(async () => pageState({ revision: 40, title: 'Later' }));
        open({ feed: async () => ({ ...quiet, revision: 40, reset: true }), page });
        await session.start();
        await vi.waitFor(() => expect(session.view).toMatchObject({ revision: 40, title: 'Later' }));
    });
    it('of a tone shows theirs when both changed it', async () => {
        const theirs = { ...oilskin, version: 3, tones: { ...oilskin.tones, shade: '#abcdef' } };
        open({
            applyToSeries: async () =>
                Promise.reject(new Failure('conflict', 'Somebody changed oilskin meanwhile.', 409, { theirs })),
        });
        const pinned = session.palette.pin(oilskin, 'shade', '#123456');
        expect(session.view.palette.figures[0].materials[0].tones.shade).toBe('#123456');
        await pinned;
        expect(session.view.palette.figures[0].materials[0]).toEqual(theirs);
        expect(session.view.message).toContain('Somebody changed oilskin');
    });
    it('of a tone of mine is what the server made of it', async () => {
        const { palette } = pageState();
        const asked: unknown[] = [];
        const figures = [{ ...palette.figures[0], materials: [{ ...oilskin, version: 2 }] }];
        const answer = {
            title: 'Derive oilskin',
            added: null,
            version: 12,
            shown: { ...palette, version: 12, figures },
        };
        const applyToSeries = (async (...args: unknown[]) => {
            asked.push(...args);
            return answer;
        }) as typeof api.applyToSeries;
        open({ applyToSeries });
        await session.palette.pin(oilskin, 'shade', null);
        const { series, id } = session.view;
        const input = { material: oilskin.id, version: oilskin.version, tones: { shade: null } };
        expect(asked).toEqual([series.id, 'tones.pin', input, expect.stringMatching(/^[a-z0-9]{20}$/), id]);
        expect(session.view.palette).toMatchObject({ version: 12 });
        expect(session.view.palette.figures[0].materials[0].version).toBe(2);
    });
});

describe('holding the page', () => {
    it('is told to the panels, with why the hand does nothing otherwise', async () => {
        const answers = [{ held: false, holder: 'Ida' }];
        open({ lease: async () => answers[0], feed: async () => ({ ...quiet, holder: { id: 2, name: 'Ida' } }) });
        expect(whyNot(session.view, 'flat')).toMatch(/not yours yet/);
        await session.start();
        await vi.waitFor(() => expect(session.view.holder).toBe('Ida'));
        expect([mayFlat(session.view), mayColour(session.view), whyNot(session.view, 'colour')]).toEqual([
            false,
            false,
            'Ida is working on this page; you are watching.',
        ]);
        answers[0] = { held: true, holder: 'Mira' };
        await session.lease.beat();
        expect([mayFlat(session.view), mayColour(session.view)]).toEqual([true, true]);
        expect(sizeOf(session.view)).toMatchObject({ width: 600 });
    });
    it('gives a flatter the regions and a viewer nothing', async () => {
        open({}, pageState({ role: 'flatter' }));
        await session.start();
        await vi.waitFor(() => expect(session.view.held).toBe(true));
        expect([mayFlat(session.view), mayColour(session.view)]).toEqual([true, false]);
        expect(whyNot(session.view, 'colour')).toContain('flatting');
        expect(whyNot({ ...session.view, role: 'viewer' }, 'flat')).toContain('looking');
        expect(mayFlat({ ...session.view, role: 'viewer' })).toBe(false);
    });
    it('is given back when the window goes', async () => {
        const giveBack = vi.fn();
        open({ giveBack });
        await session.start();
        await vi.waitFor(() => expect(session.view.held).toBe(true));
        session.end();
        session.end();
        expect(giveBack.mock.calls).toEqual([[7, session.lease.token]]);
    });
});
