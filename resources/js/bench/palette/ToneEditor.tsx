/** Pins a tone to a colour, or lets it be derived from the base again. Every page of the series follows. */
import { useState } from 'react';
import { HexColorInput, HexColorPicker } from 'react-colorful';
import type { MaterialState, Tone } from '../../api/generated';
import { MORE, nameOf } from '../../api/tones';
import { Dialog } from '../../ui/Dialog';
import { usePage, useSession } from '../model/context';

interface Props {
    material: MaterialState;
    tone: Tone;
    onClose: () => void;
}

export function ToneEditor({ material, tone, onClose }: Props) {
    const session = useSession();
    const series = usePage((view) => view.series.name);
    // As it was when the editor opened, to compare with.
    const [before] = useState(material.tones[tone]);
    const [colour, setColour] = useState(before);
    const isPinned = material.pinned.includes(tone);
    const pin = (to: string | null): void => {
        void session.palette.pin(material, tone, to?.toLowerCase() ?? null);
        onClose();
    };
    return (
        <Dialog title={`${material.name}, ${nameOf(material, tone)}`} onClose={onClose}>
            <p className="quiet mb-4">
                {isPinned ? 'This tone is pinned.' : 'This tone is derived from the base and the light.'} All pages of{' '}
                {series} follow at once.
            </p>
            <div className="flex gap-5">
                <div className="picker">
                    <HexColorPicker color={colour} onChange={setColour} />
                </div>
                <div className="flex flex-col gap-3">
                    <span className="flex flex-col gap-1">
                        <span id="tone-hex">Colour, as #rrggbb</span>
                        <HexColorInput
                            prefixed
                            className="field figures w-32"
                            aria-labelledby="tone-hex"
                            color={colour}
                            onChange={setColour}
                        />
                    </span>
                    <Comparison before={before} now={colour} />
                </div>
            </div>
            <div className="mt-5 flex gap-2">
                <button className="act main" onClick={() => pin(colour)}>
                    Pin this colour
                </button>
                {isPinned && tone !== 'base' && !MORE.includes(tone) && (
                    <button className="act" onClick={() => pin(null)}>
                        Derive it from the base
                    </button>
                )}
            </div>
        </Dialog>
    );
}

function Comparison({ before, now }: { before: string; now: string }) {
    return (
        <div className="grid grid-cols-2">
            <span className="quiet">was</span>
            <span className="quiet">now</span>
            <span className="h-14 w-16" style={{ background: before }} />
            <span className="h-14 w-16" style={{ background: now }} />
        </div>
    );
}
