/** One colour in patches or as an even fog, as core/src/Compose/Layers/MistLayer.php lays it. */
import type { MistData } from '../../api/generated';
import { mistAt } from '../weather/mist';
import { layColour } from './layColour';
import { passKind } from './passKind';

export const mist = passKind<MistData>({
    kind: 'mist',
    holds: null,
    lay(canvas, ground, pass, content) {
        layColour(canvas, ground, pass, content.colour, ground.generated(mistAt(content, ground.page)));
    },
    swatch: ({ colour }) => `radial-gradient(${colour}, transparent)`,
    words: ({ colour }) => `mist in ${colour}`,
});
