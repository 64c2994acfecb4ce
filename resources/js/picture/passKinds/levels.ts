/** Stretches the lightness of what lies beneath, as core/src/Colour/LevelsCurve.php does. */
import type { LevelsData } from '../../api/generated';
import { ofChannel } from '../channels';
import { asShare } from '../colour';
import { passKind } from './passKind';

export const levels = passKind<LevelsData>({
    kind: 'levels',
    holds: null,
    alters: true,
    lay(canvas, ground, pass, { channel, black, white, middle, low, high }) {
        const value = (was: number): number =>
            low + (high - low) * asShare((was - black) / (white - black)) ** (1 / middle);
        canvas.alter(ground.filled(pass), ofChannel(channel, value), pass);
    },
    swatch: () => 'linear-gradient(90deg, #222222, #dddddd)',
    words: () => 'levels of what lies beneath',
});
