/** The colour of some pixels of a picture, as the eye takes them together: the mean of their light. */
import { decode, encode } from './oklab';
import type { Colour } from './colour';

/** Pixels across of which a colour that is picked is the mean. */
export const ACROSS = ['1', '3', '11', '31'] as const;
export type Across = (typeof ACROSS)[number];
export const ACROSS_NAMES: Record<Across, string> = { '1': 'a point', '3': '3 px', '11': '11 px', '31': '31 px' };

type Picture = Pick<ImageData, 'data' | 'width' | 'height'>;

/** @param across pixels on a side of the square about a place; what reaches over the rim does not count */
export function meanAround({ data, width, height }: Picture, x: number, y: number, across: number): Colour {
    const within = (value: number, most: number): number => Math.max(0, Math.min(most - 1, Math.floor(value)));
    const reach = Math.floor(across / 2);
    const [middleX, middleY] = [within(x, width), within(y, height)];
    const sums = [0, 0, 0];
    let count = 0;
    for (let row = Math.max(0, middleY - reach); row <= Math.min(height - 1, middleY + reach); row++) {
        for (let column = Math.max(0, middleX - reach); column <= Math.min(width - 1, middleX + reach); column++) {
            for (let part = 0; part < 3; part++) sums[part] += decode(data[4 * (row * width + column) + part] / 255);
            count++;
        }
    }
    return sums.reduce((colour, sum) => colour * 256 + Math.round(255 * encode(sum / count)), 0);
}
