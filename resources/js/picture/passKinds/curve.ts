/** A curve over what lies beneath, as core/src/Colour/ToneCurve.php. */
import type { CurveData } from '../../api/generated';
import { ofChannel } from '../channels';
import { asShare } from '../colour';
import { monotoneCurve } from '../monotoneCurve';
import { passKind } from './passKind';

export const curve = passKind<CurveData>({
    kind: 'curve',
    holds: null,
    alters: true,
    lay(canvas, ground, pass, { channel, points }) {
        const curved = monotoneCurve(points);
        const value = (was: number): number => asShare(curved(was));
        canvas.alter(ground.filled(pass), ofChannel(channel, value), pass);
    },
    swatch: () => 'linear-gradient(135deg, #dddddd 49%, #444444 51%)',
    words: () => 'a curve over what lies beneath',
});
