import type { BringWithMoodInput } from '../../../api/generated';
import { opOf } from '../op';

/** Says which light plan and which variant of the palette the page's mood brings. */
export const bringWithMood = opOf<BringWithMoodInput>()('mood.bring', {
    name: 'What the mood brings',
    touches: () => ['page page'],
    show({ plan, variant }, { records }) {
        const { page } = records.page;
        return page === undefined ? {} : { page: { page: { ...page, moodPlan: plan, moodVariant: variant } } };
    },
});
