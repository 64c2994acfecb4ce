/** Stretches the lightness of what lies beneath, as core/src/Colour/LevelsCurve.php does. */
import type { LevelsData } from '../../api/generated';
import { passKind } from './passKind';

export const levels = passKind<LevelsData>({
    kind: 'levels',
    holds: null,
    alters: true,
    lay(canvas, ground, pass, { black, white, middle }) {
        const value = (was: number): number =>
            Math.max(0, Math.min(1, (was - black) / (white - black))) ** (1 / middle);
        canvas.alter(ground.filled(pass), (r, g, b) => [value(r), value(g), value(b)], pass);
    },
    swatch: () => 'linear-gradient(90deg, #222222, #dddddd)',
    words: () => 'levels of what lies beneath',
});
