/** What is drawn over the page, in screen pixels. */
import type { BridgeData } from '../../api/generated';

const RADIUS = 7;

/** Each bridge as a short stroke in a ring. */
export function drawBridges(context: CanvasRenderingContext2D, toScreen: DOMMatrix, bridges: BridgeData[]): void {
    context.save();
    context.strokeStyle = getComputedStyle(document.documentElement).getPropertyValue('--color-primary');
    for (const { x1, y1, x2, y2 } of bridges) {
        const a = toScreen.transformPoint(new DOMPoint(x1 + 0.5, y1 + 0.5));
        const b = toScreen.transformPoint(new DOMPoint(x2 + 0.5, y2 + 0.5));
        context.lineWidth = 2.5;
        context.beginPath();
        context.moveTo(a.x, a.y);
        context.lineTo(b.x, b.y);
        context.stroke();
        context.lineWidth = 1.2;
        context.beginPath();
        context.arc((a.x + b.x) / 2, (a.y + b.y) / 2, RADIUS, 0, 7);
        context.stroke();
    }
    context.restore();
}

/** The brush, as large as it paints; light and dark, so that it shows on anything. */
export function drawRing(context: CanvasRenderingContext2D, at: { x: number; y: number }, radius: number): void {
    context.beginPath();
    context.arc(at.x, at.y, Math.max(2, radius), 0, 7);
    context.lineWidth = 3;
    context.strokeStyle = 'rgba(255,255,255,.8)';
    context.stroke();
    context.lineWidth = 1;
    context.strokeStyle = '#111';
    context.stroke();
}
