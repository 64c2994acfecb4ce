import type { ColourLinesInput } from '../../../api/generated';
import { opOf } from '../op';

export const colourLines = opOf<ColourLinesInput>()('lines.colour', {
    name: 'The colour of the lines',
    touches: () => ['page page'],
    show({ lines }, { records }) {
        const { page } = records.page;
        return page === undefined ? {} : { page: { page: { ...page, lines } } };
    },
});
