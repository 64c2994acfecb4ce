import { describe, expect, it } from 'vitest';
import { countsBeneath, stackBeneath } from '../picture/beneath';
import { SIDE } from '../picture/compose';
import { EMPTY, type PassNode, type Stack } from '../picture/stack';
import { HIGHEST } from '../picture/tiles';

const wash = (id: string, colour: string): PassNode => ({
    kind: 'pass',
    id,
    layer: `pass:${id}`,
    content: { kind: 'wash', colour },
    scope: { kind: 'page', id: 0 },
    mode: 'normal',
    opacity: 1,
    mask: null,
    turn: null,
});
/** Over a tile border at the coarsest level, and of odd size. */
const size = { width: (SIDE + 40) << HIGHEST, height: (30 << HIGHEST) - 3 };
const stack: Stack = { ...EMPTY, page: size, above: [wash('red00001', '#ff2010'), wash('levels01', '#808080')] };
const nothing = { peek: () => null };
const found = (counts: number[]): [number, number][] =>
    counts.flatMap((count, value): [number, number][] => (count > 0 ? [[value, count]] : []));

describe('what lies beneath a pass', () => {
    it('is all below it, and nothing of itself', () => {
        expect(stackBeneath(stack, 'levels01')?.above.map((node) => (node as PassNode).id)).toEqual(['red00001']);
        expect(stackBeneath(stack, 'red00001')?.above).toEqual([]);
        expect(stackBeneath(stack, 'elsewhere'), 'it does not lie over the page').toBeNull();
    });
    it('is counted by channel, each pixel of the page once', () => {
        const beneath = stackBeneath(stack, 'levels01') as Stack;
        const pixels = (SIDE + 40) * 30;
        expect(found(countsBeneath(beneath, 'red', nothing, size))).toEqual([[255, pixels]]);
        expect(found(countsBeneath(beneath, 'blue', nothing, size))).toEqual([[16, pixels]]);
        expect(found(countsBeneath(beneath, 'all', nothing, size))).toEqual([
            [16, pixels],
            [32, pixels],
            [255, pixels],
        ]);
    });
    it('takes the tiles that are here', () => {
        const ink = new Uint8Array(SIDE * SIDE);
        ink.fill(255, 0, 5);
        const tiles = {
            peek: (level: number, layer: string, column: number, row: number) =>
                level === HIGHEST && layer === 'ink' && column === 1 && row === 0 ? ink : null,
        };
        const bare = { ...stack, above: [] };
        expect(found(countsBeneath(bare, 'green', tiles, size))).toEqual([
            [17, 5],
            [255, (SIDE + 40) * 30 - 5],
        ]);
    });
});
