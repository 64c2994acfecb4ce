/** Adds a colour to darks, middle and lights of what lies beneath, as core/src/Colour/ColourBalance.php does. */
import type { BalanceData } from '../../api/generated';
import { asShare } from '../colour';
import { passKind } from './passKind';

export const balance = passKind<BalanceData>({
    kind: 'balance',
    holds: null,
    alters: true,
    lay(canvas, ground, pass, { darks, middle, lights }) {
        const value = (part: number, was: number): number => {
            const rest = 1 - was;
            const added = darks[part] * rest * rest + middle[part] * 2 * was * rest + lights[part] * was * was;
            return asShare(was + added);
        };
        canvas.alter(ground.filled(pass), (r, g, b) => [value(0, r), value(1, g), value(2, b)], pass);
    },
    swatch: () => 'linear-gradient(90deg, #3a4a6a, #8a8a7a, #e8d0a0)',
    words: () => 'a colour balance of what lies beneath',
});
