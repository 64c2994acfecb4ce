/** Stretches the lightness of what lies beneath, as core/src/Colour/LevelsCurve.php does. */
import type { LevelsData } from '../../api/generated';
import { channelTables } from '../channels';
import { asShare } from '../colour';
import { madeOnce } from '../madeOnce';
import { passKind } from './passKind';

export const levels = passKind<LevelsData>({
    kind: 'levels',
    holds: null,
    alters: true,
    lay(canvas, ground, pass, content) {
        canvas.alterChannels(ground.filled(pass), tablesOf(content), pass);
    },
    swatch: () => 'linear-gradient(90deg, #222222, #dddddd)',
    words: () => 'levels of what lies beneath',
});

const tablesOf = madeOnce(({ channel, black, white, middle, low, high }: LevelsData) =>
    channelTables(channel, (was) => low + (high - low) * asShare((was - black) / (white - black)) ** (1 / middle)),
);
