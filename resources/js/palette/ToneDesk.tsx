/** One tone: its colour by the hand or by numbers, beside what it was, in grey, on a shape and on a page. */
import { useState } from 'react';
import type { MaterialState, Tone } from '../api/generated';
import { MORE, SIX, nameOf } from '../api/tones';
import { toLab, ofLab } from '../picture/cielab';
import { hexOf, ofOklch, toOklch, type Oklch } from '../picture/oklch';
import { toColour } from '../picture/colour';
import { AdviceList } from './AdviceList';
import { ColourEntry } from './ColourEntry';
import { Maquette } from '../ui/Maquette';
import { MaterialPart } from './MaterialPart';
import { PlaceCrop } from './PlaceCrop';
import { Tracks } from './Tracks';
import { materialOf, type PaletteDesk } from './usePalette';

interface Props {
    desk: PaletteDesk;
    /** As the palette has it. */
    material: MaterialState;
    tone: Tone;
}

export function ToneDesk({ desk, material, tone }: Props) {
    const before = material.tones[tone];
    const [wanted, setWanted] = useState<Oklch>(() => toOklch(toColour(before)));
    const now = hexOf(ofOklch(wanted));
    const figure = desk.figures.find(({ id }) => id === material.figure);
    const follows = figure?.follows ?? null;
    const may = desk.overview?.mayColour === true && follows === null;
    const isPinned = material.pinned.includes(tone);
    const drag = (to: Oklch): void => {
        setWanted(to);
        desk.tryOut({ [material.id]: { [tone]: hexOf(ofOklch(to)) } });
    };
    const take = (hex: string): void => {
        drag(toOklch(toColour(hex), wanted.h));
        if (hex !== before) void desk.pin(material, { [tone]: hex });
    };
    const settle = (to: Oklch): void => {
        const hex = hexOf(ofOklch(to));
        if (hex === before) return;
        drag(to);
        void desk.pin(material, { [tone]: hex });
    };
    const shown = materialOf(desk.figures, material.id) ?? material;
    return (
        <div className="flex flex-col gap-4">
            <div className="flex items-baseline justify-between gap-3">
                <h2 className="heading truncate text-base">
                    {figure?.name} › {material.name} › {nameOf(material, tone)}
                </h2>
                <span className="quiet whitespace-nowrap">{isPinned ? '● pinned' : '○ derived from the base'}</span>
            </div>
            {follows !== null && <p>Set in {follows} and followed here. “Change” beside the figure can stop that.</p>}
            <Clash desk={desk} material={material} />
            <Tracks colour={wanted} disabled={!may} onChange={drag} onSettle={settle} />
            <ColourEntry colour={toColour(now)} disabled={!may} onTake={(colour) => take(hexOf(colour))} />
            <div className="flex items-start gap-4">
                <Comparison before={before} now={now} />
                <Maquette tones={shown.tones} />
                <PlaceCrop
                    use={desk.overview?.uses[material.id]}
                    pageWidth={desk.overview?.uses[material.id]?.width ?? null}
                    before={before}
                    now={now}
                    state={`palette-${desk.overview?.palette.version ?? 0}`}
                    onTake={may ? (colour) => take(hexOf(colour)) : null}
                />
            </div>
            {may && <PinButtons desk={desk} material={material} tone={tone} now={now} />}
            <AdviceList desk={desk} material={material} />
            {may && <MaterialPart desk={desk} material={material} />}
        </div>
    );
}

function Comparison({ before, now }: { before: string; now: string }) {
    return (
        <div className="grid grid-cols-2 text-[13px]" style={{ width: 104 }}>
            <span className="quiet">was</span>
            <span className="quiet">now</span>
            <span className="h-12" style={{ background: before }} />
            <span className="h-12" style={{ background: now }} />
            <span className="h-8" style={{ background: greyOf(before) }} />
            <span className="h-8" style={{ background: greyOf(now) }} />
            <span className="quiet figures">L* {lightness(before)}</span>
            <span className="quiet figures">L* {lightness(now)}</span>
        </div>
    );
}

const greyOf = (hex: string): string => hexOf(ofLab([toLab(toColour(hex))[0], 0, 0]));

const lightness = (hex: string): string => toLab(toColour(hex))[0].toFixed(0);

function PinButtons({ desk, material, tone, now }: Props & { now: string }) {
    const others = material.pinned.filter((one) => one !== 'base' && !MORE.includes(one));
    const derived = SIX.filter((one) => !material.pinned.includes(one));
    return (
        <div className="flex flex-wrap gap-2">
            {!material.pinned.includes(tone) && (
                <button className="act narrow" onClick={() => void desk.pin(material, { [tone]: now })}>
                    Pin this colour
                </button>
            )}
            {others.includes(tone) && (
                <button className="act narrow" onClick={() => void desk.pin(material, { [tone]: null })}>
                    Derive it
                </button>
            )}
            {derived.length > 0 && (
                <button
                    className="act narrow"
                    onClick={() =>
                        void desk.pin(material, Object.fromEntries(derived.map((one) => [one, material.tones[one]])))
                    }
                >
                    Pin all
                </button>
            )}
            {others.length > 0 && (
                <button
                    className="act narrow"
                    onClick={() => void desk.pin(material, Object.fromEntries(others.map((one) => [one, null])))}
                >
                    Derive all
                </button>
            )}
        </div>
    );
}

/** Somebody changed it meanwhile: both values, to choose from. */
function Clash({ desk, material }: { desk: PaletteDesk; material: MaterialState }) {
    const { clash } = desk;
    if (clash === null || clash.theirs.id !== material.id) return null;
    return (
        <div role="alert" className="flex flex-col gap-2 border border-base-300 p-3">
            <p>Somebody else changed this material just before you. Which shall it be?</p>
            {(Object.entries(clash.yours) as [Tone, string | null][]).map(([tone, colour]) => (
                <div key={tone} className="flex items-center gap-2">
                    <span className="w-12">{tone}</span>
                    <span className="h-7 w-16" style={{ background: clash.theirs.tones[tone] }} />
                    <button className="act narrow" onClick={desk.settle}>
                        Keep theirs
                    </button>
                    <span className="h-7 w-16" style={{ background: colour ?? 'transparent' }} />
                    <button className="act narrow" onClick={() => void desk.pin(clash.theirs, clash.yours)}>
                        Take yours
                    </button>
                </div>
            ))}
        </div>
    );
}
