/** The brushes that lie ready, each with a stroke it makes. */
import { ChevronUp } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { BoxedBrush } from '../api/generated';
import { SIDE } from '../picture/compose';
import { previewOf } from '../picture/dabs';
import { useBench, useBenchModel, usePage } from './model/context';

const WIDTH = 112;
const HEIGHT = 28;
/** Px of the brush in a sample; its own width would not fit. */
const SAMPLE = 20;

export function BrushChoice() {
    const bench = useBenchModel();
    const brushes = usePage((view) => view.brushes);
    const picked = useBench((view) => view.boxed) ?? brushes[0];
    const [isOpen, setOpen] = useState(false);
    const pick = (boxed: BoxedBrush): void => {
        bench.set({ boxed, size: boxed.size });
        setOpen(false);
    };
    return (
        <div className="relative">
            <button className="act" aria-expanded={isOpen} aria-haspopup="listbox" title={picked.what} onClick={() => setOpen(!isOpen)}>
                {picked.name} <ChevronUp size={14} aria-hidden />
            </button>
            {isOpen && (
                <ul
                    role="listbox"
                    aria-label="Brushes"
                    className="absolute bottom-full left-0 z-20 mb-1.5 grid w-[560px] grid-cols-2 gap-0.5 border border-base-300 bg-base-100 p-1.5"
                    onKeyDown={(event) => event.key === 'Escape' && setOpen(false)}
                >
                    {brushes.map((boxed) => (
                        <li key={boxed.name} role="option" aria-selected={boxed.name === picked.name}>
                            <button
                                className={`bare flex w-full items-center gap-2 p-1 text-left ${boxed.name === picked.name ? 'stripe-side' : ''}`}
                                onClick={() => pick(boxed)}
                            >
                                <Sample brush={boxed} />
                                <span className="min-w-0">
                                    <span className="block truncate">{boxed.name}</span>
                                    <span className="quiet block truncate text-[12px]">{boxed.what}</span>
                                </span>
                            </button>
                        </li>
                    ))}
                </ul>
            )}
        </div>
    );
}

function Sample({ brush }: { brush: BoxedBrush }) {
    const canvas = useRef<HTMLCanvasElement>(null);
    useEffect(() => {
        const context = canvas.current?.getContext('2d');
        if (context !== null && context !== undefined) draw(context, brush);
    }, [brush]);
    return <canvas ref={canvas} width={WIDTH} height={HEIGHT} aria-hidden className="shrink-0" />;
}

function draw(context: CanvasRenderingContext2D, { hardness, tip }: BoxedBrush): void {
    const preview = previewOf({ size: SAMPLE, hardness, opacity: 1, smoothing: 0, ...(tip === null ? {} : { tip }) }, 0, WIDTH, HEIGHT);
    for (let i = 0; i <= 40; i++) {
        const part = i / 40;
        preview.add([12 + (WIDTH - 24) * part, HEIGHT / 2 + 5 * Math.sin(part * 2 * Math.PI), 0.35 + 0.65 * Math.sin(part * Math.PI)]);
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
