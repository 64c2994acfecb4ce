/** The whole page on a small canvas, composited by the workers when the hand pauses. */
import { useEffect, useRef, useState } from 'react';
import type { PageSession } from '../../../page/session';
import { sizeOf } from '../../../page/store';
import { SIDE } from '../../../picture/compose';
import type { ComposePool } from '../../../picture/pool';
import { layersOf } from '../../../picture/stack';
import { TileLayers } from '../../../picture/tileLayers';
import { HIGHEST } from '../../../picture/tiles';
import { usePool, useSession } from '../../model/context';

/** The surface comes first; this follows when the hand pauses. */
const PAUSE = 180;
const LOOK = { ink: 1, hatch: false, veil: false, passes: true };

export function ReadCanvas({ isGrey, width }: { isGrey: boolean; width: number }) {
    const session = useSession();
    const pool = usePool();
    const canvas = useRef<HTMLCanvasElement>(null);
    const [isReady, setReady] = useState(false);
    useEffect(() => {
        if (canvas.current === null) return;
        const picture = new ReadPicture(canvas.current, session, pool, width, () => setReady(true));
        return () => picture.end();
    }, [session, pool, width]);
    return (
        <canvas
            ref={canvas}
            className={`border border-base-300 ${isReady ? 'bg-white' : 'animate-pulse bg-base-200'}`}
            style={{ width, filter: isGrey ? 'grayscale(1)' : 'none' }}
            aria-label={isGrey ? 'The page at reading size, in grey' : 'The page at reading size'}
        />
    );
}

class ReadPicture {
    private timer = 0;
    private readonly layers: TileLayers;
    private readonly stops: (() => void)[];

    constructor(
        private readonly canvas: HTMLCanvasElement,
        private readonly session: PageSession,
        private readonly pool: ComposePool,
        private readonly width: number,
        private readonly ready: () => void,
    ) {
        this.layers = new TileLayers(session.tiles);
        this.measure();
        this.stops = [
            session.tiles.onPaint(() => this.later()),
            session.store.subscribe((now, before) => {
                if (now.stack !== before.stack) this.later();
            }),
        ];
        this.later();
    }

    end(): void {
        window.clearTimeout(this.timer);
        this.stops.forEach((stop) => stop());
    }

    private measure(): number {
        const size = sizeOf(this.session.view);
        const scale = size === null ? 1 : this.width / size.width;
        const height = Math.round((size?.height ?? 1) * scale);
        if (this.canvas.width !== this.width || this.canvas.height !== height)
            Object.assign(this.canvas, { width: this.width, height });
        return scale;
    }

    private later(): void {
        if (this.timer === 0) this.timer = window.setTimeout(() => this.draw(), PAUSE);
    }

    private draw(): void {
        this.timer = 0;
        const size = sizeOf(this.session.view);
        if (size === null) return;
        const scale = this.measure();
        const level = Math.max(0, Math.min(HIGHEST, Math.floor(Math.log2(1 / scale))));
        const span = SIDE << level;
        for (let row = 0; row * span < size.height; row++) {
            for (let column = 0; column * span < size.width; column++) this.ask(level, column, row, span * scale);
        }
    }

    private ask(level: number, column: number, row: number, side: number): void {
        const { view } = this.session;
        const size = sizeOf(view);
        if (size === null) return;
        const found = this.layers.of({ level, column, row, distance: 0 }, layersOf(view.stack), view.stack, size);
        // What is on its way asks for another drawing when it arrives.
        if (found === null) return;
        this.pool.ask({
            ...found,
            key: `read ${level} ${column},${row}${found.wide === null ? '' : ' wide'}`,
            level,
            column,
            row,
            x: column * SIDE,
            y: row * SIDE,
            look: LOOK,
            active: null,
            levels: null,
            done: (pixels) => {
                if (pixels !== null) this.put(pixels, column, row, side);
            },
        });
    }

    private put(pixels: Uint8ClampedArray<ArrayBuffer>, column: number, row: number, side: number): void {
        const part = document.createElement('canvas');
        part.width = part.height = SIDE;
        part.getContext('2d')?.putImageData(new ImageData(pixels, SIDE, SIDE), 0, 0);
        const context = this.canvas.getContext('2d');
        if (context === null) return;
        context.imageSmoothingQuality = 'high';
        context.drawImage(part, column * side, row * side, side, side);
        this.ready();
    }
}
