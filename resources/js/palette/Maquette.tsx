/** A material's ramp on a sphere and a folded cloth, lit from the upper left: what a tone does beside the others. */
import { useEffect, useRef } from 'react';
import type { Tone } from '../api/generated';
import { toColour } from '../picture/stack';

const WIDTH = 232;
const HEIGHT = 118;
const LIGHT = normalized([-0.5, -0.6, 0.62]);
/** From which share of the light on each tone stands; the first that fits. */
const BANDS: [Tone, number][] = [
    ['glint', 0.965],
    ['light', 0.8],
    ['base', 0.32],
    ['shade', -0.2],
    ['deep', -2],
];
const FOLDS = 2.6;

type Vector = [number, number, number];

export function Maquette({ tones }: { tones: Record<Tone, string> }) {
    const canvas = useRef<HTMLCanvasElement>(null);
    useEffect(() => {
        const context = canvas.current?.getContext('2d');
        if (context === null || context === undefined) return;
        const picture = context.createImageData(WIDTH, HEIGHT);
        for (let y = 0; y < HEIGHT; y++) for (let x = 0; x < WIDTH; x++) paint(picture, x, y, tones);
        context.putImageData(picture, 0, 0);
    });
    return <canvas ref={canvas} width={WIDTH} height={HEIGHT} aria-label="The ramp on a sphere and a cloth" role="img" />;
}

function paint(picture: ImageData, x: number, y: number, tones: Record<Tone, string>): void {
    const normal = sphere(x, y) ?? cloth(x, y);
    if (normal === null) return;
    const lit = normal[0] * LIGHT[0] + normal[1] * LIGHT[1] + normal[2] * LIGHT[2];
    const tone = BANDS.find(([, from]) => lit >= from)?.[0] ?? 'deep';
    const colour = toColour(tones[tone]);
    picture.data.set([colour >> 16, (colour >> 8) & 255, colour & 255, 255], 4 * (y * WIDTH + x));
}

/** Facing the light at a pixel, or not there. */
function sphere(x: number, y: number): Vector | null {
    const [dx, dy] = [(x - 58) / 54, (y - 59) / 54];
    const inside = 1 - dx * dx - dy * dy;
    return inside < 0 ? null : [dx, dy, Math.sqrt(inside)];
}

function cloth(x: number, y: number): Vector | null {
    if (x < 124 || x > 226 || y < 6 || y > 112) return null;
    const across = (x - 124) / 102;
    const along = (y - 6) / 106;
    const bend = Math.sin(FOLDS * 2 * Math.PI * (across + 0.06 * Math.sin(3 * along)));
    return normalized([0.9 * bend + 1.2 * (across - 0.5), -0.15, 0.75]);
}

function normalized([x, y, z]: Vector): Vector {
    const length = Math.hypot(x, y, z);
    return [x / length, y / length, z / length];
}
