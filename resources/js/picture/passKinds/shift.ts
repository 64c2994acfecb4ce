/** Shifts the colours of what lies beneath, as core/src/Colour/RangedShift.php does. */
import type { ShiftPassData } from '../../api/generated';
import type { Alteration } from '../canvas';
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
const shiftOf = madeOnce((content: ShiftPassData): Alteration => {
    const known = new Map<Colour, Triple>();
    const lookedUp = (key: Colour): Triple => {
        const found = known.get(key);
        if (found !== undefined) return found;
        if (known.size >= MOST) known.clear();
        const made = ofColour(content, key);
        known.set(key, made);
        return made;
    };
    // Most pixels have the colour of the one before them.
    let last: Colour = 0;
    let shifted = lookedUp(last);
    return (r, g, b, out) => {
        const [red, green, blue] = [(255 * r + 0.5) | 0, (255 * g + 0.5) | 0, (255 * b + 0.5) | 0];
        const key = (red << 16) | (green << 8) | blue;
        if (key !== last) {
            last = key;
            shifted = lookedUp(key);
        }
        // What 8 bits leave out of a colour is added as it is.
        out[0] = asShare(shifted[0] + r - red / 255);
        out[1] = asShare(shifted[1] + g - green / 255);
        out[2] = asShare(shifted[2] + b - blue / 255);
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
