import type { FillInsideInput } from '../../../api/generated';
import { opOf } from '../op';

/** Fills what lies wholly inside a loop; which regions these are comes with the answer. */
export const fillInside = opOf<FillInsideInput>()('fill.inside', {
    name: 'The loop',
});
