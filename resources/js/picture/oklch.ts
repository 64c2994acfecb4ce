/** Colours as a person who mixes them thinks of them: how light, how strong, of which hue. */
import { fitted, isInGamut, toOklab } from './oklab';
import type { Colour, Triple } from './colour';

export interface Oklch {
    /** 0..1 */
    l: number;
    /** 0..about 0.37 in sRGB */
    c: number;
    /** Degrees, 0..360. */
    h: number;
}

/** The most chroma any colour of sRGB has, a little rounded up. */
export const MOST_CHROMA = 0.33;

const GREY = 1e-4;

/** @param hue the one to keep where the colour is grey and has none */
export function toOklch(colour: Colour, hue = 0): Oklch {
    const [l, a, b] = toOklab(colour);
    const c = Math.hypot(a, b);
    const h = (Math.atan2(b, a) * 180) / Math.PI;
    return { l, c, h: c < GREY ? hue : (h + 360) % 360 };
}

const lab = ({ l, c, h }: Oklch): Triple => [l, c * Math.cos((h * Math.PI) / 180), c * Math.sin((h * Math.PI) / 180)];

export const isShown = (colour: Oklch): boolean => isInGamut(lab(colour));

/** Of the same lightness and hue, with less chroma where sRGB cannot show it. */
export const ofOklch = (colour: Oklch): Colour => fitted(lab(colour));

export const hexOf = (colour: Colour): string => `#${colour.toString(16).padStart(6, '0')}`;
