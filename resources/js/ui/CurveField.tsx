/** A curve of pressure, drawn by hand: five places that are dragged up and down, or moved by the arrows. */
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { curveAt, type Curve } from '../picture/pressure';

const WIDTH = 116;
const HEIGHT = 64;
/** About the places, so that those at a rim are seen whole. */
const EDGE = 6;
const PLACES = [0, 1, 2, 3, 4];
const PRESSED = ['not pressed', 'pressed a quarter', 'pressed half', 'pressed three quarters', 'pressed fully'];
/** Of a press of an arrow. */
const STEP = 0.05;

interface Props {
    label: string;
    title: string;
    curve: Curve;
    onChange: (curve: number[]) => void;
}

export function CurveField({ label, title, curve, onChange }: Props) {
    const held = useRef<number | null>(null);
    const set = (place: number, share: number): void =>
        onChange(curve.map((was, i) => (i === place ? wholePercent(share) : was)));
    const begin = (event: PointerEvent<SVGSVGElement>): void => {
        event.currentTarget.setPointerCapture(event.pointerId);
        held.current = nearestPlace(event);
        drag(event);
    };
    const drag = (event: PointerEvent<SVGSVGElement>): void => {
        if (held.current !== null) set(held.current, shareAt(event));
    };
    const nudge = (place: number) => (event: KeyboardEvent) => {
        const by = { ArrowUp: STEP, ArrowRight: STEP, ArrowDown: -STEP, ArrowLeft: -STEP }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        set(place, curve[place] + by);
    };
    return (
        <div className="flex flex-col gap-0.5" title={title}>
            <span>{label}</span>
            <svg
                className="curve touch-none"
                width={WIDTH}
                height={HEIGHT}
                role="group"
                aria-label={`${label} by pressure`}
                onPointerDown={begin}
                onPointerMove={drag}
                onPointerUp={() => (held.current = null)}
                onPointerCancel={() => (held.current = null)}
            >
                <path className="line" d={outline(curve)} />
                {PLACES.map((place) => (
                    <circle
                        key={place}
                        cx={xOf(place / 4)}
                        cy={yOf(curve[place])}
                        r={4}
                        tabIndex={0}
                        role="slider"
                        aria-label={`${label}, ${PRESSED[place]}`}
                        aria-valuenow={Math.round(100 * curve[place])}
                        aria-valuetext={`${Math.round(100 * curve[place])} %`}
                        onKeyDown={nudge(place)}
                    />
                ))}
            </svg>
        </div>
    );
}

const xOf = (pressure: number): number => EDGE + (WIDTH - 2 * EDGE) * pressure;
const yOf = (share: number): number => HEIGHT - EDGE - (HEIGHT - 2 * EDGE) * share;

/** In whole percents: what is read beside it is what is kept. */
const wholePercent = (share: number): number => Math.round(100 * Math.max(0, Math.min(1, share))) / 100;

function outline(curve: Curve): string {
    const places = Array.from({ length: 49 }, (_, i) => i / 48);
    return `M${places.map((pressure) => `${xOf(pressure).toFixed(1)},${yOf(curveAt(curve, pressure)).toFixed(1)}`).join('L')}`;
}

function nearestPlace(event: PointerEvent<SVGSVGElement>): number {
    const x = event.clientX - event.currentTarget.getBoundingClientRect().left;
    return Math.round(4 * wholePercent((x - EDGE) / (WIDTH - 2 * EDGE)));
}

function shareAt(event: PointerEvent<SVGSVGElement>): number {
    const y = event.clientY - event.currentTarget.getBoundingClientRect().top;
    return (HEIGHT - EDGE - y) / (HEIGHT - 2 * EDGE);
}
