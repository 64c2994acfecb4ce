import type { ResizeInput } from '../../../api/generated';
import { opOf } from '../op';

/** Grows regions by so many px; below 0 shrinks them; 0 fills their holes. */
export const resizeRegions = opOf<ResizeInput>()('flats.resize', {
    name: 'Growing or shrinking',
});
