/** A colour out of a picture that hangs on the board. */
import { meanAround } from '../picture/mean';
import type { Colour } from '../picture/colour';

/** Half of the widest mean. */
const REACH = 16;

/** @param x a pixel of the picture as it was sent, not as it hangs */
export function sample(image: HTMLImageElement, x: number, y: number, across: number): Colour | null {
    const left = Math.max(0, Math.floor(x) - REACH);
    const top = Math.max(0, Math.floor(y) - REACH);
    const width = Math.min(image.naturalWidth, Math.floor(x) + REACH + 1) - left;
    const height = Math.min(image.naturalHeight, Math.floor(y) + REACH + 1) - top;
    if (width < 1 || height < 1) return null;
    const canvas = new OffscreenCanvas(width, height);
    const context = canvas.getContext('2d');
    if (context === null) return null;
    context.drawImage(image, left, top, width, height, 0, 0, width, height);
    return meanAround(context.getImageData(0, 0, width, height), x - left, y - top, across);
}
