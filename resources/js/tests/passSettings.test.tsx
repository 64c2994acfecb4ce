// @vitest-environment happy-dom
/** What a pass and its group can be set to, the list they hang in, and curves that are drawn by hand. */
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { describe, expect, it, vi } from 'vitest';
import type { CurveData, GroupData, PassData } from '../api/generated';
import { usePage } from '../bench/model/context';
import type { BenchModel } from '../bench/model/model';
import { GroupSettings } from '../bench/panels/passes/GroupSettings';
import { announcementsOf, PassList } from '../bench/panels/passes/PassesAwning';
import { PassSettings } from '../bench/panels/passes/PassSettings';
import { CurveSettings } from '../bench/panels/passes/passKinds/CurveSettings';
import { CurveField } from '../ui/CurveField';
import { asked, button, open, openWith, press, show, slide, type, unfold } from './showing';
import { pageState, shade } from './world';

const rim: PassData = { ...shade, name: 'Rim', order: 2, content: { kind: 'tint', colour: '#ffffff', follows: null } };
const together: GroupData = { isolated: true, mode: 'multiply', opacity: 0.5 };

/** The pass as it is shown, after each change. */
function Live({ children }: { children: (pass: PassData) => ReactNode }) {
    const pass = usePage((view) => view.records.pass.rim00001 as PassData | undefined);
    return pass === undefined ? null : children(pass);
}

describe('the settings of a pass', () => {
    const set = (pass: PassData, below: [string, PassData] | null = null, more = {}): BenchModel => {
        const bench = openWith({ pass: { rim00001: pass, ...(below && { [below[0]]: below[1] }), ...more } });
        show(bench, <Live>{(now) => <PassSettings id="rim00001" pass={now} below={below} />}</Live>);
        return bench;
    };

    it('roll it up and let it down', () => {
        set(rim);
        press('Roll up');
        expect(asked).toEqual([{ kind: 'pass.change', id: 'rim00001', values: { visible: false } }]);
        cleanup();
        set({ ...rim, visible: false });
        press('Let down');
        expect(asked[1]).toMatchObject({ values: { visible: true } });
    });
    it('show it alone and all again, which asks for nothing', () => {
        const bench = set(rim);
        press('Show alone');
        expect(bench.view.solo).toBe('rim00001');
        press('Show all again');
        expect([bench.view.solo, asked]).toEqual([null, []]);
    });
    it('move the picture while its opacity slides, and tell the server once', () => {
        const bench = set(rim);
        const tried = vi.spyOn(bench.session, 'preview');
        slide('Opacity', 35);
        expect(tried.mock.calls[0][0]).toMatchObject({ kind: 'pass.change', values: { opacity: 0.35 } });
        expect(asked).toEqual([{ kind: 'pass.change', id: 'rim00001', values: { opacity: 0.35 } }]);
    });
    it('name it anew, without what stands about the name, and not by nothing or the same', () => {
        set(rim);
        for (const name of ['', '   ', ' Rim ', '  Moon rim ']) type('Name', name);
        expect(asked).toEqual([{ kind: 'pass.change', id: 'rim00001', values: { name: 'Moon rim' } }]);
    });
    it('duplicate and remove it', () => {
        set(rim);
        press('Duplicate');
        press('Remove');
        expect(asked).toMatchObject([
            { kind: 'pass.copy', from: 'rim00001' },
            { kind: 'pass.remove', id: 'rim00001' },
        ]);
    });
    it('turn its colours, and give them back', () => {
        set(rim);
        unfold('Its colours');
        slide('Hue', 40);
        expect(asked).toMatchObject([{ values: { turn: { hue: 40 } } }]);
        cleanup();
        set({ ...rim, turn: { lightness: 0.1, chroma: 1, hue: 0 } });
        unfold('Its colours');
        press('As they are');
        expect(asked[1]).toMatchObject({ values: { turn: null } });
    });
    it('merge it into one that is alike, or a copy of both', () => {
        set(rim, ['below001', { ...rim, name: 'Low rim', order: 1 }]);
        press('Merge into Low rim');
        press('Merge a copy');
        expect(asked).toMatchObject([
            { kind: 'pass.merge', id: 'rim00001', into: 'below001', copy: null },
            { kind: 'pass.merge', id: 'rim00001', into: 'below001', copy: expect.stringMatching(/^[a-z0-9]{12}$/) },
        ]);
    });
    for (const [what, change] of Object.entries({
        'laid by another mode': { mode: 'multiply' },
        'rolled up': { visible: false },
        masked: { mask: { pass: 'rim00001', outside: false } },
        'of another group': { group: 'group001' },
        'of another colour': { content: { kind: 'tint', colour: '#000000', follows: null } },
        'of another material': { scope: { kind: 'material', id: 3 } },
        'of another figure': { scope: { kind: 'figure', id: 4 } },
    } as Record<string, Partial<PassData>>))
        it(`do not merge it into one that is ${what}`, () => {
            set(rim, ['below001', { ...rim, ...change }]);
            expect(screen.queryByText(/^Merge/)).toBeNull();
        });
    it('change nothing where one may only look', () => {
        const bench = open({ role: 'viewer', records: { ...pageState().records, pass: { rim00001: rim } } });
        show(bench, <PassSettings id="rim00001" pass={rim} below={null} />);
        for (const name of ['Roll up', 'Duplicate', 'Remove']) expect(button(name).disabled, name).toBe(true);
        expect(button('Show alone').disabled, 'looking is free').toBe(false);
    });
});

describe('the group of a pass', () => {
    const set = (pass: PassData, below: [string, PassData] | null, group = together): void => {
        const pass_ = { rim00001: pass, ...(below && { [below[0]]: below[1] }) };
        show(
            openWith({ pass: pass_, group: { group001: group } }),
            <GroupSettings id="rim00001" pass={pass} below={below} />,
        );
    };

    it('is made with the one below, blending as one', () => {
        set(rim, ['below001', { ...rim, name: 'Low rim', order: 1 }]);
        press('Group with Low rim');
        expect(asked).toMatchObject([
            {
                kind: 'group',
                passes: ['below001', 'rim00001'],
                how: { isolated: true, mode: 'normal', opacity: 1 },
            },
        ]);
    });
    it('is that of the one below, as it is, where that has one', () => {
        set(rim, ['below001', { ...rim, group: 'group001', order: 1 }]);
        press('Group with Rim');
        expect(asked).toEqual([{ kind: 'group', id: 'group001', passes: ['rim00001'], how: together }]);
    });
    it('is not made with one that lies in another place', () => {
        set(rim, ['below001', { ...rim, scope: { kind: 'page', id: 0 } }]);
        expect(screen.queryByRole('button')).toBeNull();
        cleanup();
        set(rim, null);
        expect(screen.queryByRole('button')).toBeNull();
    });
    it('is set as a whole', () => {
        set({ ...rim, group: 'group001' }, null);
        slide('Opacity', 80);
        fireEvent.click(screen.getByLabelText('blends among itself first'));
        press('Ungroup');
        const of = { kind: 'group', id: 'group001', passes: [] };
        expect(asked).toEqual([
            { ...of, how: { ...together, opacity: 0.8 } },
            // A group that is not blended by itself has no mode of its own.
            { ...of, how: { isolated: false, mode: 'normal', opacity: expect.any(Number) } },
            { ...of, how: null },
        ]);
    });
    it('has a mode only where it is blended by itself', () => {
        set({ ...rim, group: 'group001' }, null);
        expect(screen.getByText('Blend: multiply')).toBeTruthy();
        cleanup();
        set({ ...rim, group: 'group001' }, null, { isolated: false, mode: 'normal', opacity: 1 });
        expect(screen.queryByText(/^Blend/)).toBeNull();
    });
    it('lets one out, which hangs over the rest', () => {
        const bench = openWith({
            pass: {
                rim00001: { ...rim, group: 'group001', order: 1 },
                other001: { ...rim, group: 'group001', order: 2 },
                above001: { ...rim, order: 4 },
                far00001: { ...rim, figure: 9, order: 3 },
            },
            group: { group001: together },
        });
        show(bench, <GroupSettings id="rim00001" pass={bench.session.view.records.pass.rim00001} below={null} />);
        press('Take this one out');
        expect(asked).toEqual([{ kind: 'pass.change', id: 'rim00001', values: { group: null, order: 3 } }]);
    });
});

describe('the list of passes', () => {
    const hung = {
        top00001: { ...rim, name: 'Top', figure: 0, order: 3, scope: { kind: 'page' as const, id: 0 } },
        low00001: { ...rim, name: 'Low', figure: 0, order: 1, scope: { kind: 'page' as const, id: 0 } },
        other001: { ...rim, name: 'Of Oda' },
    };
    it('shows those of one figure, bottom up, and opens one at a time', () => {
        show(openWith({ pass: hung }), <PassList figure={0} name="the whole page" />);
        const names = screen.getAllByRole('button', { name: /^Set / }).map((one) => one.getAttribute('aria-label'));
        expect(names).toEqual(['Set Low', 'Set Top']);
        press('Set Low');
        expect(button('Set Low').getAttribute('aria-expanded')).toBe('true');
        press('Set Top');
        expect(button('Set Low').getAttribute('aria-expanded')).toBe('false');
        press('Set Top');
        expect(button('Set Top').getAttribute('aria-expanded')).toBe('false');
    });
    it('says what to do while it is empty', () => {
        show(openWith({ pass: {} }), <PassList figure={0} name="the whole page" />);
        expect(screen.getByText(/Add one: a tint, a glow, free paint/)).toBeTruthy();
        cleanup();
        show(openWith({ pass: {} }), <PassList figure={3} name="Oda" />);
        expect(screen.getByText(/Pick a tone and paint/)).toBeTruthy();
    });
    it('tells how each is blended, and marks the end of a group', () => {
        const inGroup = { ...hung.low00001, group: 'group001' };
        const pass = {
            low00001: { ...inGroup, mode: 'multiply' as const, opacity: 0.4 },
            mid00001: { ...inGroup, name: 'Middle', order: 2 },
            top00001: hung.top00001,
        };
        show(openWith({ pass, group: { group001: together } }), <PassList figure={0} name="the whole page" />);
        expect(screen.getByText('multiply 40 %')).toBeTruthy();
        expect(screen.getByText('2 as one')).toBeTruthy();
        expect(screen.getByRole('button', { name: 'Move the group of Low, Middle' })).toBeTruthy();
    });
    it('offers to add only to whom may', () => {
        show(open({ role: 'viewer' }), <PassList figure={0} name="the whole page" />);
        expect(screen.queryByRole('button', { name: 'Add' })).toBeNull();
    });
    it('tells by name and place how one is moved', () => {
        const said = announcementsOf(Object.entries(hung) as [string, PassData][]);
        const at = (id: string) => ({ id }) as never;
        expect(said.onDragStart({ active: at('low00001') })).toBe('Low taken up, place 2 of 3.');
        expect(said.onDragOver({ active: at('low00001'), over: at('other001') })).toBe('Low at place 3 of 3.');
        expect(said.onDragOver({ active: at('low00001'), over: null })).toBeUndefined();
        expect(said.onDragEnd({ active: at('low00001'), over: at('top00001') })).toBe('Low hung at place 1 of 3.');
        expect(said.onDragEnd({ active: at('low00001'), over: null })).toBe('Low left where it was.');
        expect(said.onDragCancel({ active: at('gone0001'), over: null })).toBe('The pass left where it was.');
    });
});

/** A pointer over a drawing whose corner lies at 10, 20 in the window. */
const pointer = (on: Element, kind: string, x: number, y: number): void => {
    const event = new MouseEvent(kind, { bubbles: true, clientX: x + 10, clientY: y + 20 });
    Object.defineProperty(event, 'pointerId', { value: 1 });
    act(() => void on.dispatchEvent(event));
};
const placed = (drawing: Element, width: number, height: number): Element => {
    drawing.getBoundingClientRect = () => ({ left: 10, top: 20, width, height }) as DOMRect;
    (drawing as unknown as { setPointerCapture: () => void }).setPointerCapture = () => undefined;
    return drawing;
};

describe('a curve of pressure', () => {
    const straight = [0, 0.25, 0.5, 0.75, 1];
    const field = (): { drawing: Element; changes: number[][] } => {
        const changes: number[][] = [];
        render(
            <CurveField label="Size" title="" curve={straight as never} onChange={(curve) => changes.push(curve)} />,
        );
        return { drawing: placed(screen.getByRole('group', { name: 'Size by pressure' }), 116, 64), changes };
    };
    it('follows the hand at the nearest of five places, within its rims', () => {
        const { drawing, changes } = field();
        pointer(drawing, 'pointermove', 60, 6);
        expect(changes, 'nothing is held').toEqual([]);
        pointer(drawing, 'pointerdown', 55, 32);
        pointer(drawing, 'pointermove', 90, 6);
        pointer(drawing, 'pointermove', 0, -50);
        pointer(drawing, 'pointerup', 0, 0);
        pointer(drawing, 'pointermove', 60, 32);
        expect(changes.map((curve) => curve[2])).toEqual([0.5, 1, 1]);
        for (const curve of changes) expect([curve[0], curve[1], curve[3], curve[4]]).toEqual([0, 0.25, 0.75, 1]);
        pointer(drawing, 'pointerdown', 112, 58);
        expect(changes[3]).toEqual([0, 0.25, 0.5, 0.75, 0]);
    });
    it('is moved by the arrows, a twentieth a press', () => {
        const { changes } = field();
        const place = screen.getByRole('slider', { name: 'Size, pressed half' });
        for (const key of ['ArrowUp', 'ArrowRight', 'ArrowDown', 'ArrowLeft', 'Home'])
            fireEvent.keyDown(place, { key });
        expect(changes.map((curve) => curve[2])).toEqual([0.55, 0.55, 0.45, 0.45]);
        fireEvent.keyDown(screen.getByRole('slider', { name: 'Size, pressed fully' }), { key: 'ArrowUp' });
        expect(changes[4][4], 'no more than all').toBe(1);
        expect(screen.getByRole('slider', { name: 'Size, pressed a quarter' }).getAttribute('aria-valuetext')).toBe(
            '25 %',
        );
    });
});

describe('a curve over what lies beneath', () => {
    const points: [number, number][] = [
        [0, 0],
        [0.5, 0.6],
        [1, 1],
    ];
    const set = (content: CurveData, disabled = false): Element => {
        const pass = { ...rim, content };
        show(
            openWith({ pass: { rim00001: pass } }),
            <Live>
                {(now) => <CurveSettings id="rim00001" content={now.content as CurveData} disabled={disabled} />}
            </Live>,
        );
        return placed(screen.getByRole('img', { name: `A curve through ${content.points.length} points` }), 200, 200);
    };
    const curve: CurveData = { kind: 'curve', channel: 'all', points };
    const asks = (): unknown[] =>
        asked.map((op) => (op as unknown as { values: { content: CurveData } }).values.content.points);

    it('has its points dragged, each between its neighbours', () => {
        const drawing = set(curve);
        pointer(drawing, 'pointerdown', 105, 84);
        pointer(drawing, 'pointermove', 150, 50);
        expect(asks(), 'shown only').toEqual([]);
        pointer(drawing, 'pointerup', 150, 50);
        pointer(drawing, 'pointerup', 20, 20);
        expect(asks()).toEqual([[points[0], [0.75, 0.75], points[2]]]);
    });
    it('keeps points a hundredth apart and inside', () => {
        const drawing = set(curve);
        pointer(drawing, 'pointerdown', 100, 80);
        pointer(drawing, 'pointerup', 300, -40);
        expect(asks()).toEqual([[points[0], [0.99, 1], points[2]]]);
        pointer(drawing, 'pointerdown', 0, 200);
        pointer(drawing, 'pointerup', 300, 260);
        expect(asks()[1]).toEqual([[0.98, 0], [0.99, 1], points[2]]);
    });
    it('gets another point beside the curve, up to twelve, and none over another', () => {
        const drawing = set(curve);
        pointer(drawing, 'pointerdown', 50, 30);
        expect(asks()).toEqual([[points[0], [0.25, 0.85], points[1], points[2]]]);
        pointer(drawing, 'pointerdown', 101, 180);
        expect(asks(), 'another stands there').toHaveLength(1);
        cleanup();
        const many = Array.from({ length: 12 }, (_, i): [number, number] => [i / 11, i / 11]);
        pointer(set({ ...curve, points: many }), 'pointerdown', 30, 20);
        expect(asks()).toHaveLength(1);
    });
    it('is typed in percent, for the point that is picked', () => {
        const drawing = set(curve);
        pointer(drawing, 'pointerdown', 100, 80);
        pointer(drawing, 'pointercancel', 100, 80);
        expect((screen.getByLabelText(/^From/) as HTMLInputElement).value).toBe('50');
        type(/^From/, '40');
        type(/^to/, '140');
        type(/^to/, 'much');
        expect(asks()).toEqual([
            [points[0], [0.4, 0.6], points[2]],
            [points[0], [0.4, 1], points[2]],
        ]);
    });
    it('loses points down to two', () => {
        const drawing = set(curve);
        pointer(drawing, 'pointerdown', 200, 0);
        pointer(drawing, 'pointercancel', 200, 0);
        press('Take the point out');
        expect(asks()).toEqual([[points[0], points[1]]]);
        cleanup();
        set({ ...curve, points: [points[0], points[2]] });
        expect(button('Take the point out').disabled).toBe(true);
    });
    it('stays as it is where one may only look', () => {
        const drawing = set(curve, true);
        pointer(drawing, 'pointerdown', 50, 30);
        pointer(drawing, 'pointerdown', 100, 80);
        pointer(drawing, 'pointerup', 150, 20);
        expect(asked).toEqual([]);
    });
});
