import type { LaidPaint } from '../../../api/client';
import type { PaintShapeInput } from '../../../api/generated';
import { opOf } from '../op';
import { madeBy, withNewPass } from '../shown';

type LaidShape = Omit<PaintShapeInput, 'laying'> & { laying: LaidPaint };

export const paintShape = opOf<LaidShape>()('paint.shape', {
    name: 'The block',
    touches: ({ laying }) => madeBy(laying),
    show: ({ laying }, view) => withNewPass(view, laying.pass, laying.make),
    isDrawn: true,
});
