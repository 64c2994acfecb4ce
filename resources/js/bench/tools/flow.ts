/** Which way hair or folds run in the picked regions: drawn over them, for when light is roughed in. */
import { sizeOf } from '../../page/store';
import { evenly, type Spot } from '../model/lines';
import { drawArrow } from '../surface/overlays';
import { OutlineGesture } from './outline';
import type { Gesture, ToolHost, ToolPoint } from './tool';
import { setDirections } from '../../page/ops/light/setDirections';

/** Places a direction is kept with; the core takes no more than twice as many. */
const PLACES = 12;

/** Screen pixels; less is no direction. */
const SHORTEST = 12;

export const drawFlow = (host: ToolHost, start: ToolPoint): Gesture =>
    new OutlineGesture(start, (path) => tell(host, path), drawArrow);

function tell({ bench, view }: ToolHost, path: Spot[]): void {
    const size = sizeOf(bench.session.view);
    const places = evenly(path, PLACES, SHORTEST / view.scale);
    const labels = bench.chosenRegions.map(([label]) => label);
    if (size === null || places === null || labels.length === 0) return;
    const line = places.map(({ x, y }): [number, number] => [x / size.width, y / size.height]);
    bench.session.apply(setDirections({ labels: labels, line: line, more: true }));
    bench.set({ isDrawingFlow: false });
}
