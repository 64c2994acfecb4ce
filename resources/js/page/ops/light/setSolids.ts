import type { SolidsInput } from '../../../api/generated';
import { opOf } from '../op';
import { regionsOf, withRegions } from '../shown';

/** Which solid regions are taken for when light is roughed in. */
export const setSolids = opOf<SolidsInput>()('light.solid', {
    name: 'The shape of those regions',
    touches: regionsOf,
    show: ({ labels, solid }, view) => withRegions(view, labels, { solid: solid === 'round' ? null : solid }),
});
