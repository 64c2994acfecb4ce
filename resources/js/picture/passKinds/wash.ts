/** One colour over all that the pass reaches: its own, or that of what lies around a figure. */
import type { WashData } from '../../api/generated';
import { toColour } from '../colour';
import { colourAround } from '../surroundings';
import { passKind } from './passKind';

export const wash = passKind<WashData>({
    kind: 'wash',
    holds: null,
    lay(canvas, ground, pass, content) {
        const colour = toColour(content.colour);
        canvas.tint(ground, ground.filled(pass), () => colour, pass);
    },
    onPage: (content, _, flats) => ({
        ...content,
        colour: colourAround(content.around ?? [], flats) ?? content.colour,
    }),
    swatch: ({ colour }) => colour,
    words: ({ colour, around }, { mode }) =>
        around === undefined ? `a wash of ${colour} in ${mode}` : `a wash in the colour of its surroundings in ${mode}`,
});
