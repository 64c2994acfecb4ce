/** What shines beside the key: lamps that hang in the page, set by dragging them over it, and a light from behind. */
import { Fragment, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { BackLightData, LampData, LightPlanData } from '../../../api/generated';
import { sizeOf } from '../../../page/store';
import { ColourField } from '../../../ui/ColourField';
import { Fold } from '../../../ui/Fold';
import { Slide } from '../../../ui/Slide';
import { usePage } from '../../model/context';
import { nudged, placed } from '../../model/lamps';
import { ReadCanvas } from '../read/ReadCanvas';

const WIDTH = 150;
const MOST = 2;
/** In parts of the page's width, and as the sliders have it. */
const FARTHEST = 100;
const NEW: LampData = { x: 0.5, y: 0.5, reach: 0.3, colour: '#ffd08a' };
const BEHIND: BackLightData = { azimuth: 315, colour: '#ffe2b0' };

interface Props {
    plan: LightPlanData;
    onChange: (change: Partial<LightPlanData>) => void;
}

export function LampsPart({ plan: { lamps, back }, onChange }: Props) {
    const set = (at: number, change: Partial<LampData>): void =>
        onChange({ lamps: lamps.map((lamp, i) => (i === at ? { ...lamp, ...change } : lamp)) });
    const count = lamps.length + (back === null ? 0 : 1);
    return (
        <Fold title="More lights" help="light#first-light" tells={count === 0 ? '' : String(count)}>
            {lamps.length > 0 && <LampMap lamps={lamps} onMove={set} />}
            {lamps.map((lamp, at) => (
                <LampRow
                    key={at}
                    number={at + 1}
                    lamp={lamp}
                    onChange={(change) => set(at, change)}
                    onRemove={() => onChange({ lamps: lamps.filter((_, i) => i !== at) })}
                />
            ))}
            <div className="flex flex-wrap gap-1">
                {lamps.length < MOST && (
                    <button className="act" onClick={() => onChange({ lamps: [...lamps, NEW] })}>
                        Hang a lamp
                    </button>
                )}
                {back === null && (
                    <button className="act" onClick={() => onChange({ back: BEHIND })}>
                        Light from behind
                    </button>
                )}
            </div>
            {back !== null && <BackRow back={back} onChange={(change) => onChange({ back: change })} />}
        </Fold>
    );
}

/** The page, small, with its lamps on it. */
function LampMap({ lamps, onMove }: { lamps: LampData[]; onMove: (at: number, change: Partial<LampData>) => void }) {
    const map = useRef<SVGSVGElement>(null);
    const size = usePage(sizeOf);
    if (size === null) return null;
    const height = (WIDTH * size.height) / size.width;
    const drag = (at: number) => (event: PointerEvent) => {
        const box = map.current?.getBoundingClientRect();
        if (event.buttons === 1 && box !== undefined) onMove(at, placed(event.clientX, event.clientY, box));
    };
    const key = (at: number) => (event: KeyboardEvent) => {
        const moved = nudged(lamps[at], event.key);
        if (moved === null) return;
        event.preventDefault();
        onMove(at, moved);
    };
    return (
        <div className="relative self-center" style={{ width: WIDTH }}>
            <ReadCanvas isGrey={false} width={WIDTH} />
            <svg ref={map} className="absolute left-0 top-0 overflow-hidden" width={WIDTH} height={height}>
                {lamps.map(({ x, y, reach, colour }, at) => (
                    <Fragment key={at}>
                        <circle
                            cx={x * WIDTH}
                            cy={y * height}
                            r={reach * WIDTH}
                            fill={colour}
                            fillOpacity={0.15}
                            stroke={colour}
                            pointerEvents="none"
                        />
                        <circle
                            cx={x * WIDTH}
                            cy={y * height}
                            r={9}
                            fill={colour}
                            stroke="black"
                            tabIndex={0}
                            role="slider"
                            aria-label={`Place of lamp ${at + 1}`}
                            aria-valuenow={Math.round(100 * x)}
                            aria-valuetext={`${Math.round(100 * x)} % from the left, ${Math.round(100 * y)} % from the top`}
                            className="cursor-grab touch-none"
                            onPointerDown={(event) => {
                                event.currentTarget.setPointerCapture(event.pointerId);
                                drag(at)(event);
                            }}
                            onPointerMove={drag(at)}
                            onKeyDown={key(at)}
                        />
                        <text x={x * WIDTH} y={y * height + 4} textAnchor="middle" fontSize={11} pointerEvents="none">
                            {at + 1}
                        </text>
                    </Fragment>
                ))}
            </svg>
        </div>
    );
}

interface LampRowProps {
    number: number;
    lamp: LampData;
    onChange: (change: Partial<LampData>) => void;
    onRemove: () => void;
}

function LampRow({ number, lamp, onChange, onRemove }: LampRowProps) {
    return (
        <div className="flex items-center gap-1">
            <div className="min-w-0 flex-1">
                <Slide
                    wide
                    label={`Lamp ${number}`}
                    least={5}
                    most={FARTHEST}
                    value={Math.round(lamp.reach * 100)}
                    shown={`${Math.round(lamp.reach * 100)} %`}
                    onChange={(reach) => onChange({ reach: reach / 100 })}
                />
            </div>
            <ColourField
                label={`Colour of lamp ${number}`}
                value={lamp.colour}
                onChange={(colour) => onChange({ colour })}
            />
            <button
                className="bare quiet"
                aria-label={`Take lamp ${number} down`}
                title="Take it down"
                onClick={onRemove}
            >
                ×
            </button>
        </div>
    );
}

function BackRow({ back, onChange }: { back: BackLightData; onChange: (change: BackLightData | null) => void }) {
    return (
        <div className="flex items-center gap-1">
            <div className="min-w-0 flex-1">
                <Slide
                    wide
                    label="Behind"
                    most={359}
                    value={Math.round(back.azimuth)}
                    shown={`${Math.round(back.azimuth)}°`}
                    onChange={(azimuth) => onChange({ ...back, azimuth })}
                />
            </div>
            <ColourField
                label="Colour of the light from behind"
                value={back.colour}
                onChange={(colour) => onChange({ ...back, colour })}
            />
            <button
                className="bare quiet"
                aria-label="Remove the light from behind"
                title="Remove it"
                onClick={() => onChange(null)}
            >
                ×
            </button>
        </div>
    );
}
