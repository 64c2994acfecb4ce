import type { GroupInput } from '../../../api/generated';
import { opOf } from '../op';
import { passesOf, withGroup } from '../shown';

/** Passes blend among themselves first; with how null they are parted. */
export const groupPasses = opOf<GroupInput>()('group', {
    name: 'The grouping',
    touches: ({ id, passes }) => [`group ${id}`, ...passesOf(passes)],
    show: ({ id, how }, view) => withGroup(view, id, how),
});
