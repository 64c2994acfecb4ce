/** The layers of the mood that a page is shown in, and what becomes of them when it is shown in another. */
import type { BroughtData, PassData, RecordsState } from '../../../api/generated';
import type { PageView } from '../../store';
import { withNewPass } from '../shown';

/** The ids of passes that a mood laid begin with it. */
export const PREFIX = 'mood';

export const isOfMood = (id: string): boolean => id.startsWith(PREFIX);

/** Under which light plan and in which variant the page's mood shows the tones. */
export const broughtOf = ({ page: { page } }: RecordsState): BroughtData => ({
    plan: page?.moodPlan ?? null,
    variant: page?.moodVariant ?? null,
});

/**
 * Without the layers of the mood.
 *
 * @param leaving the ids of its layers
 * @param hold under which id it is kept at hand; null: not at all
 */
export function withoutMood(records: RecordsState, leaving: string[], hold: string | null): RecordsState {
    const entries = Object.entries(records.pass);
    const pass = Object.fromEntries(entries.filter(([id]) => !leaving.includes(id)));
    const layers = Object.fromEntries(entries.filter(([id]) => leaving.includes(id)));
    if (hold === null || Object.keys(layers).length === 0) return { ...records, pass };
    const inGroups = new Set(Object.values(layers).map(({ group }) => group));
    const groups = Object.fromEntries(Object.entries(records.group).filter(([id]) => inGroups.has(id)));
    const name = records.page.page?.mood ?? '';
    const one = { name: name === '' ? 'This page’s own' : name, brought: broughtOf(records), layers, groups };
    return { ...records, pass, held: { ...records.held, [hold]: one } };
}

/** With layers above all else, as that mood; name empty: none. */
export function withMood(
    view: PageView,
    name: string,
    layers: [id: string, layer: Partial<PassData>][],
    brought: BroughtData,
): RecordsState {
    let { records } = view;
    for (const [id, layer] of layers)
        records = { ...records, ...withNewPass({ ...view, records }, id, layer as PassData) };
    const { page } = records.page;
    const shown = { mood: name, moodPlan: brought.plan, moodVariant: brought.variant };
    return page === undefined ? records : { ...records, page: { page: { ...page, ...shown } } };
}
