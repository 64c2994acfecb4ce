/** Composites one tile for display. What is true is what the core computes; a test holds the two together. */
import type { BlendMode } from '../../api/types';
import { blendColours, channelTable, isSeparable } from './blend';
import type { Colour, Flat, PassNode, Stack, StackNode } from './stack';

export const SIDE = 256;
export const PIXELS = SIDE * SIDE;

/** Bytes of a layer in this tile; null where it is empty. */
export type TileBytes = (layer: string) => Uint8Array | null;

export interface Look {
    /** How strongly the ink shows, 0..1. */
    ink: number;
    /** Unfilled regions are hatched. */
    hatch: boolean;
    /** Draw the passes, or only flats and ink. */
    passes: boolean;
    /** Where the tile lies, so that hatching runs on from tile to tile. */
    x: number;
    y: number;
}

/** Pixels in the making: colour as floats would cost more than it shows, so bytes; alpha null when opaque. */
interface Pixels {
    r: Uint8ClampedArray;
    g: Uint8ClampedArray;
    b: Uint8ClampedArray;
    a: Uint8ClampedArray | null;
}

const INK: Colour = 0x111111;

function solid(colour: Colour, alpha: boolean): Pixels {
    return {
        r: new Uint8ClampedArray(PIXELS).fill((colour >> 16) & 255),
        g: new Uint8ClampedArray(PIXELS).fill((colour >> 8) & 255),
        b: new Uint8ClampedArray(PIXELS).fill(colour & 255),
        a: alpha ? new Uint8ClampedArray(PIXELS) : null,
    };
}

class Tile {
    private readonly flatOf: (Flat | undefined)[];
    private readonly label: Uint16Array;

    constructor(
        private readonly stack: Stack,
        private readonly bytes: TileBytes,
    ) {
        const packed = bytes('flats');
        this.label = new Uint16Array(PIXELS);
        if (packed !== null) for (let i = 0; i < PIXELS; i++) this.label[i] = (packed[2 * i] << 8) | packed[2 * i + 1];
        this.flatOf = [];
        for (const label of new Set(this.label)) this.flatOf[label] = stack.flats.get(label);
    }

    compose(look: Look): ImageData {
        const out = solid(0xffffff, false);
        this.layFlats(out, look);
        if (look.passes) this.layAll(out, this.stack.figures);
        this.layInk(out, look);
        if (look.passes) this.layAll(out, this.stack.above);
        const image = new ImageData(SIDE, SIDE);
        const data = image.data;
        for (let i = 0, at = 0; i < PIXELS; i++, at += 4) {
            data[at] = out.r[i];
            data[at + 1] = out.g[i];
            data[at + 2] = out.b[i];
            data[at + 3] = 255;
        }
        return image;
    }

    private layFlats(out: Pixels, look: Look): void {
        for (let i = 0; i < PIXELS; i++) {
            const flat = this.flatOf[this.label[i]];
            if (flat !== undefined) {
                const base = flat.tones.base;
                out.r[i] = (base >> 16) & 255;
                out.g[i] = (base >> 8) & 255;
                out.b[i] = base & 255;
            } else if (look.hatch && this.label[i] !== 0 && ((look.x + (i & 255) + look.y + (i >> 8)) & 15) < 3) {
                out.r[i] = out.g[i] = out.b[i] = 178;
            }
        }
    }

    private layInk(out: Pixels, look: Look): void {
        const ink = this.bytes('ink');
        if (ink === null || look.ink <= 0) return;
        const colours = solid(INK, false);
        if (look.passes) this.layAll(colours, this.stack.ink);
        colours.a = new Uint8ClampedArray(ink);
        over(out, colours, 'normal', look.ink);
    }

    private layAll(out: Pixels, nodes: StackNode[]): void {
        for (const node of nodes) {
            if (node.opacity <= 0) continue;
            if (node.kind === 'pass') this.layPass(out, node);
            else if (node.isolated) {
                const alone = solid(0, true);
                this.layAll(alone, node.children);
                over(out, alone, node.mode, node.opacity);
            } else {
                const before = { r: out.r.slice(), g: out.g.slice(), b: out.b.slice(), a: null };
                this.layAll(out, node.children);
                if (node.opacity < 1) {
                    for (let i = 0; i < PIXELS; i++) {
                        out.r[i] = before.r[i] + (out.r[i] - before.r[i]) * node.opacity;
                        out.g[i] = before.g[i] + (out.g[i] - before.g[i]) * node.opacity;
                        out.b[i] = before.b[i] + (out.b[i] - before.b[i]) * node.opacity;
                    }
                }
            }
        }
    }

    private layPass(out: Pixels, pass: PassNode): void {
        const tile = this.bytes(pass.layer);
        if (tile === null) return;
        const inside = this.inside(pass);
        if (pass.colour === null) {
            const alpha = new Uint8ClampedArray(tile.subarray(3 * PIXELS));
            for (let i = 0; i < PIXELS; i++) if (alpha[i] !== 0 && !inside[this.label[i]]) alpha[i] = 0;
            const source = {
                r: new Uint8ClampedArray(tile.subarray(0, PIXELS)),
                g: new Uint8ClampedArray(tile.subarray(PIXELS, 2 * PIXELS)),
                b: new Uint8ClampedArray(tile.subarray(2 * PIXELS, 3 * PIXELS)),
                a: alpha,
            };
            over(out, source, pass.mode, pass.opacity);
            return;
        }
        if (out.a !== null || !isSeparable(pass.mode)) {
            over(out, this.coloured(pass, tile, inside), pass.mode, pass.opacity);
            return;
        }
        this.tint(out, pass, tile, inside);
    }

    /** By label: whether the pass's clip lets it through. */
    private inside(pass: PassNode): boolean[] {
        const inside: boolean[] = [];
        for (const key of Object.keys(this.flatOf)) {
            const label = Number(key);
            const flat = this.flatOf[label];
            const held =
                pass.scope.kind === 'page' || pass.scope.kind === 'ink'
                    ? true
                    : flat !== undefined && (pass.scope.kind === 'figure' ? flat.figure : flat.material) === pass.scope.id;
            inside[label] = held && (typeof pass.colour !== 'string' || flat !== undefined);
        }
        return inside;
    }

    private colourAt(pass: PassNode, label: number): Colour {
        return typeof pass.colour === 'string' ? (this.flatOf[label]?.tones[pass.colour] ?? 0) : (pass.colour ?? 0);
    }

    private tint(out: Pixels, pass: PassNode, tile: Uint8Array, inside: boolean[]): void {
        const { r, g, b } = out;
        const plus = pass.mode === 'plus-lighter';
        const scale = pass.opacity / 255;
        let label = -1;
        let through = false;
        let tr!: Float32Array, tg!: Float32Array, tb!: Float32Array;
        let sr = 0, sg = 0, sb = 0;
        for (let i = 0; i < PIXELS; i++) {
            const coverage = tile[i];
            if (coverage === 0) continue;
            if (this.label[i] !== label) {
                label = this.label[i];
                through = inside[label];
                if (through) {
                    const colour = this.colourAt(pass, label);
                    sr = (colour >> 16) & 255;
                    sg = (colour >> 8) & 255;
                    sb = colour & 255;
                    tr = channelTable(pass.mode, sr);
                    tg = channelTable(pass.mode, sg);
                    tb = channelTable(pass.mode, sb);
                }
            }
            if (!through) continue;
            const alpha = coverage * scale;
            if (plus) {
                r[i] = r[i] + sr * alpha;
                g[i] = g[i] + sg * alpha;
                b[i] = b[i] + sb * alpha;
            } else {
                r[i] = r[i] + (tr[r[i]] - r[i]) * alpha;
                g[i] = g[i] + (tg[g[i]] - g[i]) * alpha;
                b[i] = b[i] + (tb[b[i]] - b[i]) * alpha;
            }
        }
    }

    private coloured(pass: PassNode, tile: Uint8Array, inside: boolean[]): Pixels {
        const source = solid(0, true);
        for (let i = 0; i < PIXELS; i++) {
            if (tile[i] === 0 || !inside[this.label[i]]) continue;
            const colour = this.colourAt(pass, this.label[i]);
            source.r[i] = (colour >> 16) & 255;
            source.g[i] = (colour >> 8) & 255;
            source.b[i] = colour & 255;
            (source.a as Uint8ClampedArray)[i] = tile[i];
        }
        return source;
    }
}

/** Source over backdrop, changed in place: the full formula of the recommendation. */
function over(out: Pixels, source: Pixels, mode: BlendMode, opacity: number): void {
    const alpha = source.a as Uint8ClampedArray;
    const plus = mode === 'plus-lighter';
    for (let i = 0; i < PIXELS; i++) {
        if (alpha[i] === 0) continue;
        const as = (alpha[i] * opacity) / 255;
        const ab = out.a === null ? 1 : out.a[i] / 255;
        const ao = plus ? Math.min(1, as + ab) : as + ab - as * ab;
        if (ao <= 0) continue;
        const s: [number, number, number] = [source.r[i], source.g[i], source.b[i]];
        const b: [number, number, number] = [out.r[i], out.g[i], out.b[i]];
        const mixed = mode === 'normal' || ab === 0 || plus ? s : blendColours(mode, b, s);
        for (let c = 0; c < 3; c++) {
            const value = plus
                ? Math.min(255, as * s[c] + ab * b[c])
                : as * (1 - ab) * s[c] + as * ab * mixed[c] + (1 - as) * ab * b[c];
            (c === 0 ? out.r : c === 1 ? out.g : out.b)[i] = value / ao;
        }
        if (out.a !== null) out.a[i] = 255 * ao;
    }
}

export function composeTile(stack: Stack, bytes: TileBytes, look: Look): ImageData {
    return new Tile(stack, bytes).compose(look);
}
