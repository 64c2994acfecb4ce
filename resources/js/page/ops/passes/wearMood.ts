import type { MoodLayerData, PassData, WearMoodInput } from '../../../api/generated';
import { randomId } from '../../ids';
import { opOf } from '../op';
import { passesOf, withNewPass } from '../shown';

/** The ids of passes that a mood laid begin with it. */
const PREFIX = 'mood';

export const isOfMood = (id: string): boolean => id.startsWith(PREFIX);

/**
 * Shows the page in another mood, or with no layers in none; what was hung there by hand stays.
 *
 * `leaving` are the layers of the last one, as this window knows them.
 */
export const wearMood = opOf<WearMoodInput & { leaving: string[] }>()('mood.wear', {
    name: 'The mood',
    touches: ({ ids, leaving }) => ['page page', ...passesOf([...leaving, ...ids])],
    show({ name, layers, ids, leaving }, view) {
        const { page } = view.records.page;
        const kept = Object.entries(view.records.pass).filter(([id]) => !leaving.includes(id));
        let records = { ...view.records, pass: Object.fromEntries(kept) };
        layers.forEach((layer, i) => {
            const make = { ...layer, figure: 0, scope: { kind: 'page' as const, id: 0 } } as Partial<PassData>;
            records = { ...records, ...withNewPass({ ...view, records }, ids[i], make as PassData) };
        });
        return { pass: records.pass, ...(page === undefined ? {} : { page: { page: { ...page, mood: name } } }) };
    },
});

/** @param passes those of the page now */
export const inMood = (name: string, layers: MoodLayerData[], passes: Record<string, PassData>) =>
    wearMood({
        name,
        layers,
        ids: layers.map(() => `${PREFIX}${randomId(12)}`),
        leaving: Object.keys(passes).filter(isOfMood),
    });
