import type { MoodState, PaletteState, PassData, WearMoodInput } from '../../../api/generated';
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
    show({ name, layers, ids, leaving, plan, variant }, view) {
        const { page } = view.records.page;
        const kept = Object.entries(view.records.pass).filter(([id]) => !leaving.includes(id));
        let records = { ...view.records, pass: Object.fromEntries(kept) };
        layers.forEach((layer, i) => {
            const make = { ...layer, figure: 0, scope: { kind: 'page' as const, id: 0 } } as Partial<PassData>;
            records = { ...records, ...withNewPass({ ...view, records }, ids[i], make as PassData) };
        });
        const shown = { mood: name, moodPlan: plan ?? null, moodVariant: variant ?? null };
        return { pass: records.pass, ...(page === undefined ? {} : { page: { page: { ...page, ...shown } } }) };
    },
});

/** What a mood brings, by the names it is called by in the series. */
type Brought = Pick<MoodState, 'light' | 'variant'>;

/** What those names mean in this series; null: nothing is brought, or the series has nothing of that name. */
const broughtIds = (mood: Brought, { lights, variants }: PaletteState) => ({
    plan: lights.find(({ name }) => name === mood.light)?.id ?? null,
    variant: variants.find(({ id, name }) => id > 0 && name === mood.variant)?.id ?? null,
});

/**
 * @param mood null: none
 * @param passes those of the page now
 */
export function inMood(mood: MoodState | null, palette: PaletteState, passes: Record<string, PassData>) {
    const { name, layers } = mood ?? { name: '', layers: [] };
    return wearMood({
        name,
        layers,
        ids: layers.map(() => `${PREFIX}${randomId(12)}`),
        leaving: Object.keys(passes).filter(isOfMood),
        ...(mood === null ? {} : broughtIds(mood, palette)),
    });
}
