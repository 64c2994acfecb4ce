/** A stroke a brush makes. */
import { useEffect, useRef } from 'react';
import type { BoxedBrush } from '../../api/generated';
import { SIDE } from '../../picture/compose';
import { previewOf } from '../../picture/dabs';

const WIDTH = 112;
const HEIGHT = 28;
/** Px of the brush in a sample; its own width would not fit. */
const SAMPLE = 20;

type Drawable = Pick<BoxedBrush, 'hardness' | 'tip'>;

export function BrushSample({ brush }: { brush: Drawable }) {
    const canvas = useRef<HTMLCanvasElement>(null);
    useEffect(() => {
        const context = canvas.current?.getContext('2d');
        if (context !== null && context !== undefined) draw(context, brush);
    }, [brush]);
    return <canvas ref={canvas} width={WIDTH} height={HEIGHT} aria-hidden className="shrink-0" />;
}

function draw(context: CanvasRenderingContext2D, { hardness, tip }: Drawable): void {
    const preview = previewOf(
        { size: SAMPLE, hardness, opacity: 1, smoothing: 0, ...(tip === null ? {} : { tip }) },
        0,
        WIDTH,
        HEIGHT,
    );
    for (let i = 0; i <= 40; i++) {
        const part = i / 40;
        preview.add([
            12 + (WIDTH - 24) * part,
            HEIGHT / 2 + 5 * Math.sin(part * 2 * Math.PI),
            0.35 + 0.65 * Math.sin(part * Math.PI),
        ]);
    }
    preview.end();
    const tile = preview.tiles.get('0,0');
    if (tile === undefined) return;
    const ink = getComputedStyle(context.canvas)
        .color.match(/\d+(\.\d+)?/g)
        ?.map(Number) ?? [0, 0, 0];
    const picture = context.createImageData(WIDTH, HEIGHT);
    for (let i = 0; i < WIDTH * HEIGHT; i++)
        picture.data.set([ink[0], ink[1], ink[2], tile[Math.floor(i / WIDTH) * SIDE + (i % WIDTH)]], 4 * i);
    context.putImageData(picture, 0, 0);
}
