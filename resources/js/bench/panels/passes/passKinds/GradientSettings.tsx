import { Plus, X } from 'lucide-react';
import type { GradientData, GradientStopData } from '../../../../api/generated';
import { gradient } from '../../../../picture/passKinds/gradient';
import { Choice } from '../../../../ui/Choice';
import { ColourField } from '../../../../ui/ColourField';
import { Slide } from '../../../../ui/Slide';
import { usePage } from '../../../model/context';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

const FORMS = ['linear', 'round'] as const;
const FORM_NAMES = { linear: 'straight', round: 'round, from its middle outward' };
const SPACES = ['oklab', 'srgb'] as const;
const SPACE_NAMES = { oklab: 'mixed as the eye sees (Oklab)', srgb: 'mixed as files store it (sRGB)' };
const MOST = 8;
const FEWEST = 2;

/** Ways to lay it over the page that are asked for most. */
const WAYS: Record<string, Pick<GradientData, 'form' | 'from' | 'to'>> = {
    'Top to bottom': { form: 'linear', from: [0.5, 0], to: [0.5, 1] },
    'Bottom to top': { form: 'linear', from: [0.5, 1], to: [0.5, 0] },
    'Left to right': { form: 'linear', from: [0, 0.5], to: [1, 0.5] },
    'From the middle': { form: 'round', from: [0.5, 0.5], to: [1, 1] },
};

export function GradientSettings({ id, content, disabled }: SettingsProps<GradientData>) {
    const { preview, apply } = useContent(id, content);
    const palette = usePage((view) => view.palette);
    const pass = usePage((view) => view.records.pass[id]);
    const { stops } = content;
    const withStop = (i: number, change: Partial<GradientStopData>): Partial<GradientData> => ({
        stops: inOrder(stops.map((stop, other) => (other === i ? { ...stop, ...change } : stop))),
    });
    return (
        <>
            <span
                aria-hidden
                className="h-5 w-full border border-base-300"
                style={{ background: gradient.swatch({ ...content, form: 'linear' }, pass, palette) }}
            />
            <div className="flex flex-wrap gap-1">
                {Object.entries(WAYS).map(([name, way]) => (
                    <button key={name} className="act narrow" disabled={disabled} onClick={() => apply(way)}>
                        {name}
                    </button>
                ))}
            </div>
            <Choice
                label="Form"
                value={content.form}
                options={FORMS}
                names={FORM_NAMES}
                disabled={disabled}
                onChange={(form) => apply({ form })}
            />
            <Choice
                label="Colours"
                value={content.space}
                options={SPACES}
                names={SPACE_NAMES}
                disabled={disabled}
                onChange={(space) => apply({ space })}
            />
            <ul className="flex flex-col gap-1.5">
                {stops.map((stop, i) => (
                    <Stop
                        key={i}
                        number={i + 1}
                        stop={stop}
                        disabled={disabled}
                        onPreview={(change) => preview(withStop(i, change))}
                        onChange={(change) => apply(withStop(i, change))}
                        onRemove={
                            stops.length > FEWEST
                                ? () => apply({ stops: stops.filter((_, other) => other !== i) })
                                : null
                        }
                    />
                ))}
            </ul>
            {stops.length < MOST && (
                <button className="act self-start" disabled={disabled} onClick={() => apply({ stops: oneMore(stops) })}>
                    <Plus size={14} aria-hidden /> One more colour
                </button>
            )}
        </>
    );
}

interface StopProps {
    number: number;
    stop: GradientStopData;
    disabled: boolean;
    onPreview: (change: Partial<GradientStopData>) => void;
    onChange: (change: Partial<GradientStopData>) => void;
    onRemove: (() => void) | null;
}

function Stop({ number, stop, disabled, onPreview, onChange, onRemove }: StopProps) {
    const percent = (label: string, name: 'at' | 'alpha') => (
        <Slide
            wide
            label={label}
            most={100}
            value={Math.round(100 * stop[name])}
            shown={`${Math.round(100 * stop[name])} %`}
            disabled={disabled}
            onChange={(at) => onPreview({ [name]: at / 100 })}
            onSettle={(at) => onChange({ [name]: at / 100 })}
        />
    );
    return (
        <li className="flex flex-col gap-0.5 border-t border-base-300 pt-1">
            <div className="flex items-center gap-2">
                <ColourField
                    label={`Colour ${number}`}
                    value={stop.colour}
                    disabled={disabled}
                    onChange={(colour) => onPreview({ colour })}
                    onSettle={(colour) => onChange({ colour })}
                />
                {onRemove !== null && (
                    <button
                        className="bare ml-auto"
                        aria-label={`Take colour ${number} out`}
                        disabled={disabled}
                        onClick={onRemove}
                    >
                        <X size={14} aria-hidden />
                    </button>
                )}
            </div>
            {percent('Stands at', 'at')}
            {percent('Covers', 'alpha')}
        </li>
    );
}

const inOrder = (stops: GradientStopData[]): GradientStopData[] => [...stops].sort((a, b) => a.at - b.at);

/** Half-way in the widest gap, of the colour before it. */
function oneMore(stops: GradientStopData[]): GradientStopData[] {
    const gaps = stops.slice(1).map((stop, i) => stop.at - stops[i].at);
    const widest = gaps.indexOf(Math.max(...gaps));
    const before = stops[widest];
    return inOrder([...stops, { ...before, at: Math.round(1000 * (before.at + gaps[widest] / 2)) / 1000 }]);
}
