/** How much of a drawing is how dark, from paper to ink, with the two levels marked on it. */
import { useEffect, useState } from 'react';
import { sizeOf } from '../../../page/store';
import { HIGHEST, type TileCache } from '../../../picture/tiles';
import { useSession } from '../../model/context';

const WIDTH = 220;
const HEIGHT = 44;

export function Histogram({ id, paper, ink }: { id: string; paper: number; ink: number }) {
    const counts = useDarkness(id);
    const most = Math.max(1, ...counts.slice(2).map((count) => Math.sqrt(count)));
    const x = (value: number): number => (value / 255) * WIDTH;
    return (
        <svg
            viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
            className="w-full bg-base-200"
            role="img"
            aria-label="How much is how dark"
        >
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
            {[paper, ink].map((value, i) => (
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

/** Counted on the coarsest picture of it: a few tiles. */
function useDarkness(id: string): number[] {
    const session = useSession();
    const [counts, setCounts] = useState<number[]>([]);
    useEffect(() => {
        const size = sizeOf(session.view);
        const count = (): void => {
            if (size !== null) setCounts(countOf(session.tiles, `scan:${id}`, size));
        };
        count();
        return session.tiles.onPaint(count);
    }, [session, id]);
    return counts;
}

export function countOf(
    tiles: Pick<TileCache, 'get'>,
    layer: string,
    size: { width: number; height: number },
): number[] {
    const counts = new Array<number>(256).fill(0);
    const span = 256 << HIGHEST;
    for (let row = 0; row * span < size.height; row++) {
        for (let column = 0; column * span < size.width; column++) {
            for (const value of tiles.get(HIGHEST, layer, column, row, 1e5) ?? []) counts[value]++;
        }
    }
    return counts;
}
