import type { FlowInput } from '../../../api/generated';
import { opOf } from '../op';
import { regionsOf, withRegions } from '../shown';

/** Which way strands or folds run in regions, in parts of the page's width and height; null: that is forgotten. */
export const setDirections = opOf<FlowInput>()('light.flow', {
    name: 'The direction that was drawn',
    touches: regionsOf,
    show: ({ labels, line, more }, view) =>
        withRegions(view, labels, ({ flow }) => ({
            flow: line === null ? null : [...((more ? flow : null) ?? []), line],
        })),
});
