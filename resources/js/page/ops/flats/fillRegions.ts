import type { FillInput } from '../../../api/generated';
import { opOf } from '../op';
import { regionsOf, withRegions } from '../shown';

export const fillRegions = opOf<FillInput>()('fill', {
    name: 'The fill',
    touches: regionsOf,
    show: ({ labels, figure, material }, view) => withRegions(view, labels, { figure, material }),
});
