/**
 * A curve through points that never overshoots, constant beyond its ends, as core/src/Colour/MonotoneCurve.php does.
 * Fixtures hold them together.
 */
export type CurvePoint = [from: number, to: number];

export function monotoneCurve(points: readonly CurvePoint[]): (x: number) => number {
    const widths = points.slice(1).map(([x], i) => x - points[i][0]);
    const steps = points.slice(1).map(([, y], i) => (y - points[i][1]) / widths[i]);
    const slopes = slopesOf(widths, steps);
    const last = points.length - 1;
    return (x) => {
        if (x <= points[0][0]) return points[0][1];
        if (x >= points[last][0]) return points[last][1];
        let i = 0;
        while (x > points[i + 1][0]) i++;
        const [x0, y0] = points[i];
        const y1 = points[i + 1][1];
        const t = (x - x0) / widths[i];
        const [leaves, arrives] = [widths[i] * slopes[i], widths[i] * slopes[i + 1]];
        return y0 + t * (leaves + t * (3 * (y1 - y0) - 2 * leaves - arrives + t * (leaves + arrives - 2 * (y1 - y0))));
    };
}

function slopesOf(widths: number[], steps: number[]): number[] {
    const last = steps.length - 1;
    if (last === 0) return [steps[0], steps[0]];
    const inner = steps.slice(1).map((after, at) => {
        const i = at + 1;
        const before = steps[at];
        const [left, right] = [2 * widths[i] + widths[i - 1], widths[i] + 2 * widths[i - 1]];
        return before * after > 0 ? (left + right) / (left / before + right / after) : 0;
    });
    return [
        atEnd(widths[0], widths[1], steps[0], steps[1]),
        ...inner,
        atEnd(widths[last], widths[last - 1], steps[last], steps[last - 1]),
    ];
}

function atEnd(width: number, next: number, step: number, nextStep: number): number {
    const slope = ((2 * width + next) * step - width * nextStep) / (width + next);
    if (slope * step <= 0) return 0;
    return step * nextStep <= 0 && Math.abs(slope) > 3 * Math.abs(step) ? 3 * step : slope;
}
