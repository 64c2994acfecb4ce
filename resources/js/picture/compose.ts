/** Composites one stretch of a page for display. What is true is what the core computes; fixtures hold the two together. */
import type { Tone } from '../api/generated';
import { FloatCanvas } from './canvas';
import { BLACK_LINES, layersIn, type Colour, type Flat, type MaskNode, type PassNode, type Stack, type StackNode } from './stack';
import { shifted } from './shift';

export const SIDE = 256;
export const PIXELS = SIDE * SIDE;

/** Bytes of a layer here; null where it is empty. Labels are two bytes a pixel, paint four planes. */
export type LayerBytes = (layer: string) => Uint8Array | null;

export interface Block {
    count: number;
    bytes: LayerBytes;
    /** Where it lies and how wide it is, so that hatching runs on from tile to tile. */
    x: number;
    y: number;
    width: number;
    /** Which of its pixels these are, where only some are composed. */
    places?: ArrayLike<number>;
}

export interface Look {
    /** How strongly the ink shows, 0..1. */
    ink: number;
    /** Unfilled regions are hatched. */
    hatch: boolean;
    /** What is not picked is veiled. */
    veil: boolean;
    /** Draw the passes, or only flats and ink. */
    passes: boolean;
}

const PAPER: Colour = 0xffffff;
const HATCH: Colour = 0xb2b2b2;
const VEIL: Colour = 0x8c8c8c;
const VEILED = 0.78;

/** Labels out of two bytes a pixel, high byte first; of some pixels, or of all. */
export function labelsIn(packed: Uint8Array, at: ArrayLike<number> | null = null): Uint16Array {
    const labels = new Uint16Array(at?.length ?? packed.length / 2);
    for (let i = 0; i < labels.length; i++) {
        const from = 2 * (at?.[i] ?? i);
        labels[i] = (packed[from] << 8) | packed[from + 1];
    }
    return labels;
}

/** One thing that is laid, and the layers it is made from. */
export interface Step {
    layers: string[];
    /** Laid normally: it asks nothing of what is below, so several can be laid on nothing first and then all at once. */
    isPlain: boolean;
    lay: (canvas: FloatCanvas) => void;
}

export class Composer {
    private readonly labels: Uint16Array;
    private readonly flatOf: (Flat | undefined)[] = [];

    constructor(
        private readonly stack: Stack,
        private readonly block: Block,
        private readonly look: Look,
    ) {
        const packed = block.bytes('flats');
        this.labels = packed === null ? new Uint16Array(block.count) : labelsIn(packed);
        for (const label of new Set(this.labels)) this.flatOf[label] = stack.flats.get(label);
    }

    /** Bottom up. Stopping after any of them gives the picture so far. */
    steps(): Step[] {
        const { stack, look } = this;
        const passes = (nodes: StackNode[]): Step[] =>
            look.passes ? nodes.filter((node) => node.opacity > 0).map((node) => this.nodeStep(node)) : [];
        const flatsFirst = !look.passes || stack.planes.every((plane) => !plane.spills);
        return [
            ...(flatsFirst ? [this.flatsStep(null)] : []),
            ...stack.planes.flatMap((plane) => [...(flatsFirst ? [] : [this.flatsStep(plane.figure)]), ...passes(plane.layers)]),
            ...(look.hatch ? [this.hatchStep()] : []),
            ...(look.veil && stack.clear !== null ? [this.veilStep(stack.clear)] : []),
            ...(look.ink > 0 ? [this.inkStep()] : []),
            ...passes(stack.above),
        ];
    }

    compose(): FloatCanvas {
        const canvas = FloatCanvas.solid(this.block.count, PAPER);
        for (const step of this.steps()) step.lay(canvas);
        return canvas;
    }

    static paper(count: number): FloatCanvas {
        return FloatCanvas.solid(count, PAPER);
    }

    /** The base colours of one figure's flats, or of all. */
    private flatsStep(figure: number | null): Step {
        return {
            layers: ['flats'],
            isPlain: true,
            lay: (canvas) => {
                for (let i = 0; i < this.block.count; i++) {
                    const flat = this.flatOf[this.labels[i]];
                    if (flat !== undefined && (figure === null || flat.figure === figure)) canvas.set(i, flat.tones.base);
                }
            },
        };
    }

    private hatchStep(): Step {
        return {
            layers: ['flats'],
            isPlain: true,
            lay: (canvas) => {
                const { count, width, x, y, places } = this.block;
                for (let i = 0; i < count; i++) {
                    const label = this.labels[i];
                    const at = places?.[i] ?? i;
                    const isOn = ((x + (at % width) + y + Math.floor(at / width)) & 15) < 3;
                    if (isOn && label !== 0 && (this.flatOf[label] === undefined || this.stack.proposed?.has(label) === true))
                        canvas.set(i, HATCH);
                }
            },
        };
    }

    /** A grey veil over what is not meant just now. */
    private veilStep(clear: Set<number>): Step {
        return {
            layers: ['flats'],
            isPlain: true,
            lay: (canvas) => {
                const veiled = new Uint8Array(this.block.count);
                for (let i = 0; i < this.block.count; i++) if (!clear.has(this.labels[i])) veiled[i] = 255;
                canvas.lay(FloatCanvas.solid(this.block.count, VEIL), veiled, 'normal', VEILED);
            },
        };
    }

    private inkStep(): Step {
        const holds = this.look.passes ? this.stack.ink.filter((node) => node.opacity > 0) : [];
        return {
            layers: ['ink', ...holds.flatMap(layersIn)],
            isPlain: (this.look.passes ? this.stack.lines : BLACK_LINES).mode === 'normal',
            lay: (canvas) => {
                const ink = this.block.bytes('ink');
                const lines = this.look.passes ? this.stack.lines : BLACK_LINES;
                if (ink === null || !lines.shown) return;
                const colours = FloatCanvas.solid(this.block.count, lines.colour);
                if (lines.byTone) this.layLineTones(colours);
                for (const node of holds) this.layNode(colours, node);
                canvas.lay(colours, ink, lines.mode, this.look.ink);
            },
        };
    }

    private layLineTones(canvas: FloatCanvas): void {
        for (let i = 0; i < this.block.count; i++) {
            const flat = this.flatOf[this.labels[i]];
            if (flat !== undefined) canvas.set(i, flat.tones.line);
        }
    }

    private nodeStep(node: StackNode): Step {
        return { layers: layersIn(node), isPlain: isPlain(node), lay: (canvas) => this.layNode(canvas, node) };
    }

    private layNode(canvas: FloatCanvas, node: StackNode): void {
        if (node.kind === 'pass') return this.layPass(canvas, node);
        const layMembers = (on: FloatCanvas): void =>
            node.children.filter((child) => child.opacity > 0).forEach((child) => this.layPass(on, child));
        if (node.isolated) {
            const alone = FloatCanvas.clear(this.block.count);
            layMembers(alone);
            canvas.lay(alone, null, node.mode, node.opacity);
            return;
        }
        const before = node.opacity < 1 ? canvas.copy() : null;
        layMembers(canvas);
        if (before !== null) canvas.fade(before, node.opacity);
    }

    private layPass(canvas: FloatCanvas, pass: PassNode): void {
        const inside = this.inside(pass);
        // Most passes keep to figures that are elsewhere.
        const bytes = inside.includes(true) ? this.block.bytes(pass.layer) : null;
        if (bytes === null) return;
        const covered =
            pass.mask === null ? coverageIn(bytes, this.block.count) : this.masked(coverageIn(bytes, this.block.count), pass.mask);
        if (pass.colour === null) this.layPaint(canvas, pass, bytes, covered, inside);
        else this.layColour(canvas, pass, covered, inside, this.colours(pass, pass.colour));
    }

    /** What a mask leaves of a coverage. */
    private masked(coverage: Uint8Array, mask: MaskNode): Uint8Array {
        const bytes = this.block.bytes(mask.layer);
        const by = bytes === null ? null : coverageIn(bytes, this.block.count);
        const inside = this.inside({ scope: mask.scope, colour: 0 });
        const left = new Uint8Array(this.block.count);
        for (let i = 0; i < left.length; i++) {
            const covered = by !== null && inside[this.labels[i]] ? by[i] : 0;
            left[i] = Math.round((coverage[i] * (mask.outside ? 255 - covered : covered)) / 255);
        }
        return left;
    }

    private layPaint(canvas: FloatCanvas, pass: PassNode, bytes: Uint8Array, covered: Uint8Array, inside: boolean[]): void {
        const mix = canvas.mixer(pass.mode);
        const { count } = this.block;
        const scale = pass.opacity / 255;
        const turned = turning(pass);
        for (let i = 0; i < count; i++) {
            if (covered[i] === 0 || !inside[this.labels[i]]) continue;
            const colour = turned((bytes[i] << 16) | (bytes[count + i] << 8) | bytes[2 * count + i]);
            mix(i, (colour >> 16) / 255, ((colour >> 8) & 255) / 255, (colour & 255) / 255, covered[i] * scale);
        }
    }

    /** A pass's colour by label: a tone of each material, or a tint's; of one that follows the light that of the region's light. */
    private colours({ follows }: PassNode, colour: Tone | Colour): (label: number) => Colour {
        if (typeof colour === 'string') return (label) => this.flatOf[label]?.tones[colour] ?? 0;
        return follows === null ? () => colour : (label) => this.flatOf[label]?.light?.[follows] ?? colour;
    }

    private layColour(
        canvas: FloatCanvas,
        pass: PassNode,
        coverage: Uint8Array,
        inside: boolean[],
        colourOf: (label: number) => Colour,
    ): void {
        const mix = canvas.mixer(pass.mode);
        const scale = pass.opacity / 255;
        const turned = turning(pass);
        let label = -1;
        let r = 0;
        let g = 0;
        let b = 0;
        for (let i = 0; i < this.block.count; i++) {
            if (coverage[i] === 0 || !inside[this.labels[i]]) continue;
            if (this.labels[i] !== label) {
                label = this.labels[i];
                const here = turned(colourOf(label));
                r = ((here >> 16) & 255) / 255;
                g = ((here >> 8) & 255) / 255;
                b = (here & 255) / 255;
            }
            mix(i, r, g, b, coverage[i] * scale);
        }
    }

    /** By label: whether the pass's clip lets it through, and there is a colour to lay. */
    private inside(pass: Pick<PassNode, 'scope' | 'colour'>): boolean[] {
        const inside: boolean[] = [];
        for (const key of Object.keys(this.flatOf)) {
            const flat = this.flatOf[Number(key)];
            inside[Number(key)] = holds(pass, flat) && (typeof pass.colour !== 'string' || flat !== undefined);
        }
        return inside;
    }
}

/** Of a coverage layer all of it, of a paint layer its alpha. */
const coverageIn = (bytes: Uint8Array, count: number): Uint8Array => (bytes.length > count ? bytes.subarray(3 * count) : bytes);

/** Turns colours as a pass has it; each is worked out once. */
function turning({ turn }: PassNode): (colour: Colour) => Colour {
    if (turn === null) return (colour) => colour;
    const known = new Map<Colour, Colour>();
    return (colour) => {
        const there = known.get(colour) ?? shifted(colour, turn);
        known.set(colour, there);
        return there;
    };
}

function holds(pass: Pick<PassNode, 'scope'>, flat: Flat | undefined): boolean {
    switch (pass.scope.kind) {
        case 'figure':
            return flat?.figure === pass.scope.id;
        case 'material':
            return flat?.material === pass.scope.id;
        default:
            return true;
    }
}

/** A group that is not isolated hands its members' modes on; faded, it is a mix with what was there. */
function isPlain(node: StackNode): boolean {
    if (node.kind === 'pass') return node.mode === 'normal';
    return node.mode === 'normal' && (node.isolated || (node.opacity >= 1 && node.children.every((child) => child.mode === 'normal')));
}

export function composeBlock(stack: Stack, block: Block, look: Look): Uint8ClampedArray<ArrayBuffer> {
    return new Composer(stack, block, look).compose().rgba();
}
