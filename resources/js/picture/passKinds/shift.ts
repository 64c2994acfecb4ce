/** Shifts the colours of what lies beneath, as core/src/Colour/RangedShift.php does. */
import type { ShiftPassData } from '../../api/generated';
import type { Colour } from '../colour';
import { toOklab } from '../oklab';
import { shifted } from '../shift';
import { within, withinDegrees } from '../softRange';
import { passKind } from './passKind';

type Triple = [number, number, number];

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

/** Of colours as 8 bits hold them: each is looked up once. */
function shiftOf(content: ShiftPassData): (r: number, g: number, b: number) => Triple {
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
        const [asR, asG, asB] = unit(key);
        return [held(red + r - asR), held(green + g - asG), held(blue + b - asB)];
    };
}

const held = (value: number): number => Math.max(0, Math.min(1, value));

const unit = (colour: Colour): Triple => [
    ((colour >> 16) & 255) / 255,
    ((colour >> 8) & 255) / 255,
    (colour & 255) / 255,
];

function ofColour(content: ShiftPassData, colour: Colour): Triple {
    const weight = weightOf(content, colour);
    const was = unit(colour);
    if (weight <= 0) return was;
    const is = unit(shifted(colour, content));
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
