import type { StartPageInput } from '../../../api/generated';
import { opOf } from '../op';

export const startPage = opOf<StartPageInput>()('page.start', {
    name: 'The empty page',
    touches: () => ['page page'],
    show: (size) => ({
        page: {
            page: {
                ...size,
                behind: false,
                lines: { rule: 'black', colour: '#111111', shown: true },
                mood: '',
                moodPlan: null,
                moodVariant: null,
            },
        },
    }),
});
