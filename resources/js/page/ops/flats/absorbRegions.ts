import type { AbsorbInput } from '../../../api/generated';
import { opOf } from '../op';

/** Small regions join the neighbour from which the least ink separates them. */
export const absorbRegions = opOf<AbsorbInput>()('flats.absorb', {
    name: 'Joining small regions to their neighbours',
});
