/** Makes what lies beneath soft, as core/src/Compose/Layers/SoftnessLayer.php does. */
import type { SoftnessData } from '../../api/generated';
import { BoxBlur } from '../boxBlur';
import { layAround } from './layAround';
import { passKind } from './passKind';

/** At a level of the page that is halved so often. */
const blurOf = ({ reach }: SoftnessData, level: number): BoxBlur => new BoxBlur(reach / 2 ** level);

export const softness = passKind<SoftnessData>({
    kind: 'softness',
    holds: null,
    alters: true,
    margin: (content, _thousandth, level) => blurOf(content, level).reach,
    lay(canvas, ground, pass, content) {
        const blur = blurOf(content, ground.level);
        layAround(canvas, ground, pass, (copy, width, height) => copy.blur(blur, width, height));
    },
    swatch: () => 'radial-gradient(#888888, #eeeeee)',
    words: () => 'softness of what lies beneath',
});
