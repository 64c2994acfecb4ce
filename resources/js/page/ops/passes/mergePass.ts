import type { MergePassInput } from '../../../api/generated';
import { opOf } from '../op';
import { passesOf } from '../shown';

/**
 * Lays a pass into the one below it, or both into a copy, under which they stay; how that looks comes with the answer.
 */
export const mergePass = opOf<MergePassInput>()('pass.merge', {
    name: 'Merging the passes',
    touches: ({ id, into, copy }) => passesOf([id, into, copy].filter((pass) => pass !== null)),
});
