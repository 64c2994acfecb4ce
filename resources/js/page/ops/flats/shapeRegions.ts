import type { ShapeInput } from '../../../api/generated';
import { opOf } from '../op';

/** Flats laid by hand; which regions they become comes with the answer. */
export const shapeRegions = opOf<ShapeInput>()('flats.shape', {
    name: 'The shape',
});
