/** What is painted in a pass, small, as far as it reaches. */
import { useEffect, useRef } from 'react';
import type { PassData } from '../../../api/generated';
import { sizeOf } from '../../../page/store';
import { layerOf } from '../../../picture/stack';
import { thumbOf, type Thumb } from '../../../picture/thumb';
import { HIGHEST } from '../../../picture/tiles';
import { usePage, useSession } from '../../model/context';

const WIDTH = 34;
const HEIGHT = 22;
/** Far from the middle of what is looked at: the page itself comes first. */
const LAST = 1e6;
/** Coverage is drawn so whatever the pass lays: a pale rim, too, shall be seen. */
const DARK = 0x444444;

export function PassThumb({ id, pass }: { id: string; pass: PassData }) {
    const session = useSession();
    const canvas = useRef<HTMLCanvasElement>(null);
    const size = usePage(sizeOf);
    const layer = layerOf(id, pass);
    const width = Math.ceil((size?.width ?? 0) / 2 ** HIGHEST);
    const height = Math.ceil((size?.height ?? 0) / 2 ** HIGHEST);
    useEffect(() => {
        const draw = (): void => {
            const tile = (column: number, row: number): Uint8Array | null =>
                session.tiles.get(HIGHEST, layer, column, row, LAST) ?? null;
            if (canvas.current !== null) show(canvas.current, thumbOf(tile, width, height, DARK));
        };
        draw();
        return session.tiles.onPaint((level) => (level === null || level === HIGHEST) && draw());
    }, [session, layer, width, height]);
    return (
        <canvas
            ref={canvas}
            width={WIDTH}
            height={HEIGHT}
            className="shrink-0 border border-base-300 bg-white"
            aria-hidden
        />
    );
}

function show(canvas: HTMLCanvasElement, thumb: Thumb | null): void {
    const context = canvas.getContext('2d');
    if (context === null) return;
    context.clearRect(0, 0, WIDTH, HEIGHT);
    if (thumb === null) return;
    const whole = new OffscreenCanvas(thumb.width, thumb.height);
    whole.getContext('2d')?.putImageData(new ImageData(thumb.pixels, thumb.width, thumb.height), 0, 0);
    const scale = Math.min(WIDTH / thumb.width, HEIGHT / thumb.height, 1);
    const [width, height] = [scale * thumb.width, scale * thumb.height];
    context.drawImage(whole, (WIDTH - width) / 2, (HEIGHT - height) / 2, width, height);
}
