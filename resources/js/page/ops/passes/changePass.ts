import type { PassData } from '../../../api/generated';
import { opOf } from '../op';
import { passOf, withPasses } from '../shown';

interface ChangePassInput {
    id: string;
    values: Partial<PassData>;
}

export const changePass = opOf<ChangePassInput>()('pass.change', {
    name: 'The change to the pass',
    touches: passOf,
    show: ({ id, values }, view) => withPasses(view, [[id, values]]),
});
