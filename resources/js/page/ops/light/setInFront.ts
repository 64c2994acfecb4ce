import type { InFrontInput } from '../../../api/generated';
import { opOf } from '../op';
import { regionsOf, withRegions } from '../shown';

/** Whether regions lie in front of the rest of their figure, and cast a shadow on it when light is roughed in. */
export const setInFront = opOf<InFrontInput>()('light.before', {
    name: 'What lies in front of the rest',
    touches: regionsOf,
    show: ({ labels, inFront }, view) => withRegions(view, labels, { inFront }),
});
