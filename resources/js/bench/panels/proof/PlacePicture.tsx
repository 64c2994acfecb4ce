/** A small picture of a place of the page, as it is now. */
import { useEffect, useRef } from 'react';
import { SIDE } from '../../../picture/compose';
import { useBenchModel, usePage } from '../../model/context';

/** Px of the page a side. */
const SEEN = 56;
/** Milliseconds after which tiles that were on their way are asked for again, and how often. */
const AGAIN = 700;
const TIMES = 8;

/** The first pixel that is seen, so that all of it lies in the place's tile. */
const corner = (at: number): number => Math.max(0, Math.min(SIDE - SEEN, (at % SIDE) - SEEN / 2));

export function PlacePicture({ x, y }: { x: number; y: number }) {
    const bench = useBenchModel();
    const canvas = useRef<HTMLCanvasElement>(null);
    const revision = usePage((view) => view.revision);
    useEffect(() => {
        let timer: ReturnType<typeof setTimeout> | undefined;
        let isGone = false;
        const draw = async (left: number): Promise<void> => {
            const pixels = (await bench.surface?.pixels(Math.floor(x / SIDE), Math.floor(y / SIDE))) ?? null;
            if (isGone) return;
            if (pixels === null) {
                if (left > 0) timer = setTimeout(() => void draw(left - 1), AGAIN);
                return;
            }
            const tile = new ImageData(new Uint8ClampedArray(pixels), SIDE, SIDE);
            const [left0, top] = [corner(x), corner(y)];
            canvas.current?.getContext('2d')?.putImageData(tile, -left0, -top, left0, top, SEEN, SEEN);
        };
        void draw(TIMES);
        return () => {
            isGone = true;
            clearTimeout(timer);
        };
    }, [bench, x, y, revision]);
    return (
        <canvas
            ref={canvas}
            width={SEEN}
            height={SEEN}
            className="h-9 w-9 shrink-0 border border-base-300 bg-base-200"
            aria-hidden
        />
    );
}
