/**
 * Shifts colours as the core does: in OKLCh (Ottosson 2020), with less chroma where sRGB cannot show it. Fixtures hold
 * them together.
 */
import type { TurnData } from '../api/generated';
import { asShare, type Colour } from './colour';
import { fitted, toOklab } from './oklab';

export function shifted(colour: Colour, { lightness, chroma, hue }: TurnData): Colour {
    const [l, a, b] = toOklab(colour);
    const turn = (hue * Math.PI) / 180;
    return fitted([
        asShare(l + lightness),
        chroma * (a * Math.cos(turn) - b * Math.sin(turn)),
        chroma * (a * Math.sin(turn) + b * Math.cos(turn)),
    ]);
}
