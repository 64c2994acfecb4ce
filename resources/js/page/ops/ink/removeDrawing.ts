import type { RemoveDrawingInput } from '../../../api/generated';
import { opOf } from '../op';
import { without } from '../shown';

export const removeDrawing = opOf<RemoveDrawingInput>()('drawing.remove', {
    name: 'Removing the drawing',
    touches: ({ id }) => [`drawing ${id}`],
    show: ({ id }, view) => without(view, 'drawing', id),
});
