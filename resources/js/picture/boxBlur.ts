/** A bell-shaped blur of any width by three boxes whose ends count in part, as core/src/Raster/BoxBlur.php does it. */
const BOXES = 3;

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
        const line = new Float32Array(Math.max(width, height));
        for (let box = 0; box < BOXES; box++) {
            for (let y = 0; y < height; y++) this.line(values, line, y * width, 1, width);
            for (let x = 0; x < width; x++) this.line(values, line, x, width, height);
        }
    }

    private line(values: Float32Array, line: Float32Array, from: number, step: number, count: number): void {
        const { whole, end } = this;
        const part = 1 / (2 * whole + 1 + 2 * end);
        const last = count - 1;
        for (let i = 0; i < count; i++) line[i] = values[from + i * step];
        const at = (i: number): number => line[i < 0 ? 0 : i > last ? last : i];
        let sum = 0;
        for (let i = -whole; i <= whole; i++) sum += at(i);
        for (let i = 0; i < count; i++) {
            const next = at(i + whole + 1);
            values[from + i * step] = (sum + end * (at(i - whole - 1) + next)) * part;
            sum += next - at(i - whole);
        }
    }
}
