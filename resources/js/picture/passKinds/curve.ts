/** A curve over what lies beneath, as core/src/Colour/ToneCurve.php. */
import type { CurveData } from '../../api/generated';
import { channelTables } from '../channels';
import { asShare } from '../colour';
import { madeOnce } from '../madeOnce';
import { monotoneCurve } from '../monotoneCurve';
import { passKind } from './passKind';

export const curve = passKind<CurveData>({
    kind: 'curve',
    holds: null,
    alters: true,
    lay(canvas, ground, pass, content) {
        canvas.alterChannels(ground.filled(pass), tablesOf(content), pass);
    },
    swatch: () => 'linear-gradient(135deg, #dddddd 49%, #444444 51%)',
    words: () => 'a curve over what lies beneath',
});

const tablesOf = madeOnce(({ channel, points }: CurveData) => {
    const curved = monotoneCurve(points);
    return channelTables(channel, (was) => asShare(curved(was)));
});
