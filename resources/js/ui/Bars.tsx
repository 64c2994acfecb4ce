/** How often each value of a byte is there, as bars from 0 to 255, with a few values marked. */
const WIDTH = 220;
const HEIGHT = 44;

interface Props {
    /** By value. */
    counts: readonly number[];
    /** 0..255 each. */
    marks: readonly number[];
    /** For those who cannot see it. */
    label: string;
}

export function Bars({ counts, marks, label }: Props) {
    // The darkest and the lightest would dwarf all others.
    const most = Math.max(1, ...counts.slice(2, -1).map((count) => Math.sqrt(count)));
    const x = (value: number): number => (value / 255) * WIDTH;
    return (
        <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full bg-base-200" role="img" aria-label={label}>
            {counts.map((count, value) => {
                const high = Math.min(HEIGHT, (Math.sqrt(count) / most) * HEIGHT);
                return (
                    <rect
                        key={value}
                        x={x(value)}
                        y={HEIGHT - high}
                        width={WIDTH / 255}
                        height={high}
                        fill="currentColor"
                        opacity={0.55}
                    />
                );
            })}
            {marks.map((value, i) => (
                <line
                    key={i}
                    x1={x(value)}
                    x2={x(value)}
                    y1={0}
                    y2={HEIGHT}
                    stroke="var(--color-primary)"
                    strokeWidth={2}
                />
            ))}
        </svg>
    );
}
