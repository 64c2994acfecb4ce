import type { RecordsState, ShowHeldMoodInput } from '../../../api/generated';
import { randomId } from '../../ids';
import { opOf } from '../op';
import { passesOf } from '../shown';
import { isOfMood, withMood, withoutMood } from './moodLayers';
import { heldOf } from './wearMood';

/**
 * Shows the page in a mood that it keeps at hand.
 *
 * `leaving` are the layers of the last one, `coming` those of this one, as this window knows them.
 */
export const showHeldMood = opOf<ShowHeldMoodInput & { leaving: string[]; coming: string[] }>()('mood.show', {
    name: 'The mood',
    touches: ({ id, hold, leaving, coming }) => [
        'page page',
        ...passesOf([...leaving, ...coming]),
        ...heldOf(id),
        ...heldOf(hold),
    ],
    show({ id, hold, leaving }, view) {
        const held = { ...view.records.held };
        const one = held[id];
        if (one === undefined) return {};
        delete held[id];
        const left = withoutMood({ ...view.records, held }, leaving, hold);
        const records = { ...left, group: { ...one.groups, ...left.group } };
        const layers = Object.entries(one.layers).sort(([, a], [, b]) => a.order - b.order);
        return withMood({ ...view, records }, one.name, layers, one.brought);
    },
});

export const fromHand = (id: string, { pass, held }: RecordsState, isHeld: boolean) =>
    showHeldMood({
        id,
        leaving: Object.keys(pass).filter(isOfMood),
        coming: Object.keys(held[id]?.layers ?? {}),
        hold: isHeld ? randomId(12) : null,
    });
