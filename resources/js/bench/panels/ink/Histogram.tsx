/** How much of a drawing is how dark, from paper to ink, with the two levels marked on it. */
import { useEffect, useState } from 'react';
import { sizeOf } from '../../../page/store';
import { HIGHEST, type TileCache } from '../../../picture/tiles';
import { Bars } from '../../../ui/Bars';
import { useSession } from '../../model/context';

export function Histogram({ id, paper, ink }: { id: string; paper: number; ink: number }) {
    return <Bars counts={useDarkness(id)} marks={[paper, ink]} label="How much is how dark" />;
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
