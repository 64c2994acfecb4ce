import type { JoinSetupInput } from '../../../api/generated';
import { opOf } from '../op';
import { passesOf, withPasses } from '../shown';

/** Makes passes part of a setup that holds them by now, from a place on; marked: the regions it is painted in here. */
export const joinSetup = opOf<JoinSetupInput>()('setup.join', {
    name: 'The setup',
    touches: ({ passes }) => passesOf(passes),
    show: ({ passes, setup, first, marked }, view) =>
        withPasses(
            view,
            passes.map((id, i) => [id, { setup: { setup, place: first + i, marked } }]),
        ),
});
