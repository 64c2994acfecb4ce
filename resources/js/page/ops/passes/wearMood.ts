import type { MoodState, PaletteState, RecordsState, WearMoodInput } from '../../../api/generated';
import { randomId } from '../../ids';
import { opOf } from '../op';
import { passesOf } from '../shown';
import { isOfMood, PREFIX, withMood, withoutMood } from './moodLayers';

/**
 * Shows the page in another mood, or with no layers in none; what was hung there by hand stays.
 *
 * `leaving` are the layers of the last one, as this window knows them.
 */
export const wearMood = opOf<WearMoodInput & { leaving: string[] }>()('mood.wear', {
    name: 'The mood',
    touches: ({ ids, leaving, hold }) => ['page page', ...passesOf([...leaving, ...ids]), ...heldOf(hold)],
    show({ name, layers, ids, leaving, plan, variant, hold }, view) {
        const records = withoutMood(view.records, leaving, hold ?? null);
        const onPage = { figure: 0, scope: { kind: 'page' as const, id: 0 } };
        const laid = layers.map((layer, i): [string, object] => [ids[i], { ...layer, ...onPage }]);
        return withMood({ ...view, records }, name, laid, { plan: plan ?? null, variant: variant ?? null });
    },
});

export const heldOf = (id: string | null | undefined): string[] =>
    id === null || id === undefined ? [] : [`held ${id}`];

/** What a mood brings, by the names it is called by in the series. */
type Brought = Pick<MoodState, 'light' | 'variant'>;

/** What those names mean in this series; null: nothing is brought, or the series has nothing of that name. */
export const broughtIds = (mood: Brought, { lights, variants }: Pick<PaletteState, 'lights' | 'variants'>) => ({
    plan: lights.find(({ name }) => name === mood.light)?.id ?? null,
    variant: variants.find(({ id, name }) => id > 0 && name === mood.variant)?.id ?? null,
});

/**
 * @param mood null: none
 * @param isHeld whether what the page is shown in now is kept at hand
 */
export function inMood(mood: MoodState | null, palette: PaletteState, records: RecordsState, isHeld: boolean) {
    const { name, layers } = mood ?? { name: '', layers: [] };
    return wearMood({
        name,
        layers,
        ids: layers.map(() => `${PREFIX}${randomId(12)}`),
        leaving: Object.keys(records.pass).filter(isOfMood),
        ...(mood === null ? {} : broughtIds(mood, palette)),
        hold: isHeld ? randomId(12) : null,
    });
}
