import { useRef, useState, type PointerEvent } from 'react';
import type { CurveData } from '../../../../api/generated';
import { monotoneCurve, type CurvePoint } from '../../../../picture/monotoneCurve';
import { ChannelChoice } from './ChannelChoice';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

/** Px of the drawing along a side. */
const SIDE = 200;
/** Px round a point that belong to it. */
const REACH = 12;
const MOST = 12;
const FEWEST = 2;
/** The core keeps points so far apart. */
const APART = 0.01;

/** Points are dragged, added by pressing beside the curve, and typed. */
export function CurveSettings({ id, content, disabled }: SettingsProps<CurveData>) {
    const { preview, apply } = useContent(id, content);
    const [picked, pick] = useState(0);
    const { points } = content;
    const move = (i: number, to: CurvePoint): CurvePoint[] =>
        points.map((point, other) => (other === i ? held(points, i, to) : point));
    const typed = (part: 0 | 1, text: string): void => {
        const value = Number(text) / 100;
        if (!Number.isFinite(value)) return;
        const to: CurvePoint = [...points[at]];
        to[part] = Math.max(0, Math.min(1, value));
        apply({ points: move(at, to) });
    };
    const at = Math.min(picked, points.length - 1);
    return (
        <>
            <ChannelChoice value={content.channel} disabled={disabled} onChange={(channel) => apply({ channel })} />
            <Drawing
                points={points}
                picked={at}
                disabled={disabled}
                onPick={pick}
                onMove={(i, to) => preview({ points: move(i, to) })}
                onDone={(i, to) => apply({ points: move(i, to) })}
                onAdd={(point) => {
                    const next = [...points, point].sort((a, b) => a[0] - b[0]);
                    pick(next.indexOf(point));
                    apply({ points: next });
                }}
            />
            <div className="flex items-center gap-2 text-[13px]">
                <Percent label="From" value={points[at][0]} disabled={disabled} onType={(text) => typed(0, text)} />
                <Percent label="to" value={points[at][1]} disabled={disabled} onType={(text) => typed(1, text)} />
                <button
                    className="act narrow"
                    disabled={disabled || points.length <= FEWEST}
                    onClick={() => apply({ points: points.filter((_, i) => i !== at) })}
                >
                    Take the point out
                </button>
            </div>
        </>
    );
}

/** A point between its neighbours. */
function held(points: readonly CurvePoint[], i: number, [x, y]: CurvePoint): CurvePoint {
    const least = i === 0 ? 0 : points[i - 1][0] + APART;
    const most = i === points.length - 1 ? 1 : points[i + 1][0] - APART;
    const rounded = (value: number): number => Math.round(1000 * value) / 1000;
    return [rounded(Math.max(least, Math.min(most, x))), rounded(Math.max(0, Math.min(1, y)))];
}

interface DrawingProps {
    points: readonly CurvePoint[];
    picked: number;
    disabled: boolean;
    onPick: (i: number) => void;
    onMove: (i: number, to: CurvePoint) => void;
    onDone: (i: number, to: CurvePoint) => void;
    onAdd: (point: CurvePoint) => void;
}

function Drawing({ points, picked, disabled, onPick, onMove, onDone, onAdd }: DrawingProps) {
    const dragged = useRef<number | null>(null);
    const placeOf = (event: PointerEvent<SVGSVGElement>): CurvePoint => {
        const box = event.currentTarget.getBoundingClientRect();
        return [(event.clientX - box.left) / box.width, 1 - (event.clientY - box.top) / box.height];
    };
    const begin = (event: PointerEvent<SVGSVGElement>): void => {
        if (disabled) return;
        const place = placeOf(event);
        const near = points.findIndex(([x, y]) => Math.hypot(x - place[0], y - place[1]) * SIDE < REACH);
        if (near < 0) {
            const isFree = points.every(([x]) => Math.abs(x - place[0]) > APART);
            if (points.length < MOST && isFree) onAdd([place[0], Math.max(0, Math.min(1, place[1]))]);
            return;
        }
        event.currentTarget.setPointerCapture(event.pointerId);
        dragged.current = near;
        onPick(near);
    };
    const end = (event: PointerEvent<SVGSVGElement>): void => {
        if (dragged.current !== null) onDone(dragged.current, placeOf(event));
        dragged.current = null;
    };
    const curve = monotoneCurve(points);
    const path = Array.from({ length: 101 }, (_, i) => `${(SIDE * i) / 100},${SIDE * (1 - curve(i / 100))}`).join(' ');
    return (
        <svg
            viewBox={`0 0 ${SIDE} ${SIDE}`}
            className="aspect-square w-full max-w-[260px] touch-none border border-base-300 bg-base-200"
            role="img"
            aria-label={`A curve through ${points.length} points`}
            onPointerDown={begin}
            onPointerMove={(event) => dragged.current !== null && onMove(dragged.current, placeOf(event))}
            onPointerUp={end}
            onPointerCancel={() => (dragged.current = null)}
        >
            <path
                d={`M0 ${SIDE}L${SIDE} 0M${SIDE / 2} 0V${SIDE}M0 ${SIDE / 2}H${SIDE}`}
                className="fill-none stroke-base-300"
            />
            <polyline points={path} className="fill-none stroke-base-content" strokeWidth={1.5} />
            {points.map(([x, y], i) => (
                <rect
                    key={i}
                    x={SIDE * x - 4}
                    y={SIDE * (1 - y) - 4}
                    width={8}
                    height={8}
                    className={i === picked ? 'fill-primary' : 'fill-base-content'}
                />
            ))}
        </svg>
    );
}

interface PercentProps {
    label: string;
    value: number;
    disabled: boolean;
    onType: (text: string) => void;
}

function Percent({ label, value, disabled, onType }: PercentProps) {
    const text = String(Math.round(1000 * value) / 10);
    return (
        <label className="flex items-center gap-1">
            {label}
            <input
                key={text}
                className="field figures w-16"
                inputMode="decimal"
                defaultValue={text}
                disabled={disabled}
                onBlur={(event) => event.target.value !== text && onType(event.target.value)}
                onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
            />
            %
        </label>
    );
}
