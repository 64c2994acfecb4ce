/** A stroke of lightning, as core/src/Compose/Layers/WeatherLayer.php lays it. */
import type { LightningData } from '../../api/generated';
import { Lightning, outlined } from '../weather/lightning';
import { layOutlined } from './layColour';
import { passKind } from './passKind';

export const lightning = passKind<LightningData>({
    kind: 'lightning',
    holds: null,
    isScattered: true,
    lay(canvas, ground, pass, content) {
        layOutlined(canvas, ground, pass, [content, outlined(content)], (one) => {
            const drawn = new Lightning(one, ground.page, ground.level);
            return ground.drawn((stretch) => drawn.in(stretch));
        });
    },
    swatch: ({ colour }) => `linear-gradient(75deg, transparent 40%, ${colour} 45%, ${colour} 55%, transparent 60%)`,
    words: ({ colour }) => `lightning in ${colour}`,
});
