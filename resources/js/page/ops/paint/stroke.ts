import type { NewPass } from '../../../api/client';
import type { StrokeInput } from '../../../api/generated';
import { opOf } from '../op';
import { madeBy, withNewPass } from '../shown';

type BrushStrokeInput = Omit<StrokeInput, 'make'> & { make: NewPass | null };

export const stroke = opOf<BrushStrokeInput>()('stroke', {
    name: 'The stroke',
    touches: madeBy,
    show: ({ pass, make }, view) => withNewPass(view, pass, make),
    isDrawn: true,
});
