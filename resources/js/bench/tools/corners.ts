import { drawHandles, drawOutline } from '../surface/overlays';
import type { Paper } from './tool';

/** The shape so far that is set corner by corner. */
export function drawCorners({ context, toScreen, bench }: Paper): void {
    const { draft } = bench.view;
    if (draft.length === 0) return;
    drawOutline(context, toScreen, draft);
    drawHandles(context, toScreen, draft);
}
