import type { CopyPassInput } from '../../../api/generated';
import { opOf } from '../op';
import { passOf, withNewPass } from '../shown';

/** Hangs a pass once more; what is painted in it comes with the answer. */
export const copyPass = opOf<CopyPassInput>()('pass.copy', {
    name: 'Duplicating the pass',
    touches: passOf,
    show({ id, from }, view) {
        const pass = view.records.pass[from];
        if (pass === undefined) return {};
        return withNewPass(view, id, { ...pass, group: null, setup: null, name: `${pass.name}, copy` });
    },
});
