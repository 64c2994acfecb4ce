import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { BenchModel } from '../bench/model/model';
import { Hand } from '../bench/surface/hand';
import type { SurfaceRenderer } from '../bench/surface/render';
import type { Gesture, Tool } from '../bench/tools/tool';
import { TOOLS } from '../bench/tools/registry';
import { PageSession } from '../page/session';
import { pageState, stubWindow } from './world';

vi.mock('../api/client', () => ({ api: { giveBack: () => undefined } }));
// The browser's matrices are not here: a page pixel is a screen pixel.
vi.mock('../bench/surface/viewport', () => ({
    toPage: (_view: unknown, _canvas: unknown, x: number, y: number) => ({ x, y }),
    panBy: (view: { x: number; y: number }, _canvas: unknown, dx: number, dy: number) => ({
        ...view,
        x: view.x - dx,
        y: view.y - dy,
    }),
}));

let calls: string[];
let bench: BenchModel;
let renderer: SurfaceRenderer;
let hand: Hand;
let tool: Tool['begin'];

const gesture: Gesture = {
    move: (points) => calls.push(`move ${points.map((point) => `${point.x},${point.y}`).join(' ')}`),
    up: () => calls.push('up'),
    cancel: () => calls.push('cancel'),
};

const event = (pointerId: number, x: number, y: number, more: Partial<PointerEvent> = {}): PointerEvent =>
    ({
        pointerId,
        clientX: x + 10,
        clientY: y + 20,
        button: 0,
        pointerType: 'pen',
        pressure: 0.5,
        shiftKey: false,
        altKey: false,
        ...more,
    }) as PointerEvent;

beforeEach(() => {
    stubWindow();
    calls = [];
    bench = new BenchModel(
        new PageSession(pageState(), 1, {
            claim: async () => true,
            load: async () => [],
            add: async () => undefined,
            remove: async () => undefined,
        }),
    );
    tool = TOOLS.fill.begin;
    TOOLS.fill.begin = (_host, point) => {
        calls.push(`begin ${point.x},${point.y} ${point.pressure}`);
        return gesture;
    };
    const canvas = { setPointerCapture: () => undefined, getBoundingClientRect: () => ({ left: 10, top: 20 }) };
    renderer = {
        canvas,
        view: { scale: 1, x: 100, y: 100, turn: 0, mirror: false },
        level: 0,
        gesture: null,
        pointer: null,
        isFitted: true,
        schedule: () => undefined,
        touched: () => undefined,
    } as unknown as SurfaceRenderer;
    hand = new Hand(bench, renderer);
});
afterEach(() => {
    TOOLS.fill.begin = tool;
    bench.session.end();
    vi.unstubAllGlobals();
});

describe('the hand', () => {
    it('goes down, moves with every place it was seen at, and goes up', () => {
        hand.down(event(1, 5, 6));
        hand.move(event(1, 9, 9, { getCoalescedEvents: () => [event(1, 7, 7), event(1, 8, 8)] }));
        hand.move(event(1, 12, 12));
        hand.up(event(1, 12, 12));
        hand.move(event(1, 20, 20));
        hand.up(event(1, 20, 20));
        expect(calls).toEqual(['begin 5,6 0.5', 'move 7,7 8,8', 'move 12,12', 'up']);
        expect(renderer.gesture).toBeNull();
    });
    it('calls the gesture off when a second pointer comes, and ignores both until they are up', () => {
        hand.down(event(1, 5, 6));
        hand.down(event(2, 50, 60, { pointerType: 'touch' }));
        hand.move(event(1, 9, 9));
        hand.up(event(1, 9, 9));
        hand.up(event(2, 9, 9));
        expect(calls).toEqual(['begin 5,6 0.5', 'cancel']);
        hand.down(event(1, 5, 6));
        expect(calls).toHaveLength(3);
    });
    it('calls it off when the browser takes the pointer away, but not after it went up', () => {
        hand.down(event(1, 5, 6));
        hand.lost(event(3, 0, 0));
        hand.lost(event(1, 0, 0));
        hand.down(event(1, 5, 6));
        hand.up(event(1, 5, 6));
        hand.lost(event(1, 5, 6));
        hand.cancel();
        expect(calls).toEqual(['begin 5,6 0.5', 'cancel', 'begin 5,6 0.5', 'up']);
    });
    it('hears only the pointer that went down', () => {
        hand.down(event(1, 5, 6));
        hand.move(event(2, 99, 99));
        hand.up(event(2, 99, 99));
        hand.up(event(1, 5, 6));
        expect(calls).toEqual(['begin 5,6 0.5', 'up']);
    });
    it.each([
        ['the middle button', () => undefined, { button: 1 }],
        ['Space', () => (hand.isSpaceHeld = true), {}],
        ['the look tool', () => bench.set({ tool: 'look' }), {}],
    ])('moves the page with %s', (_, prepare, more) => {
        prepare();
        hand.down(event(1, 50, 50, more));
        hand.move(event(1, 60, 45));
        hand.move(event(1, 70, 45));
        hand.up(event(1, 70, 45));
        hand.move(event(1, 90, 90));
        expect(renderer.view).toMatchObject({ x: 80, y: 105 });
        expect(renderer.isFitted).toBe(false);
        expect(calls).toEqual([]);
    });
    it('does nothing with the right button, or where there is no page', () => {
        hand.down(event(1, 5, 6, { button: 2 }));
        hand.up(event(1, 5, 6));
        expect(calls).toEqual([]);
        renderer.view = null;
        hand.down(event(1, 5, 6));
        expect(calls).toEqual([]);
    });
    it('knows the region under it, from the finest tile there is', () => {
        const bytes = new Uint8Array(2 * 65_536);
        bytes[2 * (7 * 256 + 5)] = 1;
        bytes[2 * (7 * 256 + 5) + 1] = 4;
        const peek = vi
            .spyOn(bench.session.tiles, 'peek')
            .mockImplementation((level, layer, column, row) =>
                level === 0 && layer === 'flats' && column === 1 && row === 0 ? bytes : null,
            );
        expect([
            hand.labelAt(256 + 5, 7),
            hand.labelAt(256 + 6, 7),
            hand.labelAt(5, 7),
            hand.labelAt(-1, 7),
            hand.labelAt(600, 7),
            hand.labelAt(5, 400),
        ]).toEqual([260, 0, 0, 0, 0, 0]);
        hand.move(event(1, 256 + 5, 7));
        expect(bench.view.under).toEqual({ x: 261, y: 7, label: 260 });
        hand.leave();
        expect([bench.view.under, renderer.pointer]).toEqual([null, null]);
        peek.mockRestore();
    });
});
