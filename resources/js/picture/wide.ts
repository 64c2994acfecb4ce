/**
 * Composites a block of a stack in which a pass looks at the pixels about each one: stretch by stretch, each over the
 * finished picture of those beneath it, as core/src/Compose/Compositor.php does. The block is wider than what is wanted
 * of it.
 */
import { Composer, type Block, type Look, type Step } from './compose';
import { gathered } from './gathered';
import { softEdges } from './softEdges';
import type { Stack } from './stack';

type Picture = Uint8ClampedArray<ArrayBuffer>;

export function composeWide(stack: Stack, block: Block, look: Look): Picture {
    const edges = stack.soft.size === 0 ? null : softEdges(heldAround(block), block.width, stack);
    const isSoft = edges !== null && edges.at.length > 0;
    const canvas = Composer.paper(block.count);
    let others = isSoft ? Composer.paper(edges.at.length) : null;
    const stretches = stretchesOf(new Composer(stack, block, look).steps());
    const theirs = isSoft
        ? stretchesOf(new Composer(stack, gathered(block, edges.at, edges.labels), look).steps())
        : [];
    for (const [k, { steps, last }] of stretches.entries()) {
        for (const step of steps) step.lay(canvas);
        if (isSoft && others !== null) {
            for (const step of theirs[k].steps) step.lay(others);
            canvas.mixIn(edges.at, others, edges.shares);
        }
        if (last === null) continue;
        last.lay(canvas);
        others = isSoft ? canvas.gathered(edges.at) : null;
    }
    return canvas.rgba();
}

interface Stretch {
    steps: Step[];
    /** What looks at the pixels about each one, over these; null above the last of these. */
    last: Step | null;
}

/** Cut where a step looks around. */
function stretchesOf(steps: Step[]): Stretch[] {
    const found: Stretch[] = [{ steps: [], last: null }];
    for (const step of steps) {
        const now = found[found.length - 1];
        if (step.looksAround !== true) {
            now.steps.push(step);
            continue;
        }
        now.last = step;
        found.push({ steps: [], last: null });
    }
    return found;
}

/** The labels of a block and of a pixel on every side, each like the pixel next to it. */
function heldAround(block: Block): Uint8Array {
    const flats = block.bytes('flats') ?? new Uint8Array(2 * block.count);
    const [width, height] = [block.width, block.count / block.width];
    const around = new Uint8Array(2 * (width + 2) * (height + 2));
    for (let y = 0; y < height + 2; y++) {
        const row = Math.max(0, Math.min(height - 1, y - 1)) * width;
        for (let x = 0; x < width + 2; x++) {
            const from = 2 * (row + Math.max(0, Math.min(width - 1, x - 1)));
            around.set(flats.subarray(from, from + 2), 2 * (y * (width + 2) + x));
        }
    }
    return around;
}

/** A tile of so many pixels a side out of a wider picture; white where that does not reach. */
export function cut(picture: Picture, width: number, left: number, top: number, side: number): Picture {
    const height = picture.length / 4 / width;
    const tile = new Uint8ClampedArray(4 * side * side).fill(255);
    const across = Math.min(side, width - left);
    for (let y = 0; y < Math.min(side, height - top); y++) {
        const from = 4 * ((top + y) * width + left);
        tile.set(picture.subarray(from, from + 4 * across), 4 * y * side);
    }
    return tile;
}
