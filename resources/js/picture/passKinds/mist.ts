/**
 * One colour in patches that are computed from the place on the page, as core/src/Compose/Layers/MistLayer.php lays it.
 */
import type { MistData } from '../../api/generated';
import { toColour } from '../colour';
import { valueNoise } from '../valueNoise';
import { passKind } from './passKind';

/** What the patches of half the size count beside the large ones. */
const FINER = 0.5;

export const mist = passKind<MistData>({
    kind: 'mist',
    holds: null,
    lay(canvas, ground, pass, { colour, size, density, seed }) {
        const filled = ground.filled(pass);
        if (filled === null) return;
        const large = valueNoise(seed, size);
        const fine = valueNoise(seed + 1, size / 2);
        const coverage = ground.generated((x, y) => (255 * density * (large(x, y) + FINER * fine(x, y))) / (1 + FINER));
        for (let i = 0; i < coverage.length; i++) coverage[i] = Math.round((coverage[i] * filled[i]) / 255);
        const laid = toColour(colour);
        canvas.tint(ground, coverage, () => laid, pass);
    },
    swatch: ({ colour }) => `radial-gradient(${colour}, transparent)`,
    words: ({ colour }) => `mist in ${colour}`,
});
