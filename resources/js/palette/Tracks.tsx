/**
 * Lightness, chroma and hue of a colour, each a track that shows what sRGB can show there, and a plane of neighbours.
 */
import { useEffect, useRef, type PointerEvent } from 'react';
import { hexOf, isShown, MOST_CHROMA, ofOklch, type Oklch } from '../picture/oklch';

const WIDTH = 240;
const HEIGHT = 18;
const PLANE = { width: 200, height: 132 };
/** What cannot be shown is hatched in these greys. */
const HATCH = ['#8f8f8f', '#a6a6a6'];
const HATCH_STEP = 4;

type Axis = 'l' | 'c' | 'h';

const MOST: Record<Axis, number> = { l: 1, c: MOST_CHROMA, h: 360 };
const NAMES: Record<Axis, string> = { l: 'Lightness', c: 'Chroma', h: 'Hue' };
const TOLD: Record<Axis, (value: number) => string> = {
    l: (value) => (100 * value).toFixed(1),
    c: (value) => (100 * value).toFixed(1),
    h: (value) => `${Math.round(value)}°`,
};

interface Props {
    colour: Oklch;
    disabled: boolean;
    onChange: (colour: Oklch) => void;
    /** The hand let go: what counts is where, though what it showed last may not be drawn yet. */
    onSettle: (colour: Oklch) => void;
}

export function Tracks(props: Props) {
    return (
        <div className="flex gap-4">
            <div className="flex flex-col gap-2.5">
                <Track axis="l" {...props} />
                <Track axis="c" {...props} />
                <Track axis="h" {...props} />
            </div>
            <Plane {...props} />
        </div>
    );
}

function hatch(context: CanvasRenderingContext2D, x: number, y: number, width: number, height: number): void {
    context.fillStyle = HATCH[Math.floor((x + y) / HATCH_STEP) % 2];
    context.fillRect(x, y, width, height);
}

const css = (colour: Oklch): string => hexOf(ofOklch(colour));

function Track({ axis, colour, disabled, onChange, onSettle }: Props & { axis: Axis }) {
    const canvas = useRef<HTMLCanvasElement>(null);
    useEffect(() => {
        const context = canvas.current?.getContext('2d');
        if (context === null || context === undefined) return;
        for (let x = 0; x < WIDTH; x += 2) {
            const at = { ...colour, [axis]: (MOST[axis] * (x + 1)) / WIDTH };
            if (isShown(at)) {
                context.fillStyle = css(at);
                context.fillRect(x, 0, 2, HEIGHT);
            } else {
                for (let y = 0; y < HEIGHT; y += 2) hatch(context, x, y, 2, 2);
            }
        }
    });
    const name = NAMES[axis];
    const step = Math.round((1000 * colour[axis]) / MOST[axis]);
    const at = ({ currentTarget }: { currentTarget: HTMLInputElement }): Oklch => {
        const value = Number(currentTarget.value);
        return value === step ? colour : { ...colour, [axis]: (MOST[axis] * value) / 1000 };
    };
    return (
        <label className="flex flex-col gap-0.5 text-[13px]">
            <span className="flex justify-between">
                <span className="quiet">{name}</span>
                <span className="figures">{TOLD[axis](colour[axis])}</span>
            </span>
            <canvas ref={canvas} width={WIDTH} height={HEIGHT} />
            <input
                type="range"
                className="slide -mt-1"
                style={{ width: WIDTH }}
                aria-label={name}
                aria-valuetext={TOLD[axis](colour[axis])}
                min={0}
                max={1000}
                value={step}
                disabled={disabled}
                onChange={(event) => onChange(at(event))}
                onPointerUp={(event) => onSettle(at(event))}
                onKeyUp={(event) => onSettle(at(event))}
            />
        </label>
    );
}

/** Neighbours of this hue: chroma across, lightness up. */
function Plane({ colour, disabled, onChange, onSettle }: Props) {
    const canvas = useRef<HTMLCanvasElement>(null);
    const { width, height } = PLANE;
    useEffect(() => {
        const context = canvas.current?.getContext('2d');
        if (context === null || context === undefined) return;
        for (let y = 0; y < height; y += 2) {
            for (let x = 0; x < width; x += 2) {
                const at = { l: 1 - (y + 1) / height, c: (MOST_CHROMA * (x + 1)) / width, h: colour.h };
                if (isShown(at)) {
                    context.fillStyle = css(at);
                    context.fillRect(x, y, 2, 2);
                } else hatch(context, x, y, 2, 2);
            }
        }
    }, [colour.h, width, height]);
    const at = (event: PointerEvent): Oklch => {
        const box = event.currentTarget.getBoundingClientRect();
        const within = (value: number): number => Math.max(0, Math.min(1, value));
        return {
            l: 1 - within((event.clientY - box.top) / box.height),
            c: MOST_CHROMA * within((event.clientX - box.left) / box.width),
            h: colour.h,
        };
    };
    const place = (event: PointerEvent): void => {
        if (!disabled && event.buttons !== 0) onChange(at(event));
    };
    return (
        <figure className="text-[13px]">
            <figcaption className="quiet mb-0.5">Neighbours of this hue</figcaption>
            <div
                className="relative touch-none"
                style={{ width, height }}
                role="presentation"
                onPointerDown={(event) => {
                    event.currentTarget.setPointerCapture(event.pointerId);
                    place(event);
                }}
                onPointerMove={place}
                onPointerUp={(event) => {
                    if (!disabled) onSettle(at(event));
                }}
            >
                <canvas ref={canvas} width={width} height={height} />
                <span
                    className="plane-mark"
                    style={{
                        left: `${(100 * colour.c) / MOST_CHROMA}%`,
                        top: `${100 * (1 - colour.l)}%`,
                        background: css(colour),
                    }}
                />
            </div>
            <span className="quiet">Chroma to the right, lightness up</span>
        </figure>
    );
}
