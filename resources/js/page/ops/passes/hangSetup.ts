import type { HangSetupInput } from '../../../api/generated';
import { opOf } from '../op';
import { passesOf, withNewPass } from '../shown';

/**
 * Hangs the passes of a setup on a figure, or on one of its materials; what it paints in regions comes with the answer.
 */
export const hangSetup = opOf<HangSetupInput>()('setup.hang', {
    name: 'The setup',
    touches: ({ ids }) => passesOf(ids),
    show({ ids, passes, figure, scope, setup, labels }, view) {
        let records = view.records;
        passes.forEach((pass, place) => {
            // What a first light fills hangs there already, or comes with the answer.
            if (pass.rough !== null) return;
            const make = { ...pass, figure, scope, setup: setup === 0 ? null : { setup, place, marked: labels } };
            records = { ...records, ...withNewPass({ ...view, records }, ids[place], make) };
        });
        return { pass: records.pass };
    },
});
