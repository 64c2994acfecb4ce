// @vitest-environment happy-dom
/** What stands round the page: the rail, the palette, the tools, the line below, and the keys. */
import { act, cleanup, fireEvent, screen, within } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import type { PaletteState } from '../api/generated';
import { listen } from '../bench/keymap';
import type { BenchModel } from '../bench/model/model';
import { PaletteBoard } from '../bench/palette/PaletteBoard';
import { Rail } from '../bench/Rail';
import { SavingState } from '../bench/SavingState';
import { TargetLine } from '../bench/TargetLine';
import { ToolStrip } from '../bench/ToolStrip';
import { TOOLS } from '../bench/tools/registry';
import { STAGES, stageOf } from '../bench/stages/stage';
import type { PageView } from '../page/store';
import { asked, button, open, press, show } from './showing';
import { clogs, oilskin, pageState, region } from './world';

vi.mock('../bench/DeliverDialog', () => ({ DeliverDialog: () => <p>delivering</p> }));
vi.mock('../bench/palette/ToneEditor', () => ({
    ToneEditor: ({ material, tone }: { material: { name: string }; tone: string }) => (
        <p>
            editing {material.name} {tone}
        </p>
    ),
}));

const shown = (bench: BenchModel, part: ReactNode): void => show(bench, <MemoryRouter>{part}</MemoryRouter>);
const withPalette = (more: Partial<PaletteState>, records = pageState().records): BenchModel =>
    open({ palette: { ...pageState().palette, ...more }, records });
const told = (bench: BenchModel, change: Partial<PageView>): void => act(() => bench.session.store.setState(change));

const isPressed = (one: HTMLElement): string | null => one.getAttribute('aria-pressed');

describe('the rail', () => {
    it('says where one is, and goes from stage to stage', () => {
        const bench = open();
        shown(bench, <Rail />);
        const links = within(screen.getByRole('navigation', { name: 'Where you are' })).getAllByRole('link');
        expect(links.map((link) => [link.textContent, link.getAttribute('href')])).toEqual([
            ['Shelf', '/'],
            ['The Salt Ferry', '/series/2'],
        ]);
        expect(screen.getByText('p. 1').title).toBe('Noon');
        press(/^Light/);
        expect(bench.view.stage).toBe('light');
        const stages = within(screen.getByRole('navigation', { name: 'Stages' })).getAllByRole('button');
        expect(stages.map((one) => one.getAttribute('aria-pressed'))).toEqual(
            stages.map((one) => String(one.textContent?.startsWith('Light'))),
        );
        expect(stages).toHaveLength(STAGES.length);
    });
    it('takes back and does again what it names', () => {
        const bench = open({ journal: { undo: 'Fill two regions', redo: null, count: 3 } });
        const [undo, redo] = [vi.spyOn(bench.session, 'undo'), vi.spyOn(bench.session, 'redo')];
        undo.mockImplementation(() => undefined);
        redo.mockImplementation(() => undefined);
        shown(bench, <Rail />);
        expect([button('undo').title, button('undo').disabled, button('redo').disabled]).toEqual([
            'Undo: Fill two regions',
            false,
            true,
        ]);
        press('undo');
        told(bench, { journal: { undo: null, redo: 'Fill two regions', count: 3 } });
        expect([button('redo').title, button('undo').disabled]).toEqual(['Redo: Fill two regions', true]);
        press('redo');
        expect([undo.mock.calls.length, redo.mock.calls.length]).toEqual([1, 1]);
        cleanup();
        shown(open({ journal: { undo: 'Theirs', redo: null, count: 3 } }, false), <Rail />);
        expect(button('undo').disabled).toBe(true);
    });
    it('opens pictures, keys and delivering; a page without a size is not delivered', () => {
        const bench = open();
        shown(bench, <Rail />);
        press('pictures');
        expect([bench.view.arePicturesOpen, button('pictures').getAttribute('aria-pressed')]).toEqual([true, 'true']);
        press('pictures');
        expect(bench.view.arePicturesOpen).toBe(false);
        press('Keys');
        expect(bench.view.isKeySheetOpen).toBe(true);
        press('Deliver');
        expect(screen.getByText('delivering')).toBeTruthy();
        cleanup();
        shown(open({ records: { ...pageState().records, page: {} } }), <Rail />);
        expect(button('Deliver').disabled).toBe(true);
    });
});

describe('what is saved', () => {
    const says = (change: Partial<PageView>): string => {
        cleanup();
        const bench = open();
        shown(bench, <SavingState />);
        told(bench, change);
        return String(screen.getByRole('status').textContent);
    };

    it('is said in words, with what waits', () => {
        expect(says({ saving: 'saved' })).toBe('saved');
        expect(says({ saving: 'sending', unsent: 2 })).toBe('sending …');
        expect(says({ saving: 'offline', unsent: 1 })).toBe('server lost: 1 change waits here');
        expect(says({ saving: 'offline', unsent: 3 })).toBe('server lost: 3 changes wait here');
        expect(says({ saving: 'not-held', unsent: 2, holder: 'Ida' })).toBe('Ida has the page: 2 changes wait here');
        expect(says({ saving: 'not-held', unsent: 2, holder: null })).toMatch(/^another window has/);
        expect(says({ saving: 'saved', held: false, holder: 'Ida' })).toBe('watching Ida');
        expect(says({ saving: 'saved', held: false, holder: null })).toBe('watching');
        expect(says({ saving: 'saved', held: false, holder: 'Ida', role: 'viewer' })).toBe('saved');
    });
    it('goes on after signing in, or without the change that fails', () => {
        const bench = open();
        const retry = vi.spyOn(bench.session.outbox, 'retry').mockImplementation(() => undefined);
        const giveUp = vi.spyOn(bench.session.outbox, 'giveUp').mockResolvedValue(undefined);
        shown(bench, <SavingState />);
        expect(screen.queryByRole('button')).toBeNull();
        told(bench, { saving: 'signed-out', unsent: 1 });
        press('then go on');
        told(bench, { saving: 'failing' });
        press('Discard this change');
        expect([retry.mock.calls.length, giveUp.mock.calls.length]).toEqual([1, 1]);
    });
});

describe('the palette beside the page', () => {
    it('has the tones of each material; picking one sets where paint goes', () => {
        const bench = open();
        shown(bench, <PaletteBoard />);
        const light = button('Oda oilskin light');
        expect(light.title).toBe('light #013000, derived · double-click to edit');
        expect(button('Oda oilskin base').title).toMatch(/^base #012000, pinned/);
        fireEvent.click(light);
        expect(bench.view.target).toMatchObject({ figureName: 'Oda', tone: 'light', pass: null, material: { id: 9 } });
        expect([light, button('Oda oilskin shade'), button('Tamsin clogs light')].map(isPressed)).toEqual([
            'true',
            'false',
            'false',
        ]);
        press('Edit tone');
        expect(screen.getByText('editing oilskin light')).toBeTruthy();
        fireEvent.doubleClick(button('Tamsin clogs deep'));
        expect(screen.getByText('editing clogs deep')).toBeTruthy();
    });
    it('is looked at by who may not colour', () => {
        shown(open({ role: 'flatter' }), <PaletteBoard />);
        fireEvent.doubleClick(button('Tamsin clogs deep'));
        fireEvent.click(button('Tamsin clogs deep'));
        expect([screen.queryByText(/^editing/), screen.queryByText('Edit tone')]).toEqual([null, null]);
    });
    it('says which version and which variant the page has, and shows those that are used', () => {
        const variant = (id: number, name: string, of: number) => ({ id, name, materials: { [of]: clogs.tones } });
        const bench = withPalette(
            {
                held: 'Book 1',
                variant: 'Night',
                variants: [variant(0, 'the palette', 9), variant(4, 'Fog', 9), variant(5, 'Storm', 9)],
            },
            { ...pageState().records, region: { 1: { ...region(9, 4), variant: 5 } } },
        );
        shown(bench, <PaletteBoard />);
        expect(screen.getByText(/holds “Book 1”/)).toBeTruthy();
        expect(screen.getByText(/uses the variant “Night”/)).toBeTruthy();
        expect(screen.getAllByRole('img').map(({ title }) => title)).toEqual([
            'oilskin in the palette',
            'oilskin in Storm',
        ]);
        cleanup();
        shown(withPalette({ figures: [] }), <PaletteBoard />);
        expect(screen.getByText(/The palette is empty/)).toBeTruthy();
    });
    it('has the named tones of a material under the six', () => {
        const named = { ...oilskin, more: [{ tone: 'more-2' as const, name: 'wet' }] };
        const figures = [{ id: 3, name: 'Oda', depth: 2, soft: false, follows: null, materials: [named] }];
        const bench = withPalette({ figures });
        shown(bench, <PaletteBoard />);
        press('Oda oilskin wet');
        expect(bench.view.target?.tone).toBe('more-2');
    });
});

describe('tools', () => {
    it('are those of the stage; the picked one shows what it can be set to', () => {
        const bench = open();
        act(() => bench.choose('light'));
        shown(bench, <ToolStrip />);
        const bar = screen.getByRole('toolbar', { name: 'Light tools' });
        const tools = stageOf('light').tools.map((id) => TOOLS[id]);
        const names = (): string[] =>
            within(bar)
                .getAllByRole('button')
                .map((one) => String(one.textContent));
        expect(names().slice(0, tools.length)).toEqual(tools.map(({ name, key }) => `${name} ${key}`));
        fireEvent.click(within(bar).getByText(TOOLS.erase.name));
        expect(bench.view.tool).toBe('erase');
        const picked = within(bar)
            .getAllByRole('button')
            .filter((one) => isPressed(one) === 'true');
        expect(picked.map((one) => one.title)).toEqual([TOOLS.erase.what]);
    });
    it('that can be mirrored have a switch for it', () => {
        const bench = open();
        act(() => bench.choose('light'));
        bench.set({ tool: 'pen' });
        shown(bench, <ToolStrip />);
        press(/^Mirror/);
        expect(bench.view.axis).not.toBeNull();
        act(() => bench.set({ tool: 'pick' }));
        expect(screen.queryByText(/^Mirror/)).toBeNull();
    });
    it('a stage without a choice has no strip', () => {
        const bench = open();
        act(() => bench.choose('proof'));
        shown(bench, <ToolStrip />);
        expect(screen.queryByRole('toolbar') === null).toBe(stageOf('proof').tools.length < 2);
    });
});

describe('the line below', () => {
    it('says what the hand will do, and what lies under it', () => {
        const bench = open();
        shown(bench, <TargetLine />);
        const under = (label: number | null): string => {
            act(() => bench.set({ under: label === null ? null : { label, x: 40, y: 50 } }));
            return String(document.querySelector('footer span:last-child')?.textContent);
        };
        expect(under(2)).toBe('under pointer: Oda’s oilskin, base #012000');
        expect(under(3)).toBe('under pointer: unfilled, 40, 50');
        expect([under(99), under(null)]).toEqual(['', '']);
        const sentence = (): string => String(document.getElementById('target-sentence')?.textContent);
        const before = sentence();
        act(() => bench.choose('light'));
        act(() =>
            bench.set({ tool: 'pen', target: { material: oilskin, figureName: 'Oda', tone: 'shade', pass: null } }),
        );
        expect(sentence()).toBe(TOOLS.pen.sentence(bench));
        expect(sentence()).not.toBe(before);
    });
});

describe('keys', () => {
    const surface = {
        pan: vi.fn(),
        zoom: vi.fn(),
        fit: vi.fn(),
        mirror: vi.fn(),
        turn: vi.fn(),
        cancel: vi.fn(),
        end: vi.fn(),
        middle: vi.fn(),
    };
    const held = (bench: BenchModel, key: string, more: Partial<KeyboardEventInit> = {}): void => {
        const stop = listen(bench);
        fireEvent.keyDown(document.body, { key, ...more });
        stop();
    };
    const letGo = (bench: BenchModel, key: string): void => {
        const stop = listen(bench);
        fireEvent.keyUp(document.body, { key });
        stop();
    };
    const opened = (): BenchModel => {
        const bench = open();
        Object.values(surface).forEach((one) => one.mockReset());
        bench.surface = surface as never;
        bench.choose('light');
        bench.set({
            target: { material: oilskin, figureName: 'Oda', tone: 'base', pass: null },
            tool: 'pen',
            size: 40,
        });
        return bench;
    };

    it('pick tones dark to light, and the colour of lines', () => {
        const bench = opened();
        const tones = ['1', '2', '3', '4', '5', '0'].map((key) => {
            held(bench, key);
            return bench.view.target?.tone;
        });
        expect(tones).toEqual(['deep', 'shade', 'base', 'light', 'glint', 'line']);
        // It has no named ones.
        held(bench, '6');
        expect(bench.view.target?.tone).toBe('line');
    });
    it('step through figures that have materials, there and back', () => {
        const bench = opened();
        held(bench, 'c');
        expect(bench.view.target?.figureName).toBe('Tamsin');
        held(bench, 'c');
        expect(bench.view.target?.figureName).toBe('Oda');
        held(bench, 'C', { shiftKey: true });
        expect(bench.view.target?.figureName).toBe('Tamsin');
    });
    it('move, zoom, turn and mirror the page', () => {
        const bench = opened();
        for (const key of ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', '+', '=', '-', 'o', 'v', 'r'])
            held(bench, key);
        held(bench, 'R', { shiftKey: true });
        expect(surface.pan.mock.calls).toEqual([
            [60, 0],
            [-60, 0],
            [0, 60],
            [0, -60],
        ]);
        expect(surface.zoom.mock.calls).toEqual([[1.25], [1.25], [0.8]]);
        expect([surface.fit.mock.calls.length, surface.mirror.mock.calls.length]).toEqual([1, 1]);
        expect(surface.turn.mock.calls).toEqual([[Math.PI / 12], [-Math.PI / 12]]);
    });
    it('change something as long as they are held', () => {
        const bench = opened();
        held(bench, 'e');
        held(bench, 'e', { repeat: true });
        expect(bench.view.tool).toBe('erase');
        letGo(bench, 'e');
        expect(bench.view.tool).toBe('pen');
        held(bench, '.');
        expect(bench.view.isUnlit).toBe(true);
        letGo(bench, '.');
        expect(bench.view.isUnlit).toBe(false);
        held(bench, ',');
        expect(bench.view.isComparing).toBe(false);
        bench.set({ compared: 'storm' as never });
        held(bench, ',');
        expect(bench.view.isComparing).toBe(true);
        letGo(bench, ',');
        expect(bench.view.isComparing).toBe(false);
    });
    it('make the brush larger and smaller, grey the page and clear it of what lies over it', () => {
        const bench = opened();
        held(bench, ']');
        expect(bench.view.size).toBe(50);
        held(bench, '[');
        expect(bench.view.size).toBe(40);
        const { grey, overlays } = bench.view;
        held(bench, 'g');
        held(bench, 'h');
        expect([bench.view.grey, bench.view.overlays]).toEqual([!grey, !overlays]);
        held(bench, 'y');
        expect(bench.view.axis).not.toBeNull();
        bench.set({ tool: 'pick', axis: null });
        held(bench, 'y');
        expect(bench.view.axis).toBeNull();
        held(bench, '?');
        expect(bench.view.isKeySheetOpen).toBe(true);
    });
    it('end a shape under way, or call it off with all that is picked', () => {
        const bench = opened();
        bench.set({ draft: [{ x: 1, y: 1 }] as never });
        held(bench, 'Enter');
        expect(surface.end).not.toHaveBeenCalled();
        bench.set({
            draft: [
                { x: 1, y: 1 },
                { x: 9, y: 1 },
            ] as never,
        });
        held(bench, 'Enter');
        expect(surface.end).toHaveBeenCalledOnce();
        bench.set({ isDrawingFlow: true, pickedRegions: [2] });
        surface.cancel.mockReset();
        held(bench, 'Escape');
        expect([bench.view.isDrawingFlow, bench.view.pickedRegions]).toEqual([false, [2]]);
        held(bench, 'Escape');
        expect([bench.view.draft, bench.view.pickedRegions, surface.cancel.mock.calls.length]).toEqual([[], [], 2]);
        expect(asked).toEqual([]);
    });
    it('look for what is unfilled in the flats alone', () => {
        const bench = opened();
        const next = vi.spyOn(bench.flats, 'nextUnfilled').mockImplementation(() => undefined);
        held(bench, 'n');
        expect(next).not.toHaveBeenCalled();
        bench.choose('flats');
        held(bench, 'n');
        expect(next).toHaveBeenCalledOnce();
        const remove = vi.spyOn(bench.ink, 'removePicked').mockImplementation(() => undefined);
        held(bench, 'Delete');
        held(bench, 'Backspace');
        expect(remove).toHaveBeenCalledTimes(2);
    });
});
