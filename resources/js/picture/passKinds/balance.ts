/** Adds a colour to darks, middle and lights of what lies beneath, as core/src/Colour/ColourBalance.php does. */
import type { BalanceData } from '../../api/generated';
import type { ChannelTables } from '../channels';
import { asShare } from '../colour';
import { madeOnce } from '../madeOnce';
import { ToneTable } from '../toneTable';
import { passKind } from './passKind';

export const balance = passKind<BalanceData>({
    kind: 'balance',
    holds: null,
    alters: true,
    lay(canvas, ground, pass, content) {
        canvas.alterChannels(ground.filled(pass), tablesOf(content), pass);
    },
    swatch: () => 'linear-gradient(90deg, #3a4a6a, #8a8a7a, #e8d0a0)',
    words: () => 'a colour balance of what lies beneath',
});

const tablesOf = madeOnce(({ darks, middle, lights }: BalanceData): ChannelTables => {
    const table = (part: number): ToneTable =>
        new ToneTable((was) => {
            const rest = 1 - was;
            const added = darks[part] * rest * rest + middle[part] * 2 * was * rest + lights[part] * was * was;
            return asShare(was + added);
        });
    return [table(0), table(1), table(2)];
});
