import { describe, expect, it } from 'vitest';
import type { BenchModel, BenchView } from '../bench/model/model';
import { gripEdge } from '../bench/tools/edgeGrip';
import type { ToolPoint } from '../bench/tools/tool';

const at = (x: number): ToolPoint => ({
    x,
    y: 40,
    shift: false,
    alt: false,
    pressure: 1,
    isMouse: true,
    time: 0,
});

function comparing(compared: string | null, edge: number): Pick<BenchModel, 'view' | 'set'> {
    const bench = {
        view: { compared, edge } as BenchView,
        set: (change: Partial<BenchView>) => Object.assign(bench.view, change),
    } as Pick<BenchModel, 'view' | 'set'>;
    return bench;
}

describe('the edge between two moods in the hand', () => {
    it('is held within a few pixels of the screen, at any scale', () => {
        for (const scale of [0.25, 1, 4]) {
            const bench = comparing('/x', 0.5);
            expect(gripEdge(bench, at(400 + 9 / scale), 800, scale)).not.toBeNull();
            expect(gripEdge(bench, at(400 - 12 / scale), 800, scale)).toBeNull();
        }
        expect(gripEdge(comparing(null, 0.5), at(400), 800, 1), 'nothing is compared').toBeNull();
    });
    it('follows the hand and stays on the page', () => {
        const bench = comparing('/x', 0.5);
        const gesture = gripEdge(bench, at(400), 800, 1);
        gesture?.move([at(10), at(600)]);
        expect(bench.view.edge).toBe(0.75);
        gesture?.move([at(900)]);
        expect(bench.view.edge).toBe(1);
        gesture?.move([at(-5)]);
        expect(bench.view.edge).toBe(0);
        gesture?.cancel();
        expect(bench.view.edge, 'as it was, when the gesture is called off').toBe(0.5);
    });
});
