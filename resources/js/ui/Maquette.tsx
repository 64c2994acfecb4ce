/**
 * A material's ramp on a ball, a post and a folded cloth under a light: what the light does, and a tone beside the
 * others.
 */
import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Tone } from '../api/generated';
import { colourOn, USUAL_DIALS, type RampColours, type RampDials, type Rgb, type Vector } from '../picture/maquette';

const WIDTH = 226;
const HEIGHT = 92;
const BALL = { x: 46, y: 46, radius: 42 };
const POST = { left: 98, right: 134 };
const CLOTH = { left: 146, right: 222 };
const TOP = 6;
const BOTTOM = 86;
const FOLDS = 2.2;
/** Beside a ramp there is no plan: shade reaches a little into the light. */
const BESIDE_RAMP: RampDials = { ...USUAL_DIALS, reach: 0.2 };

const UPPER_LEFT: Vector = normalized([-0.5, 0.6, 0.62]);

interface Props {
    tones: Record<Tone, string>;
    /** To the light, of length 1. */
    light?: Vector;
    dials?: RampDials;
    /** Where the hand drags the light to: a place over the ball, of radius 1. */
    onDrag?: (x: number, y: number) => void;
    onKey?: (event: KeyboardEvent) => void;
    /** What is read out of the light. */
    says?: string;
}

export function Maquette({ tones, light = UPPER_LEFT, dials = BESIDE_RAMP, onDrag, onKey, says }: Props) {
    const canvas = useRef<HTMLCanvasElement>(null);
    useEffect(() => {
        const context = canvas.current?.getContext('2d');
        if (context === null || context === undefined) return;
        const picture = context.createImageData(WIDTH, HEIGHT);
        const { deep, shade, base, light: lit, glint } = tones;
        const ramp = { deep: rgb(deep), shade: rgb(shade), base: rgb(base), light: rgb(lit), glint: rgb(glint) };
        for (let y = 0; y < HEIGHT; y++) for (let x = 0; x < WIDTH; x++) paint(picture, x, y, ramp, light, dials);
        context.putImageData(picture, 0, 0);
        if (onDrag !== undefined) drawLight(context, light);
    });
    if (onDrag === undefined)
        return (
            <canvas
                ref={canvas}
                width={WIDTH}
                height={HEIGHT}
                aria-label="The ramp on a ball, a post and a cloth"
                role="img"
            />
        );
    const drag = (event: PointerEvent<HTMLCanvasElement>): void => {
        const box = event.currentTarget.getBoundingClientRect();
        onDrag((event.clientX - box.left - BALL.x) / BALL.radius, -(event.clientY - box.top - BALL.y) / BALL.radius);
    };
    return (
        <canvas
            ref={canvas}
            width={WIDTH}
            height={HEIGHT}
            tabIndex={0}
            role="slider"
            aria-label="Where the light comes from"
            aria-valuenow={Math.round(Math.atan2(light[1], light[0]) * (180 / Math.PI))}
            aria-valuetext={says}
            className="shrink-0 cursor-grab touch-none"
            onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                drag(event);
            }}
            onPointerMove={(event) => {
                if (event.buttons === 1) drag(event);
            }}
            onKeyDown={onKey}
        />
    );
}

function rgb(hex: string): Rgb {
    const colour = Number.parseInt(hex.slice(1), 16);
    return [colour >> 16, (colour >> 8) & 255, colour & 255];
}

function paint(picture: ImageData, x: number, y: number, ramp: RampColours, light: Vector, dials: RampDials): void {
    const normal = ball(x, y) ?? post(x, y) ?? cloth(x, y);
    if (normal === null) return;
    picture.data.set([...colourOn(normal, light, dials, ramp), 255], 4 * (y * WIDTH + x));
}

function ball(x: number, y: number): Vector | null {
    const [right, up] = [(x + 0.5 - BALL.x) / BALL.radius, (BALL.y - y - 0.5) / BALL.radius];
    const inside = 1 - right * right - up * up;
    return inside < 0 ? null : [right, up, Math.sqrt(inside)];
}

function post(x: number, y: number): Vector | null {
    if (x < POST.left || x >= POST.right || y < TOP || y >= BOTTOM) return null;
    const right = (2 * (x + 0.5 - POST.left)) / (POST.right - POST.left) - 1;
    return [right, 0, Math.sqrt(1 - right * right)];
}

function cloth(x: number, y: number): Vector | null {
    if (x < CLOTH.left || x >= CLOTH.right || y < TOP || y >= BOTTOM) return null;
    const across = (x - CLOTH.left) / (CLOTH.right - CLOTH.left);
    const along = (y - TOP) / (BOTTOM - TOP);
    const bend = Math.sin(FOLDS * 2 * Math.PI * (across + 0.06 * Math.sin(3 * along)));
    return normalized([0.9 * bend + 1.2 * (across - 0.5), 0.15, 0.75]);
}

/** The light itself, as a ring: seen on any colour. */
function drawLight(context: CanvasRenderingContext2D, [right, up]: Vector): void {
    context.lineWidth = 2;
    for (const [colour, radius] of [
        ['#000', 6],
        ['#fff', 5],
    ] as const) {
        context.strokeStyle = colour;
        context.beginPath();
        context.arc(BALL.x + right * BALL.radius, BALL.y - up * BALL.radius, radius, 0, 2 * Math.PI);
        context.stroke();
    }
}

function normalized([x, y, z]: Vector): Vector {
    const length = Math.hypot(x, y, z);
    return [x / length, y / length, z / length];
}
