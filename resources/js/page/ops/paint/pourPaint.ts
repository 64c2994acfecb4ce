import type { LaidPaint } from '../../../api/client';
import type { PourPaintInput } from '../../../api/generated';
import { opOf } from '../op';
import { madeBy, withNewPass } from '../shown';

type LaidPour = Pick<PourPaintInput, 'labels'> & Partial<Pick<PourPaintInput, 'fade'>> & { laying: LaidPaint };

/** Fade: px over which it fades toward the border of its regions. */
export const pourPaint = opOf<LaidPour>()('paint.pour', {
    name: 'The pour',
    touches: ({ laying }) => madeBy(laying),
    show: ({ laying }, view) => withNewPass(view, laying.pass, laying.make),
    isDrawn: true,
});
