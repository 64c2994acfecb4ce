/** Rain, snow and other small things, as core/src/Compose/Layers/ParticlesLayer.php lays them. */
import type { ParticlesData } from '../../api/generated';
import { outlined, particles as drawn } from '../weather/particles';
import { layOutlined } from './layColour';
import { passKind } from './passKind';

const WORDS: Record<ParticlesData['form'], string> = {
    streak: 'streaks',
    flake: 'flakes',
    crystal: 'crystals',
    petal: 'petals',
    ripple: 'ripples',
    splash: 'splashes',
};

export const particles = passKind<ParticlesData>({
    kind: 'particles',
    holds: null,
    isScattered: true,
    lay(canvas, ground, pass, content) {
        layOutlined(canvas, ground, pass, [content, outlined(content)], (one) =>
            ground.drawn((stretch) => drawn(one, ground.page, ground.level, stretch)),
        );
    },
    swatch: ({ colour }) => `radial-gradient(${colour} 25%, transparent 30%) 0 0 / 6px 6px`,
    words: ({ form, colour }) => `${WORDS[form]} in ${colour}`,
});
