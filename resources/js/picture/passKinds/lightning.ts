/** A stroke of lightning, as core/src/Compose/Layers/LightningLayer.php lays it. */
import type { LightningData } from '../../api/generated';
import { Lightning } from '../weather/lightning';
import { layColour } from './layColour';
import { passKind } from './passKind';

export const lightning = passKind<LightningData>({
    kind: 'lightning',
    holds: null,
    isScattered: true,
    lay(canvas, ground, pass, content) {
        const drawn = new Lightning(content, ground.page, ground.level);
        layColour(
            canvas,
            ground,
            pass,
            content.colour,
            ground.drawn((stretch) => drawn.in(stretch)),
        );
    },
    swatch: ({ colour }) => `linear-gradient(75deg, transparent 40%, ${colour} 45%, ${colour} 55%, transparent 60%)`,
    words: ({ colour }) => `lightning in ${colour}`,
});
