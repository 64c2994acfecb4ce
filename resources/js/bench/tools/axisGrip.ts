/**
 * The mirror's axis in the hand: by its square it is moved, by its rhomb turned; neither lies where one paints first.
 */
import type { AxisData } from '../../api/generated';
import type { Spot } from '../model/lines';
import type { BenchModel } from '../model/model';
import type { Gesture, ToolPoint } from './tool';

/** Screen pixels along the axis from the place it goes through. */
const AWAY = 150;
/** Screen pixels within which a press means one of them. */
const NEAR = 10;
/** With Shift it is turned by so much at a time. */
const STEP = Math.PI / 12;

/** @param scale screen pixels a pixel of the page */
export function axisGrips(axis: AxisData, scale: number): { move: Spot; turn: Spot } {
    const [right, down] = [(Math.sin(axis.turn) * AWAY) / scale, (Math.cos(axis.turn) * AWAY) / scale];
    return { move: { x: axis.x + right, y: axis.y + down }, turn: { x: axis.x - right, y: axis.y - down } };
}

/** @return null when the hand is on neither */
export function gripAxis(bench: Pick<BenchModel, 'view' | 'set'>, start: ToolPoint, scale: number): Gesture | null {
    const { axis } = bench.view;
    if (axis === null) return null;
    const { move, turn } = axisGrips(axis, scale);
    const isOn = ({ x, y }: Spot): boolean => Math.hypot(start.x - x, start.y - y) * scale <= NEAR;
    if (isOn(move))
        return new AxisGesture(bench, axis, (to) => ({
            ...axis,
            x: axis.x + to.x - start.x,
            y: axis.y + to.y - start.y,
        }));
    return isOn(turn) ? new AxisGesture(bench, axis, (to) => ({ ...axis, turn: turnTo(axis, to) })) : null;
}

/** The rhomb lies before the axis: the way to it is the axis's, backwards. */
function turnTo(axis: AxisData, { x, y, shift }: ToolPoint): number {
    const turn = Math.atan2(axis.x - x, axis.y - y);
    return shift ? Math.round(turn / STEP) * STEP : turn;
}

class AxisGesture implements Gesture {
    constructor(
        private readonly bench: Pick<BenchModel, 'set'>,
        private readonly before: AxisData,
        private readonly become: (to: ToolPoint) => AxisData,
    ) {}

    move(points: ToolPoint[]): void {
        this.bench.set({ axis: this.become(points[points.length - 1]) });
    }

    up(): void {
        // It lies already where the hand has left it.
    }

    cancel(): void {
        this.bench.set({ axis: this.before });
    }
}
