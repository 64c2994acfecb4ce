/** A function of 0..1 that is looked up: between its places it runs straight, where that is near enough. */

/** Sixteen for each step of a byte: what a byte holds is always exact. */
const PLACES = 16 * 255;
/** How far the function may lie beside the straight line in the middle of a place; a fraction of a byte's step. */
const NEAR = 1 / 2048;

export class ToneTable {
    private readonly values = new Float64Array(PLACES + 2);
    /** Places where it bends too much: there it is asked itself. */
    private readonly isBent = new Uint8Array(PLACES + 1);

    constructor(private readonly exact: (x: number) => number) {
        for (let i = 0; i <= PLACES; i++) this.values[i] = exact(i / PLACES);
        this.values[PLACES + 1] = this.values[PLACES];
        for (let i = 0; i < PLACES; i++) {
            const straight = (this.values[i] + this.values[i + 1]) / 2;
            if (Math.abs(exact((i + 0.5) / PLACES) - straight) > NEAR) this.isBent[i] = 1;
        }
    }

    /** @param x 0..1 */
    at(x: number): number {
        const place = x * PLACES;
        const before = place | 0;
        if (this.isBent[before] === 1) return this.exact(x);
        const value = this.values[before];
        return value + (this.values[before + 1] - value) * (place - before);
    }
}
