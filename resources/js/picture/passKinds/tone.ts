/** Each material's own tone through the pass's coverage; where there is no material, nothing. */
import type { ToneData } from '../../api/generated';
import { nameOf } from '../../api/tones';
import { passKind } from './passKind';

export const tone = passKind<ToneData>({
    kind: 'tone',
    holds: 'coverage',
    lay: (canvas, ground, pass, content) =>
        canvas.tint(ground, ground.coverageOf(pass), (flat) => flat?.tones[content.tone], pass),
    swatch(content, pass, palette) {
        const tones =
            palette.figures
                .find((figure) => figure.id === pass.figure)
                ?.materials.map((one) => one.tones[content.tone]) ?? [];
        if (tones.length === 0) return '#888888';
        const part = 100 / tones.length;
        return `linear-gradient(90deg, ${tones.map((colour, i) => `${colour} ${i * part}% ${(i + 1) * part}%`).join(', ')})`;
    },
    words(content, _, material) {
        if (material.more.some((one) => one.tone === content.tone))
            return `its tone “${nameOf(material, content.tone)}”`;
        return `each material’s own ${content.tone === 'line' ? 'line colour' : `${content.tone} tone`}`;
    },
});
