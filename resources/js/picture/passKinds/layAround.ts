/** Lays over the picture what is made of it, as core/src/Compose/Layers/AroundLayer.php does. */
import type { FloatCanvas } from '../canvas';
import type { Ground } from '../ground';
import type { PassNode } from '../stack';

/** Px, on a page as large as it is: as much beside a pixel may count for it. */
export const MOST_AROUND = 60;

/** @param change alters a copy of the picture, a rectangle of so many columns and rows */
export function layAround(
    canvas: FloatCanvas,
    ground: Ground,
    pass: Omit<PassNode, 'content'>,
    change: (copy: FloatCanvas, width: number, height: number) => void,
): void {
    const filled = ground.filled(pass);
    // Some pixels by themselves have no neighbours: whoever composes them knows that they are a draft.
    if (filled === null || ground.isGathered) return;
    const copy = canvas.copy();
    change(copy, ground.width, ground.count / ground.width);
    canvas.lay(copy, filled, pass.mode, pass.opacity);
}
