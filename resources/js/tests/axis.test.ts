import { describe, expect, it } from 'vitest';
import type { AxisData } from '../api/generated';
import { inMirror } from '../bench/model/lines';
import type { BenchModel, BenchView } from '../bench/model/model';
import { axisGrips, gripAxis } from '../bench/tools/axisGrip';
import type { ToolPoint } from '../bench/tools/tool';

const point = (x: number, y: number, shift = false): ToolPoint => ({
    x,
    y,
    shift,
    alt: false,
    pressure: 1,
    isMouse: true,
    time: 0,
});

function holding(axis: AxisData | null) {
    const bench = {
        view: { axis } as BenchView,
        set: (change: Partial<BenchView>) => Object.assign(bench.view, change),
    } as Pick<BenchModel, 'view' | 'set'>;
    return bench;
}

describe('the mirror’s axis in the hand', () => {
    const leaning: AxisData = { x: 200, y: 400, turn: Math.PI / 6 };

    it('has its grips on it, as far away on the screen at any scale', () => {
        for (const scale of [0.25, 1, 3]) {
            const { move, turn } = axisGrips(leaning, scale);
            for (const { x, y } of [move, turn]) {
                expect(Math.hypot(x - 200, y - 400) * scale).toBeCloseTo(150);
                const [mx, my] = inMirror(x, y, leaning);
                expect([mx, my]).toEqual([expect.closeTo(x), expect.closeTo(y)]);
            }
            expect(move.y).toBeGreaterThan(400);
            expect(turn.y).toBeLessThan(400);
        }
    });
    it('is moved by the one, as the hand goes, and keeps its angle', () => {
        const bench = holding(leaning);
        const { move } = axisGrips(leaning, 0.5);
        const gesture = gripAxis(bench, point(move.x + 4, move.y - 3), 0.5);
        gesture?.move([point(0, 0), point(move.x + 34, move.y + 17)]);
        expect(bench.view.axis).toEqual({ x: 230, y: 420, turn: leaning.turn });
        gesture?.cancel();
        expect(bench.view.axis).toEqual(leaning);
    });
    it('is turned by the other about the place it goes through, with Shift in steps', () => {
        const bench = holding(leaning);
        const { turn } = axisGrips(leaning, 1);
        const gesture = gripAxis(bench, point(turn.x, turn.y), 1);
        gesture?.move([point(turn.x, turn.y)]);
        expect(bench.view.axis?.turn).toBeCloseTo(leaning.turn);
        gesture?.move([point(60, 400)]);
        expect(bench.view.axis).toMatchObject({ x: 200, y: 400, turn: expect.closeTo(Math.PI / 2) as number });
        gesture?.move([point(195, 300, true)]);
        expect(bench.view.axis?.turn).toBeCloseTo(0);
        gesture?.move([point(150, 310, true)]);
        expect(bench.view.axis?.turn).toBeCloseTo(Math.PI / 6);
        // The grip is where the hand has drawn it to.
        gesture?.move([point(140, 320)]);
        const now = axisGrips(bench.view.axis as AxisData, 1).turn;
        expect((now.x - 200) / (now.y - 400)).toBeCloseTo(60 / 80);
    });
    it('leaves the hand to the tool elsewhere, and where there is none', () => {
        const { move, turn } = axisGrips(leaning, 2);
        const near = (x: number, y: number, scale = 2) => gripAxis(holding(leaning), point(x, y), scale);
        expect([near(move.x, move.y + 4), near(turn.x - 4, turn.y)]).not.toContain(null);
        expect([near(move.x, move.y + 6), near(200, 400), gripAxis(holding(null), point(move.x, move.y), 2)]).toEqual([
            null,
            null,
            null,
        ]);
    });
});
