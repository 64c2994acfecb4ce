/** The edge between two moods that are compared, in the hand. */
import type { BenchModel } from '../model/model';
import type { Gesture, ToolPoint } from './tool';

/** Screen pixels beside the edge within which a press means it. */
const NEAR = 10;

/**
 * @param width of the page, px
 * @param scale screen pixels a pixel of the page
 * @return null when the hand is not on it, or nothing is compared
 */
export function gripEdge(
    bench: Pick<BenchModel, 'view' | 'set'>,
    start: ToolPoint,
    width: number,
    scale: number,
): Gesture | null {
    const { compared, edge } = bench.view;
    if (compared === null || Math.abs(start.x - edge * width) * scale > NEAR) return null;
    return {
        move(points) {
            const { x } = points[points.length - 1];
            bench.set({ edge: Math.max(0, Math.min(1, x / width)) });
        },
        up() {
            // It lies already where the hand has left it.
        },
        cancel() {
            bench.set({ edge });
        },
    };
}
