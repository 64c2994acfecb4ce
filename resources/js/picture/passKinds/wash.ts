/** One colour over all that the pass reaches. */
import type { WashData } from '../../api/generated';
import { toColour } from '../colour';
import { passKind } from './passKind';

export const wash = passKind<WashData>({
    kind: 'wash',
    holds: null,
    lay(canvas, ground, pass, content) {
        const colour = toColour(content.colour);
        canvas.tint(ground, ground.filled(pass), () => colour, pass);
    },
    swatch: ({ colour }) => colour,
    words: ({ colour }, { mode }) => `a wash of ${colour} in ${mode}`,
});
