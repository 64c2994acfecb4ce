/** A stroke of lightning, as core/src/Compose/Layers/WeatherLayer.php lays it. */
import type { LightningData } from '../../api/generated';
import { Lightning, outlined } from '../weather/lightning';
import { layColour } from './layColour';
import { passKind } from './passKind';

export const lightning = passKind<LightningData>({
    kind: 'lightning',
    holds: null,
    isScattered: true,
    lay(canvas, ground, pass, content) {
        const covers = (one: LightningData): Uint8Array => {
            const drawn = new Lightning(one, ground.page, ground.level);
            return ground.drawn((stretch) => drawn.in(stretch));
        };
        const around = outlined(content);
        layColour(
            canvas,
            ground,
            pass,
            content.colour,
            covers(content),
            around && { colour: around.colour, coverage: covers(around) },
        );
    },
    swatch: ({ colour }) => `linear-gradient(75deg, transparent 40%, ${colour} 45%, ${colour} 55%, transparent 60%)`,
    words: ({ colour }) => `lightning in ${colour}`,
});
