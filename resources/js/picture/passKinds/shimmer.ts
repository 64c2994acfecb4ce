/** Heat that moves what lies beneath aside in waves, as core/src/Compose/Layers/ShimmerLayer.php does. */
import type { ShimmerData } from '../../api/generated';
import { chance } from '../chance';
import type { Ground } from '../ground';
import { layAround, MOST_AROUND } from './layAround';
import { passKind } from './passKind';

/** What the long and the fine wave count, and how long the fine one and its wandering are. */
const [LONG, FINE, FINER, WANDERS, WANDERING] = [0.6, 0.4, 0.43, 2.6, 1.7];

const heightOf = ({ height }: ShimmerData, thousandth: number, level: number): number =>
    Math.min(MOST_AROUND / 2 ** level, height * thousandth);

export const shimmer = passKind<ShimmerData>({
    kind: 'shimmer',
    holds: null,
    alters: true,
    margin: (content, thousandth, level) => Math.ceil(heightOf(content, thousandth, level)) + 1,
    lay(canvas, ground, pass, content) {
        const aside = asideOf(content, ground);
        layAround(canvas, ground, pass, (moved, width, height) =>
            ground.everywhere((i, _x, _y, middleX, middleY) => {
                const [x, y] = aside(i, middleX, middleY);
                const at = between(x, y, width, height);
                moved.r[i] = at(canvas.r);
                moved.g[i] = at(canvas.g);
                moved.b[i] = at(canvas.b);
            }),
        );
    },
    swatch: () => 'repeating-linear-gradient(#999999 0 3px, #e5e5e5 3px 6px)',
    words: () => 'heat shimmer of what lies beneath',
});

/** For a pixel of the block, by its middle in px of the whole page: the place of the block it is taken from. */
function asideOf(content: ShimmerData, ground: Ground): (i: number, x: number, y: number) => [number, number] {
    const { seed, angle, length } = content;
    const [across, down] = [Math.sin((angle * Math.PI) / 180), Math.cos((angle * Math.PI) / 180)];
    const [first, second, third] = [0, 1, 2].map((number) => 2 * Math.PI * chance(seed, number));
    const whole = ground.thousandth * 2 ** ground.level;
    const wave = (2 * Math.PI) / Math.max(1, length * whole);
    const height = heightOf(content, ground.thousandth, ground.level);
    return (i, x, y) => {
        const along = x * across + y * down;
        const beside = x * down - y * across;
        const wandering = WANDERING * Math.sin((wave * beside) / WANDERS + third);
        const fine = Math.sin((wave * along) / FINER + second + wandering);
        const aside = height * (LONG * Math.sin(wave * along + first) + FINE * fine);
        return [(i % ground.width) + aside * down, Math.floor(i / ground.width) - aside * across];
    };
}

/** Between the four pixels about a place; beyond the edge is what lies at the edge. */
function between(column: number, row: number, width: number, height: number): (plane: Float32Array) => number {
    const x = Math.max(0, Math.min(width - 1, column));
    const y = Math.max(0, Math.min(height - 1, row));
    const [left, upper] = [Math.floor(x), Math.floor(y)];
    const right = Math.min(left + 1, width - 1);
    const first = upper * width;
    const second = Math.min(upper + 1, height - 1) * width;
    const part = x - left;
    return (plane) => {
        const above = plane[first + left] + (plane[first + right] - plane[first + left]) * part;
        const below = plane[second + left] + (plane[second + right] - plane[second + left]) * part;
        return above + (below - above) * (y - upper);
    };
}
