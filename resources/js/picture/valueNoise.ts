/** Soft patches that look random and follow from a seed, as core/src/Raster/ValueNoise.php makes them. */
import { chance } from './chance';

/** Corners of one row of the grid. */
const ROW = 1 << 13;

/** @param size px from corner to corner; the value at a place of the page is 0..1 */
export function valueNoise(seed: number, size: number): (x: number, y: number) => number {
    // Whoever asks goes along rows: most places lie between the same four corners as the one before.
    let [column, row] = [NaN, NaN];
    let [leftTop, rightTop, leftBottom, rightBottom] = [0, 0, 0, 0];
    return (x, y) => {
        const [across, down] = [x / size, y / size];
        const [atColumn, atRow] = [Math.floor(across), Math.floor(down)];
        if (atColumn !== column || atRow !== row) {
            [column, row] = [atColumn, atRow];
            const at = row * ROW + column;
            leftTop = chance(seed, at);
            rightTop = chance(seed, at + 1);
            leftBottom = chance(seed, at + ROW);
            rightBottom = chance(seed, at + ROW + 1);
        }
        const way = step(down - row);
        const left = leftTop + (leftBottom - leftTop) * way;
        const right = rightTop + (rightBottom - rightTop) * way;
        return left + (right - left) * step(across - column);
    };
}

const step = (part: number): number => part * part * (3 - 2 * part);
