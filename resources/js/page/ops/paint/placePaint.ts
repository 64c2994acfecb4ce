import type { NewPass } from '../../../api/client';
import type { PlacePaintInput } from '../../../api/generated';
import { opOf } from '../op';
import { madeBy, withNewPass } from '../shown';

type PlacedPaint = Omit<PlacePaintInput, 'make'> & { make: NewPass | null };

/** Puts paint that was taken along into a pass; how that looks comes with the answer. */
export const placePaint = opOf<PlacedPaint>()('paint.place', {
    name: 'The paint that was taken along',
    touches: madeBy,
    show: ({ pass, make }, view) => withNewPass(view, pass, make),
});
