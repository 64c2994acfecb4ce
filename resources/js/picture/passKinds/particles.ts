/** Rain, snow and other small things, as core/src/Compose/Layers/ParticlesLayer.php lays them. */
import type { ParticlesData } from '../../api/generated';
import { outlined, particles as drawn } from '../weather/particles';
import { layColour } from './layColour';
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
        const covers = (one: ParticlesData): Uint8Array =>
            ground.drawn((stretch) => drawn(one, ground.page, ground.level, stretch));
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
    swatch: ({ colour }) => `radial-gradient(${colour} 25%, transparent 30%) 0 0 / 6px 6px`,
    words: ({ form, colour }) => `${WORDS[form]} in ${colour}`,
});
