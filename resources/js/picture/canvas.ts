/**
 * A picture in floating point, opaque or not, and the recommendation's formulas for laying things on it. Colours run
 * from 0 to 1 and are not premultiplied; alpha is null while every pixel is opaque.
 */
import type { BlendMode } from '../api/generated';
import { blendColours, channelOf } from './blend';
import type { BoxBlur } from './boxBlur';
import type { Colour, Triple } from './colour';
import type { Ground } from './ground';
import { shifted } from './shift';
import type { Flat, PassNode } from './stack';
import type { ChannelTables } from './channels';
import type { ToneTable } from './toneTable';

/** What becomes of a colour, as sRGB codes it, put into `out`. */
export type Alteration = (r: number, g: number, b: number, out: Triple) => void;

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

    /** Some of its pixels mixed with others, in sixteenths. */
    mixIn(at: ArrayLike<number>, others: FloatCanvas, shares: ArrayLike<number>): void {
        for (let k = 0; k < at.length; k++) {
            const [i, share] = [at[k], shares[k] / 16];
            this.r[i] += (others.r[k] - this.r[i]) * share;
            this.g[i] += (others.g[k] - this.g[i]) * share;
            this.b[i] += (others.b[k] - this.b[i]) * share;
        }
    }

    /** Some of its pixels. */
    gathered(at: ArrayLike<number>): FloatCanvas {
        const plane = (from: Float32Array): Float32Array => Float32Array.from(at, (i) => from[i]);
        return new FloatCanvas(
            at.length,
            plane(this.r),
            plane(this.g),
            plane(this.b),
            this.a === null ? null : plane(this.a),
        );
    }

    static clear(count: number): FloatCanvas {
        const plane = (): Float32Array => new Float32Array(count);
        return new FloatCanvas(count, plane(), plane(), plane(), plane());
    }

    copy(): FloatCanvas {
        return new FloatCanvas(this.count, this.r.slice(), this.g.slice(), this.b.slice(), this.a?.slice() ?? null);
    }

    /** Its pixels are a rectangle, row after row. */
    blur(blur: BoxBlur, width: number, height: number): void {
        for (const plane of [this.r, this.g, this.b]) blur.blur(plane, width, height);
    }

    /** One pixel of one plain colour, opaque. */
    set(i: number, colour: Colour): void {
        this.r[i] = part(colour, 16);
        this.g[i] = part(colour, 8);
        this.b[i] = part(colour, 0);
        if (this.a !== null) this.a[i] = 1;
    }

    // ---- what layers are laid with; as in the core's Canvas ----

    /** Plain colours, full and normal: flats. What has none stays as it is. */
    cover(ground: Ground, colourOf: (flat: Flat | undefined) => Colour | undefined): void {
        const colours = ground.flats.map(colourOf);
        for (let i = 0; i < this.count; i++) {
            const colour = colours[ground.labels[i]];
            if (colour !== undefined) this.set(i, colour);
        }
    }

    /**
     * Plain colours through a coverage of one byte a pixel; null: there is none.
     *
     * @param colourOf of a flat; undefined: nothing is laid there
     */
    tint(
        ground: Ground,
        coverage: Uint8Array | null,
        colourOf: (flat: Flat | undefined) => Colour | undefined,
        { mode, opacity, turn }: Pick<PassNode, 'mode' | 'opacity' | 'turn'>,
    ): void {
        if (coverage === null) return;
        const mix = this.mixer(mode);
        const scale = opacity / 255;
        const turned = turning(turn);
        const colours: (Colour | undefined)[] = [];
        for (const key of Object.keys(ground.flats)) {
            const colour = colourOf(ground.flats[Number(key)]);
            colours[Number(key)] = colour === undefined ? undefined : turned(colour);
        }
        let label = -1;
        let colour: Colour | undefined;
        let [r, g, b] = [0, 0, 0];
        for (let i = 0; i < this.count; i++) {
            if (coverage[i] === 0) continue;
            if (ground.labels[i] !== label) {
                label = ground.labels[i];
                colour = colours[label];
                [r, g, b] = colour === undefined ? [0, 0, 0] : [part(colour, 16), part(colour, 8), part(colour, 0)];
            }
            if (colour !== undefined) mix(i, r, g, b, coverage[i] * scale);
        }
    }

    /** Pixels with colours of their own through a coverage. */
    paint(
        planes: Uint8Array,
        coverage: Uint8Array | null,
        { mode, opacity, turn }: Pick<PassNode, 'mode' | 'opacity' | 'turn'>,
    ): void {
        if (coverage === null) return;
        const mix = this.mixer(mode);
        const { count } = this;
        const scale = opacity / 255;
        const turned = turning(turn);
        for (let i = 0; i < count; i++) {
            if (coverage[i] === 0) continue;
            const colour = turned((planes[i] << 16) | (planes[count + i] << 8) | planes[2 * count + i]);
            mix(i, part(colour, 16), part(colour, 8), part(colour, 0), coverage[i] * scale);
        }
    }

    /**
     * What lies beneath, altered, through a coverage: the altered colours are blended with those they come from. Where
     * nothing lies beneath, nothing is laid.
     */
    alter(
        coverage: Uint8Array | null,
        altered: Alteration,
        { mode, opacity }: Pick<PassNode, 'mode' | 'opacity'>,
    ): void {
        if (coverage === null) return;
        const blend = mode === 'normal' ? null : blending(mode);
        const { r, g, b, a } = this;
        const out: Triple = [0, 0, 0];
        for (let i = 0; i < this.count; i++) {
            if (coverage[i] === 0 || (a !== null && a[i] <= 0)) continue;
            altered(r[i], g[i], b[i], out);
            const is = blend === null ? out : blend([r[i], g[i], b[i]], out);
            const share = (coverage[i] * opacity) / 255;
            r[i] += (is[0] - r[i]) * share;
            g[i] += (is[1] - g[i]) * share;
            b[i] += (is[2] - b[i]) * share;
        }
    }

    /** The same for what alters each channel by itself; null leaves a channel as it is. */
    alterChannels(
        coverage: Uint8Array | null,
        [red, green, blue]: ChannelTables,
        pass: Pick<PassNode, 'mode' | 'opacity'>,
    ): void {
        if (coverage === null) return;
        const channel = channelOf(pass.mode);
        if (pass.mode !== 'normal' && channel === undefined)
            return this.alter(
                coverage,
                (r, g, b, out) => {
                    out[0] = red?.at(r) ?? r;
                    out[1] = green?.at(g) ?? g;
                    out[2] = blue?.at(b) ?? b;
                },
                pass,
            );
        const alterPlane = (plane: Float32Array, table: ToneTable | null): void => {
            // A blend of a channel with itself is not the channel.
            if (table === null && channel === undefined) return;
            for (let i = 0; i < this.count; i++) {
                if (coverage[i] === 0 || (this.a !== null && this.a[i] <= 0)) continue;
                const was = plane[i];
                const altered = table === null ? was : table.at(was);
                const is = channel === undefined ? altered : channel(was, altered);
                plane[i] = was + ((is - was) * coverage[i] * pass.opacity) / 255;
            }
        };
        alterPlane(this.r, red);
        alterPlane(this.g, green);
        alterPlane(this.b, blue);
    }

    /**
     * Layers taken as one. Isolated, they begin on nothing and their result is blended; otherwise they begin on what is
     * there, and the opacity fades what they did.
     */
    group(layers: (canvas: FloatCanvas) => void, isolated: boolean, mode: BlendMode, opacity: number): void {
        if (isolated) {
            const alone = FloatCanvas.clear(this.count);
            layers(alone);
            this.lay(alone, null, mode, opacity);
            return;
        }
        const before = opacity < 1 ? this.copy() : null;
        layers(this);
        if (before !== null) this.fade(before, opacity);
    }

    /** One colour, altered by layers of its own, through a mask: ink and its holds. */
    through(
        mask: Uint8Array,
        colour: Colour,
        layers: (canvas: FloatCanvas) => void,
        mode: BlendMode,
        opacity: number,
    ): void {
        const inside = FloatCanvas.solid(this.count, colour);
        layers(inside);
        this.lay(inside, mask, mode, opacity);
    }

    // ----

    /** A way to lay one colour after another in one mode: what depends on the mode alone is looked up once. */
    mixer(mode: BlendMode): (i: number, r: number, g: number, b: number, alpha: number) => void {
        if (mode === 'normal') return (i, r, g, b, alpha) => this.mix(i, r, g, b, alpha);
        if (mode === 'plus-lighter') return (i, r, g, b, alpha) => this.add(i, r, g, b, alpha);
        const channel = channelOf(mode);
        if (this.a === null && channel !== undefined)
            return (i, r, g, b, alpha) => {
                this.r[i] += (channel(this.r[i], r) - this.r[i]) * alpha;
                this.g[i] += (channel(this.g[i], g) - this.g[i]) * alpha;
                this.b[i] += (channel(this.b[i], b) - this.b[i]) * alpha;
            };
        return (i, r, g, b, alpha) => {
            const under = this.a === null ? 1 : this.a[i];
            if (under === 0) return this.mix(i, r, g, b, alpha);
            const blended: Triple =
                channel !== undefined
                    ? [channel(this.r[i], r), channel(this.g[i], g), channel(this.b[i], b)]
                    : blendColours(mode, [this.r[i], this.g[i], this.b[i]], [r, g, b]);
            this.mix(
                i,
                r + (blended[0] - r) * under,
                g + (blended[1] - g) * under,
                b + (blended[2] - b) * under,
                alpha,
            );
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
        // Taken as it is where it covers all: a grey must stay a grey to the last bit, or saturation makes a colour of
        // it.
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

/** What a mode makes of a colour on an opaque one. */
function blending(mode: BlendMode): (under: Triple, over: Triple) => Triple {
    if (mode === 'normal') return (_, over) => over;
    if (mode === 'plus-lighter')
        return (under, over) => [0, 1, 2].map((i) => Math.min(1, under[i] + over[i])) as Triple;
    const channel = channelOf(mode);
    if (channel === undefined) return (under, over) => blendColours(mode, under, over);
    return (under, over) => [0, 1, 2].map((i) => channel(under[i], over[i])) as Triple;
}

/** Turns colours as a pass has it; each is worked out once. */
export function turning(turn: PassNode['turn']): (colour: Colour) => Colour {
    if (turn === null) return (colour) => colour;
    const known = new Map<Colour, Colour>();
    return (colour) => {
        const there = known.get(colour) ?? shifted(colour, turn);
        known.set(colour, there);
        return there;
    };
}
