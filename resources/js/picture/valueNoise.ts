/** Soft patches that look random and follow from a seed, as core/src/Raster/ValueNoise.php makes them. */
import { chance } from './chance';

/** Corners of one row of the grid. */
const ROW = 1 << 13;

/** @param size px from corner to corner; the value at a place of the page is 0..1 */
export function valueNoise(seed: number, size: number): (x: number, y: number) => number {
    const known = new Map<number, number>();
    const corner = (at: number): number => {
        const there = known.get(at) ?? chance(seed, at);
        known.set(at, there);
        return there;
    };
    return (x, y) => {
        const [column, row] = [Math.floor(x / size), Math.floor(y / size)];
        const [across, down] = [step(x / size - column), step(y / size - row)];
        const at = row * ROW + column;
        const left = corner(at) + (corner(at + ROW) - corner(at)) * down;
        const right = corner(at + 1) + (corner(at + ROW + 1) - corner(at + 1)) * down;
        return left + (right - left) * across;
    };
}

const step = (part: number): number => part * part * (3 - 2 * part);
