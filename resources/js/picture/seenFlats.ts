/** What the flats of a page look like under the moods that lie over it: one pixel of each region is composited. */
import type { RecordsState } from '../api/generated';
import type { Colour } from './colour';
import { composeBlock } from './compose';
import { passKindOf } from './passKinds/registry';
import type { Stack, StackNode } from './stack';

/** Weather shows in some places only, and what looks around needs neighbours: neither says how a region looks. */
const isEven = (node: StackNode): boolean => {
    if (node.kind === 'group') return false;
    const { holds, margin, isScattered } = passKindOf(node.content);
    return holds === null && margin === undefined && isScattered !== true;
};

export function seenFlats(stack: Stack, regions: RecordsState['region']): Map<number, Colour> {
    const labels = [...stack.flats.keys()].filter((label) => regions[label] !== undefined);
    const { width } = stack.page;
    const flats = new Uint8Array(2 * labels.length);
    labels.forEach((label, i) => {
        flats[2 * i] = label >> 8;
        flats[2 * i + 1] = label & 255;
    });
    const block = {
        count: labels.length,
        x: 0,
        y: 0,
        width,
        places: labels.map((label) => regions[label].y * width + regions[label].x),
        bytes: (layer: string) => (layer === 'flats' ? flats : null),
    };
    const under = { ...stack, planes: [], ink: [], above: stack.above.filter(isEven) };
    const pixels = composeBlock(under, block, { ink: 0, hatch: false, veil: false, passes: true });
    return new Map(
        labels.map((label, i) => [label, (pixels[4 * i] << 16) | (pixels[4 * i + 1] << 8) | pixels[4 * i + 2]]),
    );
}
