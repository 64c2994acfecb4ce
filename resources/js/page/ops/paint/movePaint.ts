import type { MovePaintInput } from '../../../api/generated';
import { opOf } from '../op';

export const movePaint = opOf<MovePaintInput>()('paint.move', {
    name: 'Moving the paint',
});
