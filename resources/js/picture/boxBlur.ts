/** A bell-shaped blur of any width by four boxes whose ends count in part, as core/src/Raster/BoxBlur.php does it. */
const BOXES = 4;

export class BoxBlur {
    /** Whole pixels to either side of each box. */
    private readonly whole: number;
    /** How much the pixel after them counts, 0..1. */
    private readonly end: number;

    /** @param sigma of the bell, px; above 0 */
    constructor(sigma: number) {
        const variance = (sigma * sigma) / BOXES;
        const side = Math.floor((Math.sqrt(12 * variance + 1) - 1) / 2);
        this.whole = side;
        this.end = ((2 * side + 1) * (side * (side + 1) - 3 * variance)) / (6 * (variance - (side + 1) ** 2));
    }

    /** Px beside a pixel that count for it, at the most. */
    get reach(): number {
        return BOXES * (this.whole + 1);
    }

    /** @param values row after row; altered */
    blur(values: Float32Array, width: number, height: number): void {
        const room = Math.max(width, height) + 2 * this.reach;
        const lines: Lines = [new Float32Array(room), new Float32Array(room)];
        for (let y = 0; y < height; y++) this.line(values, lines, y * width, 1, width);
        for (let x = 0; x < width; x++) this.line(values, lines, x, width, height);
    }

    /** Its ends are repeated as far as the blur reaches; each box leaves out what it cannot see both sides of. */
    private line(values: Float32Array, lines: Lines, from: number, step: number, length: number): void {
        const { whole, end, reach } = this;
        const part = 1 / (2 * whole + 1 + 2 * end);
        let [line, next] = lines;
        for (let i = 0; i < length + 2 * reach; i++)
            line[i] = values[from + step * Math.max(0, Math.min(length - 1, i - reach))];
        for (let box = 0, count = length + 2 * reach; box < BOXES; box++) {
            count -= 2 * (whole + 1);
            let sum = 0;
            for (let i = 1; i <= 2 * whole + 1; i++) sum += line[i];
            for (let i = 0; i < count; i++) {
                const after = line[i + 2 * whole + 2];
                next[i] = (sum + end * (line[i] + after)) * part;
                sum += after - line[i + 1];
            }
            [line, next] = [next, line];
        }
        for (let i = 0; i < length; i++) values[from + step * i] = line[i];
    }
}

type Lines = [Float32Array, Float32Array];
