import type { SoftenMaskInput } from '../../../api/generated';
import { opOf } from '../op';
import { passesOf } from '../shown';

/** Gives the mask of a pass a soft edge; how that looks comes with the answer. */
export const softenMask = opOf<SoftenMaskInput>()('mask.soften', {
    name: 'The soft edge',
    touches: ({ id, mask }) => passesOf([id, mask]),
});
