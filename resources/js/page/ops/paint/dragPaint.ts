import type { DragPaintInput } from '../../../api/generated';
import { opOf } from '../op';

export const dragPaint = opOf<DragPaintInput>()('paint.drag', {
    name: 'The drag',
    isDrawn: true,
});
