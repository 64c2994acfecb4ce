/**
 * Composites one stretch of a page for display. What is true is what the core computes; fixtures hold the two together.
 */
import { FloatCanvas } from './canvas';
import type { Colour } from './colour';
import { Ground } from './ground';
import { passKindOf } from './passKinds/registry';
import { BLACK_LINES, layersIn, type Flat, type Stack, type StackNode } from './stack';

export const SIDE = 256;
export const PIXELS = SIDE * SIDE;

/** Bytes of a layer here; null where it is empty. Labels are two bytes a pixel, paint four planes. */
type LayerBytes = (layer: string) => Uint8Array | null;

export interface Block {
    count: number;
    bytes: LayerBytes;
    /** Where it lies and how wide it is, so that hatching runs on from tile to tile. */
    x: number;
    y: number;
    width: number;
    /** How often the page is halved; none: it is as it is. */
    level?: number;
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

/** One thing that is laid, and the layers it is made from. */
export interface Step {
    layers: string[];
    /**
     * Laid normally: it asks nothing of what is below, so several can be laid on nothing first and then all at once.
     */
    isPlain: boolean;
    /** It looks at the pixels about each one, and is laid over the finished picture of what lies beneath. */
    looksAround?: boolean;
    lay: (canvas: FloatCanvas) => void;
}

export class Composer {
    private readonly ground: Ground;

    constructor(
        private readonly stack: Stack,
        private readonly block: Block,
        private readonly look: Look,
    ) {
        this.ground = new Ground(stack, block);
    }

    /** Bottom up. Stopping after any of them gives the picture so far. */
    steps(): Step[] {
        const { stack, look } = this;
        const passes = (nodes: StackNode[]): Step[] =>
            look.passes ? nodes.filter((node) => node.opacity > 0).map((node) => this.nodeStep(node)) : [];
        const flatsFirst = !look.passes || stack.planes.every((plane) => !plane.spills && plane.behind.length === 0);
        return [
            ...(flatsFirst ? [this.flatsStep(null)] : []),
            ...stack.planes.flatMap((plane) => [
                ...passes(plane.behind),
                ...(flatsFirst ? [] : [this.flatsStep(plane.figure)]),
                ...passes(plane.layers),
            ]),
            ...(look.hatch ? [this.hatchStep()] : []),
            ...(look.veil && stack.clear !== null ? [this.veilStep(stack.clear)] : []),
            ...(look.ink > 0 ? [this.inkStep()] : []),
            ...passes(stack.above),
        ];
    }

    compose(): FloatCanvas {
        const canvas = Composer.paper(this.block.count);
        for (const step of this.steps()) step.lay(canvas);
        return canvas;
    }

    static paper(count: number): FloatCanvas {
        return FloatCanvas.solid(count, PAPER);
    }

    /** The base colours of one figure's flats, or of all. */
    private flatsStep(figure: number | null): Step {
        const isHere = (flat: Flat | undefined): boolean => figure === null || flat?.figure === figure;
        return {
            layers: ['flats'],
            isPlain: true,
            lay: (canvas) => canvas.cover(this.ground, (flat) => (isHere(flat) ? flat?.tones.base : undefined)),
        };
    }

    private hatchStep(): Step {
        return {
            layers: ['flats'],
            isPlain: true,
            lay: (canvas) => {
                const { count, width, x, y, places } = this.block;
                const { labels, flats } = this.ground;
                for (let i = 0; i < count; i++) {
                    const label = labels[i];
                    const at = places?.[i] ?? i;
                    const isOn = ((x + (at % width) + y + Math.floor(at / width)) & 15) < 3;
                    if (isOn && label !== 0 && (flats[label] === undefined || this.stack.proposed?.has(label) === true))
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
                for (let i = 0; i < this.block.count; i++) if (!clear.has(this.ground.labels[i])) veiled[i] = 255;
                canvas.lay(FloatCanvas.solid(this.block.count, VEIL), veiled, 'normal', VEILED);
            },
        };
    }

    private inkStep(): Step {
        const holds = this.look.passes ? this.stack.ink.filter((node) => node.opacity > 0) : [];
        const lines = this.look.passes ? this.stack.lines : BLACK_LINES;
        return {
            layers: ['ink', ...holds.flatMap(layersIn)],
            isPlain: lines.mode === 'normal',
            lay: (canvas) => {
                const ink = this.block.bytes('ink');
                if (ink === null || !lines.shown) return;
                const colourLines = (inside: FloatCanvas): void => {
                    if (lines.byTone) inside.cover(this.ground, (flat) => flat?.tones.line);
                    for (const node of holds) this.layNode(inside, node);
                };
                canvas.through(ink, lines.colour, colourLines, lines.mode, this.look.ink);
            },
        };
    }

    private nodeStep(node: StackNode): Step {
        const looksAround = node.kind === 'pass' && passKindOf(node.content).margin !== undefined;
        return {
            layers: layersIn(node),
            isPlain: isPlain(node),
            looksAround,
            lay: (canvas) => this.layNode(canvas, node),
        };
    }

    private layNode(canvas: FloatCanvas, node: StackNode): void {
        if (node.kind === 'pass') return passKindOf(node.content).lay(canvas, this.ground, node, node.content);
        const members = node.children.filter((child) => child.opacity > 0);
        canvas.group(
            (on) => members.forEach((child) => this.layNode(on, child)),
            node.isolated,
            node.mode,
            node.opacity,
        );
    }
}

/**
 * Whether it can be laid on nothing first. A group that is not isolated hands its members' modes on; faded, it is a mix
 * with what was there.
 */
function isPlain(node: StackNode): boolean {
    if (node.kind === 'pass') return node.mode === 'normal' && passKindOf(node.content).alters !== true;
    return node.mode === 'normal' && (node.isolated || (node.opacity >= 1 && node.children.every(isPlain)));
}

export function composeBlock(stack: Stack, block: Block, look: Look): Uint8ClampedArray<ArrayBuffer> {
    return new Composer(stack, block, look).compose().rgba();
}
