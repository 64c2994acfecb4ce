import { useState } from 'react';
import type { Material, ToneName } from '../../api/types';
import { Dialog } from '../../ui/Dialog';
import type { PageSession } from '../session';

/** Pins a tone to a colour, or lets it be derived from the base again. Every page of the series follows. */
export function ToneEditor({ session, material, tone, onClose }: { session: PageSession; material: Material; tone: ToneName; onClose: () => void }) {
    const [colour, setColour] = useState(material.tones[tone]);
    const valid = /^#[0-9a-f]{6}$/i.test(colour);
    const pinned = material.pinned.includes(tone);
    return (
        <Dialog title={`${material.name}, ${tone}`} onClose={onClose}>
            <p className="quiet mb-4">
                {pinned ? 'This tone is pinned.' : 'This tone is derived from the base and the light.'} All pages of {session.state.series.name} follow at once.
            </p>
            <div className="flex items-center gap-3">
                <input type="color" aria-label="Colour" className="h-16 w-24" value={valid ? colour : material.tones[tone]} onChange={(e) => setColour(e.target.value)} />
                <label className="flex flex-col gap-1">Colour, as #rrggbb<input className="field figures w-32" value={colour} onChange={(e) => setColour(e.target.value.trim())} aria-invalid={!valid} /></label>
                <span className="ml-2 flex flex-col gap-1"><span className="quiet">was</span><span className="h-8 w-16" style={{ background: material.tones[tone] }} /></span>
            </div>
            {!valid && <p className="mt-2 text-error">Six hexadecimal digits after #, like #d9a441.</p>}
            <div className="mt-5 flex gap-2">
                <button className="act main" disabled={!valid} onClick={() => { void session.pin(material, tone, colour.toLowerCase()); onClose(); }}>Pin this colour</button>
                {pinned && tone !== 'base' && <button className="act" onClick={() => { void session.pin(material, tone, null); onClose(); }}>Derive it from the base</button>}
            </div>
        </Dialog>
    );
}
