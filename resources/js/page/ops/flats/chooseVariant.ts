import type { WearInput } from '../../../api/generated';
import { opOf } from '../op';
import { regionsOf, withRegions } from '../shown';

/** Variant 0: the palette as it is; null: what the whole page wears. */
export const chooseVariant = opOf<WearInput>()('variant.wear', {
    name: 'The variant',
    touches: regionsOf,
    show: ({ labels, variant }, view) => withRegions(view, labels, { variant }),
});
