import type { LockInput } from '../../../api/generated';
import { opOf } from '../op';
import { regionsOf, withRegions } from '../shown';

export const lockRegions = opOf<LockInput>()('flats.lock', {
    name: 'The lock',
    touches: regionsOf,
    show: ({ labels, locked }, view) => withRegions(view, labels, { locked }),
});
