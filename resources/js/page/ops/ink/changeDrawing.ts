import type { ChangeDrawingInput } from '../../../api/generated';
import { opOf } from '../op';
import { withDrawing } from '../shown';

export const changeDrawing = opOf<ChangeDrawingInput>()('drawing.change', {
    name: 'The change to the drawing',
    touches: ({ id }) => [`drawing ${id}`],
    show: ({ id, values }, view) => withDrawing(view, id, values),
});
