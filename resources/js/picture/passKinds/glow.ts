/** The glow of what is bright beneath, as core/src/Compose/Layers/GlowLayer.php lays it. */
import type { GlowData } from '../../api/generated';
import { BoxBlur } from '../boxBlur';
import type { FloatCanvas } from '../canvas';
import { passKind } from './passKind';

/** Px, on a page as large as it is. */
const MOST = 60;
const LEAST = 0.1;

const blurOf = ({ reach }: GlowData, thousandth: number, level: number): BoxBlur =>
    new BoxBlur(Math.max(LEAST, Math.min(MOST / 2 ** level, reach * thousandth)));

export const glow = passKind<GlowData>({
    kind: 'glow',
    holds: null,
    alters: true,
    margin: (content, thousandth, level) => blurOf(content, thousandth, level).reach,
    lay(canvas, ground, pass, content) {
        const filled = ground.filled(pass);
        // Some pixels by themselves have no neighbours: whoever composes them knows that they are a draft.
        if (filled === null || ground.isGathered) return;
        const soft = canvas.copy();
        keepBright(soft, content.threshold);
        const blur = blurOf(content, ground.thousandth, ground.level);
        for (const plane of [soft.r, soft.g, soft.b]) blur.blur(plane, ground.width, ground.count / ground.width);
        canvas.lay(soft, filled, pass.mode, pass.opacity);
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
