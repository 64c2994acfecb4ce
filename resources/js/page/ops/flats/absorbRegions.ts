import type { AbsorbInput } from '../../../api/generated';
import { opOf } from '../op';

/** Small regions join the neighbour they share most of their border with. */
export const absorbRegions = opOf<AbsorbInput>()('flats.absorb', {
    name: 'Joining small regions to their neighbours',
});
