/** Light shafts, as core/src/Compose/Layers/WeatherLayer.php lays them. */
import type { ShaftsData } from '../../api/generated';
import { Shafts } from '../weather/shafts';
import { layColour } from './layColour';
import { passKind } from './passKind';

export const shafts = passKind<ShaftsData>({
    kind: 'shafts',
    holds: null,
    isScattered: true,
    lay(canvas, ground, pass, content) {
        const made = new Shafts(content, ground.page, ground.level);
        layColour(
            canvas,
            ground,
            pass,
            content.colour,
            ground.drawn((stretch) => made.in(stretch)),
        );
    },
    swatch: ({ colour }) =>
        `repeating-linear-gradient(115deg, transparent 0 15%, ${colour} 22% 28%, transparent 35% 40%)`,
    words: ({ colour }) => `light shafts in ${colour}`,
});
