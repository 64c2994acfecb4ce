import type { NewPass } from '../../../api/client';
import { opOf } from '../op';
import { passOf, withNewPass } from '../shown';

interface AddPassInput {
    id: string;
    pass: NewPass;
}

export const addPass = opOf<AddPassInput>()('pass.add', {
    name: 'The new pass',
    touches: passOf,
    show: ({ id, pass }, view) => withNewPass(view, id, pass),
});
