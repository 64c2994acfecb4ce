/** The kinds of pass. A new one is a file beside these and a line here, as in the core's PassKind. */
import type { ContentData } from '../../api/generated';
import { balance } from './balance';
import { clouds } from './clouds';
import { curve } from './curve';
import { gradient } from './gradient';
import { shift } from './shift';
import { wash } from './wash';
import { levels } from './levels';
import { glow } from './glow';
import { lightning } from './lightning';
import { shafts } from './shafts';
import { mist } from './mist';
import { shimmer } from './shimmer';
import { paint } from './paint';
import { particles } from './particles';
import type { PassKind } from './passKind';
import { softness } from './softness';
import { tint } from './tint';
import { tone } from './tone';

const KINDS: Record<ContentData['kind'], PassKind> = {
    tone,
    tint,
    paint,
    wash,
    gradient,
    levels,
    curve,
    shift,
    balance,
    mist,
    particles,
    clouds,
    lightning,
    shafts,
    softness,
    glow,
    shimmer,
};

export const passKindOf = ({ kind }: Pick<ContentData, 'kind'>): PassKind => KINDS[kind];
