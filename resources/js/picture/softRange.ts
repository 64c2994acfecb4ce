/** How much a value is within a range that fades at its ends, as core/src/Colour/SoftRange.php. */
import type { RangeData } from '../api/generated';

const faded = (outside: number, soft: number): number => (outside <= 0 ? 1 : outside < soft ? 1 - outside / soft : 0);

export const within = ({ from, to, soft }: RangeData, value: number): number =>
    faded(Math.max(from - value, value - to), soft);

/** The same of degrees, which go round. */
export function withinDegrees({ from, to, soft }: RangeData, value: number): number {
    const span = (to - from + 720) % 360;
    const after = (value - from + 720) % 360;
    return after <= span ? 1 : faded(Math.min(after - span, 360 - after), soft);
}
