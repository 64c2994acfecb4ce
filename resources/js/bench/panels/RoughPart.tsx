/** A first light on the picked figure: the light is set by dragging it over a ball, the machine does the rest. */
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { MaterialState, Tone } from '../../api/generated';
import { mayColour } from '../../page/store';
import { isGoing } from '../../page/tasks';
import { toColour } from '../../picture/stack';
import { Fold } from '../../ui/Fold';
import { AT_FIRST, directionOf, lightAt, turned, type KeyLight } from '../model/keyLight';
import { usePage, useSession, useTarget } from '../model/context';

const SIDE = 112;
const RADIUS = 50;
/** Degrees of a press of an arrow. */
const STEP = 5;
/** Which tone stands from which cosine on; the first that fits. As in the core. */
const BANDS: [Tone, number][] = [
    ['light', 0.86],
    ['base', 0],
    ['shade', -2],
];

/** 359.6 is 0, not 360. */
const whole = (degrees: number): number => Math.round(degrees) % 360;

export function RoughPart() {
    const target = useTarget();
    const session = useSession();
    const isBlocked = usePage((view) => !mayColour(view) || isGoing(view.task));
    const [light, setLight] = useState<KeyLight>(AT_FIRST);
    if (target === null) return null;
    const { figure } = target.material;
    return (
        <Fold title={`First light on ${target.figureName}`}>
            <div className="flex items-center gap-3">
                <Ball material={target.material} light={light} onLight={setLight} />
                <p className="quiet figures text-[13px]">
                    Drag the light over the ball.
                    <br />
                    from {whole(light.azimuth)}°
                    <br />
                    height {Math.round(light.elevation)}°
                </p>
            </div>
            <button
                className="act main self-start"
                disabled={isBlocked}
                onClick={() => void session.roughIn(figure, light.azimuth, light.elevation)}
            >
                Rough it in
            </button>
            <p className="quiet text-[13px]">
                Shade, occlusion, light and rim hang as passes. Done again they follow the light; what you paint beside them stays.
            </p>
        </Fold>
    );
}

interface BallProps {
    material: MaterialState;
    light: KeyLight;
    onLight: (light: KeyLight) => void;
}

function Ball({ material, light, onLight }: BallProps) {
    const canvas = useRef<HTMLCanvasElement>(null);
    useEffect(() => {
        const context = canvas.current?.getContext('2d');
        if (context !== null && context !== undefined) draw(context, material.tones, light);
    }, [material, light]);
    const drag = (event: PointerEvent<HTMLCanvasElement>): void => {
        const box = event.currentTarget.getBoundingClientRect();
        onLight(lightAt((event.clientX - box.left - SIDE / 2) / RADIUS, -(event.clientY - box.top - SIDE / 2) / RADIUS));
    };
    const press = (event: KeyboardEvent): void => {
        const next = turned(light, event.key, STEP);
        if (next === null) return;
        event.preventDefault();
        onLight(next);
    };
    return (
        <canvas
            ref={canvas}
            width={SIDE}
            height={SIDE}
            tabIndex={0}
            role="slider"
            aria-label="Where the light comes from"
            aria-valuenow={whole(light.azimuth)}
            aria-valuetext={`from ${whole(light.azimuth)} degrees, height ${Math.round(light.elevation)}`}
            className="shrink-0 cursor-grab touch-none"
            onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                drag(event);
            }}
            onPointerMove={(event) => {
                if (event.buttons === 1) drag(event);
            }}
            onKeyDown={press}
        />
    );
}

function draw(context: CanvasRenderingContext2D, tones: Record<Tone, string>, light: KeyLight): void {
    const [lx, ly, lz] = directionOf(light);
    const picture = context.createImageData(SIDE, SIDE);
    for (let y = 0; y < SIDE; y++) {
        for (let x = 0; x < SIDE; x++) {
            const nx = (x + 0.5 - SIDE / 2) / RADIUS;
            const ny = -(y + 0.5 - SIDE / 2) / RADIUS;
            const flat = 1 - nx * nx - ny * ny;
            if (flat < 0) continue;
            const cosine = nx * lx + ny * ly + Math.sqrt(flat) * lz;
            const colour = toColour(tones[BANDS.find(([, from]) => cosine >= from)?.[0] ?? 'shade']);
            picture.data.set([colour >> 16, (colour >> 8) & 255, colour & 255, 255], 4 * (y * SIDE + x));
        }
    }
    context.putImageData(picture, 0, 0);
    // The light itself, as a ring: seen on any colour.
    context.lineWidth = 2;
    for (const [colour, radius] of [
        ['#000', 6],
        ['#fff', 5],
    ] as const) {
        context.strokeStyle = colour;
        context.beginPath();
        context.arc(SIDE / 2 + lx * RADIUS, SIDE / 2 - ly * RADIUS, radius, 0, 2 * Math.PI);
        context.stroke();
    }
}
