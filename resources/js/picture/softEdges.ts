/**
 * Where a figure whose outer edge is soft meets others: as the core does it, each pixel there is composed once more as
 * if it were its neighbour's, and the two are mixed by the neighbour's share of the 3 x 3 px about it.
 */
import { composeBlock, type Block, type Look } from './compose';
import { labelsIn } from './ground';
import { gathered } from './gathered';
import type { Stack } from './stack';

export interface SoftEdges {
    /** Pixels of the block. */
    at: number[];
    /** What they would be as their neighbour's. */
    labels: number[];
    /** Its shares, in sixteenths. */
    shares: number[];
}

/** @param around labels of a block so wide and of a pixel on every side: two bytes a pixel, high byte first */
export function softEdges(around: Uint8Array, width: number, stack: Stack): SoftEdges {
    const stride = width + 2;
    const labels = labelsIn(around);
    const figures = figuresOf(labels, stack);
    const edges: SoftEdges = { at: [], labels: [], shares: [] };
    const away = [-stride, -1, 1, stride, -stride - 1, -stride + 1, stride - 1, stride + 1];
    const height = labels.length / stride - 2;
    for (let y = 0; y < height; y++) {
        for (let x = 0, i = (y + 1) * stride + 1; x < width; x++, i++) {
            const own = figures[i];
            if (away.every((step) => figures[i + step] === own)) continue;
            const found = neighbour(labels, figures, i, away, stack.soft);
            if (found === null) continue;
            edges.at.push(y * width + x);
            edges.labels.push(found.label);
            edges.shares.push(found.share);
        }
    }
    return edges;
}

/** Mixes a picture's edges with what their neighbours would show there. */
export function soften(picture: Uint8ClampedArray, edges: SoftEdges, stack: Stack, block: Block, look: Look): void {
    if (edges.at.length === 0) return;
    const others = composeBlock(stack, gathered(block, edges.at, edges.labels), look);
    edges.at.forEach((i, k) => {
        const share = edges.shares[k];
        for (let channel = 0; channel < 3; channel++) {
            const mixed = picture[4 * i + channel] * (16 - share) + others[4 * k + channel] * share;
            picture[4 * i + channel] = (mixed + 8) >> 4;
        }
    });
}

function figuresOf(labels: Uint16Array, stack: Stack): Int32Array {
    const figures = new Int32Array(labels.length);
    let label = -1;
    let figure = 0;
    for (let i = 0; i < labels.length; i++) {
        if (labels[i] !== label) {
            label = labels[i];
            figure = stack.flats.get(label)?.figure ?? 0;
        }
        figures[i] = figure;
    }
    return figures;
}

/** The other figure that has most of what lies about a pixel; of two that have as much, the one of the lower number. */
function neighbour(
    labels: Uint16Array,
    figures: Int32Array,
    i: number,
    away: number[],
    soft: ReadonlySet<number>,
): { label: number; share: number } | null {
    const own = figures[i];
    const weights = new Map<number, number>();
    const byLabel = new Map<number, Map<number, number>>();
    away.forEach((step, k) => {
        const figure = figures[i + step];
        if (figure === own || (!soft.has(own) && !soft.has(figure))) return;
        const weight = k < 4 ? 2 : 1;
        weights.set(figure, (weights.get(figure) ?? 0) + weight);
        const here = byLabel.get(figure) ?? new Map<number, number>();
        byLabel.set(figure, here.set(labels[i + step], (here.get(labels[i + step]) ?? 0) + weight));
    });
    if (weights.size === 0) return null;
    const figure = heaviest(weights);
    return { label: heaviest(byLabel.get(figure) as Map<number, number>), share: weights.get(figure) as number };
}

const heaviest = (weights: Map<number, number>): number =>
    [...weights].reduce((a, b) => (b[1] > a[1] || (b[1] === a[1] && b[0] < a[0]) ? b : a))[0];
