/** Lightness, strength and hue of colours, turned together in OKLCh. */
import type { TurnData } from '../../../api/generated';
import { Slide } from '../../../ui/Slide';

export const AS_IT_IS: TurnData = { lightness: 0, chroma: 1, hue: 0 };

export const isTurned = (turn: TurnData | null): boolean =>
    turn !== null && (turn.lightness !== 0 || turn.chroma !== 1 || turn.hue !== 0);

/** In hundredths of OKLCh's lightness. */
const DARKEST = 30;

interface Props {
    value: TurnData;
    disabled: boolean;
    /** The hand is still on the slider. */
    onChange: (change: Partial<TurnData>) => void;
    onSettle: (change: Partial<TurnData>) => void;
}

export function TurnSlides({ value, disabled, onChange, onSettle }: Props) {
    const percent = (part: number): number => Math.round(part * 100);
    const slide = (name: keyof TurnData, scale: number) => ({
        wide: true,
        disabled,
        onChange: (at: number) => onChange({ [name]: at / scale }),
        onSettle: (at: number) => onSettle({ [name]: at / scale }),
    });
    return (
        <>
            <Slide
                label="Lightness"
                least={-DARKEST}
                most={DARKEST}
                value={percent(value.lightness)}
                shown={`${percent(value.lightness)}`}
                {...slide('lightness', 100)}
            />
            <Slide
                label="Strength"
                most={200}
                value={percent(value.chroma)}
                shown={`${percent(value.chroma)} %`}
                {...slide('chroma', 100)}
            />
            <Slide
                label="Hue"
                least={-180}
                most={180}
                value={Math.round(value.hue)}
                shown={`${Math.round(value.hue)}°`}
                {...slide('hue', 1)}
            />
        </>
    );
}
