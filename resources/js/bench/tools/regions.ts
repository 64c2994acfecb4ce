/** Gestures that gather regions: a click takes one, a drag all it crosses. */
import { mayFlat, whyNot } from '../../page/store';
import type { Gesture, ToolHost, ToolPoint } from './tool';

const STEP = 3;

export interface Gathering {
    /** Whether a drag takes all it crosses, or only the region it began in. */
    drags: boolean;
    /** Why nothing can be gathered now; null when it can. */
    refuses(host: ToolHost): string | null;
    done(host: ToolHost, labels: number[]): void;
}

export function gather(host: ToolHost, start: ToolPoint, gathering: Gathering): Gesture | null {
    const { session } = host.bench;
    const refusal = mayFlat(session.view) ? gathering.refuses(host) : whyNot(session.view, 'flat');
    if (refusal !== null) {
        session.say(refusal);
        return null;
    }
    const labels = new Set<number>();
    const path = [start];
    take(host, labels, start.x, start.y);
    return {
        move(points) {
            for (const point of points) {
                if (gathering.drags) cross(host, labels, path[path.length - 1], point);
                path.push(point);
            }
        },
        up() {
            if (labels.size > 0) gathering.done(host, [...labels]);
        },
        cancel: () => labels.clear(),
        overlay: (context, toScreen) => drawPath(context, toScreen, path),
    };
}

function take(host: ToolHost, labels: Set<number>, x: number, y: number): void {
    const label = host.labelAt(x, y);
    if (label > 0) labels.add(label);
}

/** Every region between two places. */
function cross(host: ToolHost, labels: Set<number>, from: ToolPoint, to: ToolPoint): void {
    const steps = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / STEP));
    for (let i = 1; i <= steps; i++)
        take(host, labels, from.x + ((to.x - from.x) * i) / steps, from.y + ((to.y - from.y) * i) / steps);
}

function drawPath(context: CanvasRenderingContext2D, toScreen: DOMMatrix, path: ToolPoint[]): void {
    if (path.length < 2) return;
    context.strokeStyle = getComputedStyle(document.documentElement).getPropertyValue('--color-primary');
    context.lineWidth = 3;
    context.lineCap = 'round';
    context.setLineDash([2, 7]);
    context.beginPath();
    for (const { x, y } of path) {
        const on = toScreen.transformPoint(new DOMPoint(x, y));
        context.lineTo(on.x, on.y);
    }
    context.stroke();
}
