import type { RangeData, ShiftPassData } from '../../../../api/generated';
import { Slide } from '../../../../ui/Slide';
import { Tick } from '../../../../ui/Tick';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

/** Warm colours, with a soft edge; the hand goes on from there. */
const SOME_HUES: RangeData = { from: 20, to: 80, soft: 20 };
/** The lighter half. */
const SOME_TONES: RangeData = { from: 0.5, to: 1, soft: 0.15 };

export function ShiftSettings({ id, content, disabled }: SettingsProps<ShiftPassData>) {
    const { preview, apply } = useContent(id, content);
    const { lightness, chroma, hue, hues, tones } = content;
    const slide = (change: (at: number) => Partial<ShiftPassData>) => ({
        wide: true,
        disabled,
        onChange: (at: number) => preview(change(at)),
        onSettle: (at: number) => apply(change(at)),
    });
    return (
        <>
            <Slide
                label="Lightness"
                least={-100}
                most={100}
                value={Math.round(100 * lightness)}
                shown={signed(Math.round(100 * lightness), ' %')}
                {...slide((at) => ({ lightness: at / 100 }))}
            />
            <Slide
                label="Chroma"
                most={300}
                value={Math.round(100 * chroma)}
                shown={`${Math.round(100 * chroma)} %`}
                title="How strong colours are: 0 makes them grey"
                {...slide((at) => ({ chroma: at / 100 }))}
            />
            <Slide
                label="Hue"
                least={-180}
                most={180}
                value={Math.round(hue)}
                shown={signed(Math.round(hue), '°')}
                {...slide((at) => ({ hue: at }))}
            />
            <Tick checked={hues !== null} disabled={disabled} onChange={(on) => apply({ hues: on ? SOME_HUES : null })}>
                Only some hues
            </Tick>
            {hues !== null && (
                <Range
                    of={hues}
                    most={360}
                    softest={90}
                    unit="°"
                    slide={(change) => slide((at) => ({ hues: change(at) }))}
                />
            )}
            <Tick
                checked={tones !== null}
                disabled={disabled}
                onChange={(on) => apply({ tones: on ? SOME_TONES : null })}
            >
                Only some lightness
            </Tick>
            {tones !== null && (
                <Range
                    of={tones}
                    most={1}
                    softest={0.5}
                    unit=" %"
                    slide={(change) => slide((at) => ({ tones: inOrder(change(at)) }))}
                />
            )}
        </>
    );
}

const signed = (value: number, unit: string): string => `${value > 0 ? '+' : ''}${value}${unit}`;

const inOrder = ({ from, to, soft }: RangeData): RangeData => ({
    from: Math.min(from, to),
    to: Math.max(from, to),
    soft,
});

interface RangeProps {
    of: RangeData;
    most: number;
    softest: number;
    unit: string;
    slide: (change: (at: number) => RangeData) => {
        wide: boolean;
        disabled: boolean;
        onChange: (at: number) => void;
        onSettle: (at: number) => void;
    };
}

/** Where a range begins and ends, and over how much it fades. */
function Range({ of, most, softest, unit, slide }: RangeProps) {
    const scale = most === 1 ? 100 : 1;
    const dial = (label: string, name: keyof RangeData, end: number) => (
        <Slide
            label={label}
            most={end * scale}
            value={Math.round(of[name] * scale)}
            shown={`${Math.round(of[name] * scale)}${unit}`}
            {...slide((at) => ({ ...of, [name]: at / scale }))}
        />
    );
    return (
        <div className="ml-3 flex flex-col gap-1">
            {dial('From', 'from', most)}
            {dial('To', 'to', most)}
            {dial('Fades over', 'soft', softest)}
        </div>
    );
}
