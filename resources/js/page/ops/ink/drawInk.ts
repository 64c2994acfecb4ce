import type { DrawInkInput } from '../../../api/generated';
import { opOf } from '../op';

/** Lines drawn, changed or, with null, taken away. */
export const drawInk = opOf<DrawInkInput>()('ink.draw', {
    name: 'The line',
    touches: ({ strokes }) => strokes.map(({ id }) => `stroke ${id}`),
    show({ strokes }, { records }) {
        const stroke = { ...records.stroke };
        for (const { id, stroke: drawn } of strokes) {
            if (drawn === null) delete stroke[id];
            else stroke[id] = drawn;
        }
        return { stroke };
    },
    isDrawn: true,
});
