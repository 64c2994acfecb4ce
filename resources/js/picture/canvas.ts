/**
 * A picture in floating point, opaque or not, and the recommendation's formulas for laying things on it. Colours run
 * from 0 to 1 and are not premultiplied; alpha is null while every pixel is opaque.
 */
import type { BlendMode } from '../api/generated';
import { blendColours, channelOf, type Triple } from './blend';
import type { Colour } from './stack';

const part = (colour: Colour, shift: number): number => ((colour >> shift) & 255) / 255;

export class FloatCanvas {
    private constructor(
        readonly count: number,
        readonly r: Float32Array,
        readonly g: Float32Array,
        readonly b: Float32Array,
        readonly a: Float32Array | null,
    ) {}

    static solid(count: number, colour: Colour): FloatCanvas {
        const plane = (shift: number): Float32Array => new Float32Array(count).fill(part(colour, shift));
        return new FloatCanvas(count, plane(16), plane(8), plane(0), null);
    }

    static clear(count: number): FloatCanvas {
        const plane = (): Float32Array => new Float32Array(count);
        return new FloatCanvas(count, plane(), plane(), plane(), plane());
    }

    copy(): FloatCanvas {
        return new FloatCanvas(this.count, this.r.slice(), this.g.slice(), this.b.slice(), this.a?.slice() ?? null);
    }

    /** One pixel of one plain colour, opaque. */
    set(i: number, colour: Colour): void {
        this.r[i] = part(colour, 16);
        this.g[i] = part(colour, 8);
        this.b[i] = part(colour, 0);
        if (this.a !== null) this.a[i] = 1;
    }

    /** A way to lay one colour after another in one mode: what depends on the mode alone is looked up once. */
    mixer(mode: BlendMode): (i: number, r: number, g: number, b: number, alpha: number) => void {
        if (mode === 'normal') return (i, r, g, b, alpha) => this.mix(i, r, g, b, alpha);
        if (mode === 'plus-lighter') return (i, r, g, b, alpha) => this.add(i, r, g, b, alpha);
        const channel = channelOf(mode);
        return (i, r, g, b, alpha) => {
            const under = this.a === null ? 1 : this.a[i];
            if (under === 0) return this.mix(i, r, g, b, alpha);
            const blended: Triple =
                channel !== undefined
                    ? [channel(this.r[i], r), channel(this.g[i], g), channel(this.b[i], b)]
                    : blendColours(mode, [this.r[i], this.g[i], this.b[i]], [r, g, b]);
            this.mix(i, r + (blended[0] - r) * under, g + (blended[1] - g) * under, b + (blended[2] - b) * under, alpha);
        };
    }

    /** Another picture laid over this one, through a mask of 0..255 where there is one. */
    lay(source: FloatCanvas, mask: Uint8Array | null, mode: BlendMode, opacity: number): void {
        const mix = this.mixer(mode);
        for (let i = 0; i < this.count; i++) {
            const alpha = (source.a === null ? 1 : source.a[i]) * opacity * (mask === null ? 1 : mask[i] / 255);
            if (alpha > 0) mix(i, source.r[i], source.g[i], source.b[i], alpha);
        }
    }

    /** Part of the way from how it was to how it is, mixed premultiplied. */
    fade(before: FloatCanvas, share: number): void {
        for (let i = 0; i < this.count; i++) {
            const a = (before.a === null ? 1 : before.a[i]) * (1 - share);
            const b = (this.a === null ? 1 : this.a[i]) * share;
            const sum = a + b;
            if (sum > 0) {
                this.r[i] = (before.r[i] * a + this.r[i] * b) / sum;
                this.g[i] = (before.g[i] * a + this.g[i] * b) / sum;
                this.b[i] = (before.b[i] * a + this.b[i] * b) / sum;
            }
            if (this.a !== null) this.a[i] = sum;
        }
    }

    /** Rounded once, at the end: four bytes a pixel, opaque. */
    rgba(): Uint8ClampedArray<ArrayBuffer> {
        const out = new Uint8ClampedArray(4 * this.count);
        for (let i = 0, at = 0; i < this.count; i++, at += 4) {
            out[at] = 255 * this.r[i];
            out[at + 1] = 255 * this.g[i];
            out[at + 2] = 255 * this.b[i];
            out[at + 3] = 255;
        }
        return out;
    }

    private mix(i: number, r: number, g: number, b: number, alpha: number): void {
        let share = alpha;
        if (this.a !== null) {
            const under = this.a[i];
            const sum = alpha + under - alpha * under;
            this.a[i] = sum;
            share = alpha / sum;
        }
        // Taken as it is where it covers all: a grey must stay a grey to the last bit, or saturation makes a colour of it.
        this.r[i] = share >= 1 ? r : this.r[i] + (r - this.r[i]) * share;
        this.g[i] = share >= 1 ? g : this.g[i] + (g - this.g[i]) * share;
        this.b[i] = share >= 1 ? b : this.b[i] + (b - this.b[i]) * share;
    }

    private add(i: number, r: number, g: number, b: number, alpha: number): void {
        const under = this.a === null ? 1 : this.a[i];
        const sum = Math.min(1, alpha + under);
        this.r[i] = Math.min(1, alpha * r + under * this.r[i]) / sum;
        this.g[i] = Math.min(1, alpha * g + under * this.g[i]) / sum;
        this.b[i] = Math.min(1, alpha * b + under * this.b[i]) / sum;
        if (this.a !== null) this.a[i] = sum;
    }
}
