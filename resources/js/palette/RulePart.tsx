/** The light of a series and the rule by which tones follow from it: dragged, the whole palette shows it at once. */
import { useEffect, useState } from 'react';
import { api } from '../api/client';
import { SHADE_HUES, type DerivationData, type PaletteState, type ShadeHue } from '../api/generated';
import { SIX } from '../api/tones';
import { Choice } from '../ui/Choice';
import { materialOf, type PaletteDesk, type Trial } from './usePalette';

const HUES: Record<ShadeHue, string> = {
    opposite: 'the opposite of the light’s hue',
    blue: 'blue: open sky, or night',
};

type DialName = Exclude<keyof DerivationData, 'toward'>;

const DIALS: { dial: DialName; label: string; least: number; most: number }[] = [
    { dial: 'turn', label: 'Shades turn there', least: 0, most: 80 },
    { dial: 'shade', label: 'Shade keeps, of lightness', least: 30, most: 100 },
    { dial: 'deep', label: 'Deep keeps, of the shade', least: 30, most: 100 },
    { dial: 'chroma', label: 'Chroma at each step down', least: 0, most: 200 },
    { dial: 'light', label: 'Light rises', least: 0, most: 100 },
    { dial: 'glint', label: 'Glint rises, from the light', least: 0, most: 100 },
    { dial: 'pull', label: 'Lights go to its colour', least: 0, most: 50 },
];

/** Milliseconds the hand must rest before the palette is asked for anew. */
const CALM = 40;

export function RulePart({ desk }: { desk: PaletteDesk }) {
    const palette = desk.overview?.palette;
    return palette === undefined ? null : <Rule desk={desk} palette={palette} />;
}

function Rule({ desk, palette }: { desk: PaletteDesk; palette: PaletteState }) {
    const [light, setLight] = useState(palette.light);
    const [dials, setDials] = useState(palette.dials);
    const series = desk.overview?.id ?? 0;
    const may = desk.overview?.mayColour === true;
    const isChanged = light !== palette.light || JSON.stringify(dials) !== JSON.stringify(palette.dials);
    usePreview(desk, series, isChanged ? light : null, dials);
    const asItWas = (): void => {
        setLight(palette.light);
        setDials(palette.dials);
    };
    return (
        <div className="flex flex-col gap-3">
            <h2 className="heading text-base">How tones are derived</h2>
            <p className="quiet">
                Tones with a ring are worked out from the base by this rule, for every material that has none of its
                own. What is pinned stays.
            </p>
            <label className="flex items-center gap-2">
                <span className="w-52">Colour of the light</span>
                <input
                    type="color"
                    className="h-8 w-12"
                    value={light}
                    disabled={!may}
                    onChange={(event) => setLight(event.target.value)}
                />
                <span className="figures quiet">{light}</span>
            </label>
            <Dials dials={dials} disabled={!may} onChange={setDials} />
            <div className="flex gap-2">
                <button
                    className="act main"
                    disabled={!may || !isChanged}
                    onClick={() => void desk.apply('rule.change', { light, dials })}
                >
                    Make it the series’ rule
                </button>
                <button className="act" disabled={!isChanged} onClick={asItWas}>
                    As it was
                </button>
            </div>
            <OwnRule desk={desk} dials={dials} isChanged={isChanged} />
        </div>
    );
}

interface DialsProps {
    dials: DerivationData;
    disabled: boolean;
    onChange: (dials: DerivationData) => void;
}

function Dials({ dials, disabled, onChange }: DialsProps) {
    return (
        <>
            <Choice
                label="Shades turn toward"
                value={dials.toward}
                options={SHADE_HUES}
                names={HUES}
                disabled={disabled}
                onChange={(toward) => onChange({ ...dials, toward })}
            />
            <div className="flex flex-col gap-2.5">
                {DIALS.map(({ dial, label, least, most }) => (
                    <Dial
                        key={dial}
                        label={label}
                        least={least}
                        most={most}
                        value={Math.round(100 * dials[dial])}
                        disabled={disabled}
                        onChange={(value) => onChange({ ...dials, [dial]: value / 100 })}
                    />
                ))}
            </div>
        </>
    );
}

interface DialProps {
    label: string;
    least: number;
    most: number;
    value: number;
    disabled: boolean;
    onChange: (value: number) => void;
}

function Dial({ label, least, most, value, disabled, onChange }: DialProps) {
    return (
        <label className="flex items-center gap-2">
            <span className="w-52">{label}</span>
            <input
                type="range"
                className="slide min-w-0 flex-1"
                min={least}
                max={most}
                value={value}
                disabled={disabled}
                onChange={(event) => onChange(Number(event.target.value))}
            />
            <span className="figures w-12 text-right">{value} %</span>
        </label>
    );
}

/** Shows the whole palette as it would be, as soon as the hand rests. */
function usePreview({ tryOut }: PaletteDesk, series: number, light: string | null, dials: DerivationData): void {
    useEffect(() => {
        if (light === null) return tryOut({});
        let isCurrent = true;
        const timer = setTimeout(() => {
            void api.previewRule(series, light, dials).then((tones) => isCurrent && tryOut(tones as Trial));
        }, CALM);
        return () => {
            isCurrent = false;
            clearTimeout(timer);
        };
    }, [tryOut, series, light, dials]);
    useEffect(() => () => tryOut({}), [tryOut]);
}

/** A rule for the picked material alone. */
function OwnRule({ desk, dials, isChanged }: { desk: PaletteDesk; dials: DerivationData; isChanged: boolean }) {
    const material = materialOf(desk.overview?.palette.figures ?? [], desk.picked?.material);
    if (material === undefined || desk.overview?.mayColour !== true) return null;
    const hasDerived = SIX.some((tone) => !material.pinned.includes(tone));
    return (
        <div className="rule-t flex flex-col gap-2 pt-3">
            <p>
                {material.name} {material.dials === null ? 'follows the series’ rule.' : 'has a rule of its own.'}
            </p>
            <div className="flex gap-2">
                <button
                    className="act"
                    disabled={!isChanged || !hasDerived}
                    onClick={() => void desk.change('material.change', material, { dials })}
                >
                    These dials for {material.name} only
                </button>
                {material.dials !== null && (
                    <button
                        className="act"
                        onClick={() => void desk.change('material.change', material, { dials: {} })}
                    >
                        The series’ rule again
                    </button>
                )}
            </div>
        </div>
    );
}
