/** The tooth of the paper, as core/src/Brush/Grain.php makes it: it lies still on the page. */
import { SIDE } from './compose';

/** The pattern repeats after so many pixels of the page. */
const PATTERN = 128;
const GONE = 140;
const FADE = 40;

let made: Uint8Array | null = null;

/** Heights of 0 to 255, row by row. */
function tooth(): Uint8Array {
    made ??= Uint8Array.from({ length: PATTERN * PATTERN }, (_, i) => height(i % PATTERN, Math.floor(i / PATTERN)));
    return made;
}

function height(x: number, y: number): number {
    let sum = 0;
    for (let dy = -1; dy <= 1; dy++) {
        for (let dx = -1; dx <= 1; dx++) {
            sum += (2 - Math.abs(dx)) * (2 - Math.abs(dy)) * hash((x + dx) & (PATTERN - 1), (y + dy) & (PATTERN - 1));
        }
    }
    return Math.max(0, Math.min(255, Math.trunc((5 * (sum - 16 * 128)) / 32) + 128));
}

function hash(x: number, y: number): number {
    let mixed = (Math.imul(x, 0x27d4eb2d) + Math.imul(y, 0x165667b1)) >>> 0;
    mixed = Math.imul(mixed ^ (mixed >>> 15), 0x2c1b3c6d) >>> 0;
    return (mixed ^ (mixed >>> 13)) & 255;
}

/** A tile of a line's coverage with the grain in it; on a coarser level every second, fourth … place of the paper. */
export function grained(coverage: Uint8Array, amount: number, level: number, column: number, row: number): Uint8Array {
    if (amount <= 0) return coverage;
    const kept = Uint8Array.from({ length: 256 }, (_, value) =>
        Math.max(0, Math.min(255, Math.round((255 * (value - GONE * amount + FADE / 2)) / FADE))),
    );
    const pattern = tooth();
    const out = new Uint8Array(coverage.length);
    for (let y = 0, at = 0; y < SIDE; y++) {
        const line = PATTERN * (((row * SIDE + y) << level) & (PATTERN - 1));
        for (let x = 0; x < SIDE; x++, at++) {
            if (coverage[at] === 0) continue;
            const keep = kept[pattern[line + (((column * SIDE + x) << level) & (PATTERN - 1))]];
            out[at] = Math.floor((coverage[at] * keep + 127) / 255);
        }
    }
    return out;
}
