import type { StandUnderInput } from '../../../api/generated';
import { opOf } from '../op';
import { regionsOf, withRegions } from '../shown';

/** Puts regions under another light plan than the rest of the page; null: the plan of the page. */
export const setLightPlan = opOf<StandUnderInput>()('light.stand', {
    name: 'The light of those regions',
    touches: regionsOf,
    show: ({ labels, plan }, view) => withRegions(view, labels, { plan }),
});
