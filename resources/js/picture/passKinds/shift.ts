/** Shifts the colours of what lies beneath, as core/src/Colour/RangedShift.php does. */
import type { ShiftPassData } from '../../api/generated';
import { asShare, unitOf, type Colour, type Triple } from '../colour';
import { madeOnce } from '../madeOnce';
import { toOklab } from '../oklab';
import { shifted } from '../shift';
import { within, withinDegrees } from '../softRange';
import { passKind } from './passKind';

/** Chroma from which on a colour has a hue. */
const GREY = 0.02;
/** So many colours are kept. */
const MOST = 1 << 17;

export const shift = passKind<ShiftPassData>({
    kind: 'shift',
    holds: null,
    alters: true,
    lay(canvas, ground, pass, content) {
        canvas.alter(ground.filled(pass), shiftOf(content), pass);
    },
    swatch: () => 'linear-gradient(90deg in oklch longer hue, #b96a6a, #b96a6a)',
    words: () => 'a shift of the colours beneath',
});

/** Of colours as 8 bits hold them: each is looked up once, for all tiles. */
const shiftOf = madeOnce((content: ShiftPassData): ((r: number, g: number, b: number) => Triple) => {
    const known = new Map<Colour, Triple>();
    const lookedUp = (key: Colour): Triple => {
        const found = known.get(key);
        if (found !== undefined) return found;
        if (known.size >= MOST) known.clear();
        const made = ofColour(content, key);
        known.set(key, made);
        return made;
    };
    return (r, g, b) => {
        const key = (Math.round(255 * r) << 16) | (Math.round(255 * g) << 8) | Math.round(255 * b);
        const [red, green, blue] = lookedUp(key);
        // What 8 bits leave out of a colour is added as it is.
        const [asR, asG, asB] = unitOf(key);
        return [asShare(red + r - asR), asShare(green + g - asG), asShare(blue + b - asB)];
    };
});

function ofColour(content: ShiftPassData, colour: Colour): Triple {
    const weight = weightOf(content, colour);
    const was = unitOf(colour);
    if (weight <= 0) return was;
    const is = unitOf(shifted(colour, content));
    return [0, 1, 2].map((part) => was[part] + (is[part] - was[part]) * weight) as Triple;
}

function weightOf({ hues, tones }: ShiftPassData, colour: Colour): number {
    if (hues === null && tones === null) return 1;
    const [l, a, b] = toOklab(colour);
    const ofTone = tones === null ? 1 : within(tones, l);
    if (hues === null) return ofTone;
    const hue = ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
    return ofTone * withinDegrees(hues, hue) * Math.min(1, Math.hypot(a, b) / GREY);
}
