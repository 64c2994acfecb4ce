/** The glow of what is bright beneath, as core/src/Compose/Layers/GlowLayer.php lays it. */
import type { GlowData } from '../../api/generated';
import { BoxBlur } from '../boxBlur';
import type { FloatCanvas } from '../canvas';
import { layAround, MOST_AROUND } from './layAround';
import { passKind } from './passKind';

/** Px: the least blur that is computed. */
const LEAST = 0.1;

const blurOf = ({ reach }: GlowData, thousandth: number, level: number): BoxBlur =>
    new BoxBlur(Math.max(LEAST, Math.min(MOST_AROUND / 2 ** level, reach * thousandth)));

export const glow = passKind<GlowData>({
    kind: 'glow',
    holds: null,
    alters: true,
    margin: (content, thousandth, level) => blurOf(content, thousandth, level).reach,
    lay(canvas, ground, pass, content) {
        const blur = blurOf(content, ground.thousandth, ground.level);
        layAround(canvas, ground, pass, (copy, width, height) => {
            keepBright(copy, content.threshold);
            copy.blur(blur, width, height);
        });
    },
    swatch: () => 'radial-gradient(#ffffff, #888888)',
    words: () => 'glow of what is bright beneath',
});

/** All of a pixel whose brightest channel is full, nothing of one below the threshold, a smooth step between. */
function keepBright({ r, g, b, count }: FloatCanvas, threshold: number): void {
    for (let i = 0; i < count; i++) {
        const way = Math.max(0, (Math.max(r[i], g[i], b[i]) - threshold) / (1 - threshold));
        const share = way * way * (3 - 2 * way);
        r[i] *= share;
        g[i] *= share;
        b[i] *= share;
    }
}
