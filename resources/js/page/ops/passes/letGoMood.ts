import type { LetGoMoodInput } from '../../../api/generated';
import { opOf } from '../op';
import { heldOf } from './wearMood';

/** Lets go a mood that the page keeps at hand. */
export const letGoMood = opOf<LetGoMoodInput>()('mood.letgo', {
    name: 'Letting the mood go',
    touches: ({ id }) => heldOf(id),
    show({ id }, { records }) {
        const held = { ...records.held };
        delete held[id];
        return { held };
    },
});
