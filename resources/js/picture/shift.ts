/**
 * Shifts colours as the core does: in OKLCh (Ottosson 2020), with less chroma where sRGB cannot show it. Fixtures hold
 * them together.
 */
import type { TurnData } from '../api/generated';
import { fitted, toOklab } from './oklab';
import type { Colour } from './colour';

export function shifted(colour: Colour, { lightness, chroma, hue }: TurnData): Colour {
    const [l, a, b] = toOklab(colour);
    const turn = (hue * Math.PI) / 180;
    return fitted([
        Math.max(0, Math.min(1, l + lightness)),
        chroma * (a * Math.cos(turn) - b * Math.sin(turn)),
        chroma * (a * Math.sin(turn) + b * Math.cos(turn)),
    ]);
}
