import type { ShiftInput } from '../../../api/generated';
import { opOf } from '../op';
import { regionsOf, withRegions } from '../shown';

/** Shifts a material's colours in some regions of this page; values of nothing take it back. */
export const shiftColours = opOf<ShiftInput>()('colour.shift', {
    name: 'The colour shift',
    touches: ({ id, labels }) => [`shift ${id}`, ...regionsOf({ labels })],
    show: ({ id, labels, values }, view) => ({
        ...withRegions(view, labels, { shift: id }),
        shift: { ...view.records.shift, [id]: values },
    }),
});
