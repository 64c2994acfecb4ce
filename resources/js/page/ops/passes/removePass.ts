import type { RemovePassInput } from '../../../api/generated';
import { opOf } from '../op';
import { passOf, without } from '../shown';

export const removePass = opOf<RemovePassInput>()('pass.remove', {
    name: 'Removing the pass',
    touches: passOf,
    show: ({ id }, view) => without(view, 'pass', id),
});
