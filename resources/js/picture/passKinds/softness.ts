/** Makes what lies beneath soft, as core/src/Compose/Layers/SoftnessLayer.php does. */
import type { SoftnessData } from '../../api/generated';
import { BoxBlur } from '../boxBlur';
import { passKind } from './passKind';

/** At a level of the page that is halved so often. */
const blurOf = ({ reach }: SoftnessData, level: number): BoxBlur => new BoxBlur(reach / 2 ** level);

export const softness = passKind<SoftnessData>({
    kind: 'softness',
    holds: null,
    alters: true,
    margin: (content, _thousandth, level) => blurOf(content, level).reach,
    lay(canvas, ground, pass, content) {
        const filled = ground.filled(pass);
        // Some pixels by themselves have no neighbours: whoever composes them knows that they are a draft.
        if (filled === null || ground.isGathered) return;
        const soft = canvas.copy();
        const blur = blurOf(content, ground.level);
        for (const plane of [soft.r, soft.g, soft.b]) blur.blur(plane, ground.width, ground.count / ground.width);
        canvas.lay(soft, filled, pass.mode, pass.opacity);
    },
    swatch: () => 'radial-gradient(#888888, #eeeeee)',
    words: () => 'softness of what lies beneath',
});
