import { useState } from 'react';
import { Dialog } from '../ui/Dialog';
import { Link } from '../ui/path';
import { ThemeSwitch } from '../ui/theme';
import type { PageSession } from './session';

export type Stage = 'Ink' | 'Flats' | 'Light' | 'Mood' | 'Proof';
const STAGES: Stage[] = ['Ink', 'Flats', 'Light', 'Mood', 'Proof'];

/** The top rail: where one is, the five stages with what is left to do, and what is saved. */
export function Rail({ session, stage, onStage, onKeys }: { session: PageSession; stage: Stage; onStage: (stage: Stage) => void; onKeys: () => void }) {
    const [delivering, setDelivering] = useState(false);
    const { state } = session;
    const unfilled = Object.values(state.facts.region).filter((region) => region.material === 0).length;
    const left: Record<Stage, string> = {
        Ink: session.size === null ? 'import' : '✓',
        Flats: session.size === null ? '' : unfilled === 0 ? '✓' : `${unfilled} left`,
        Light: Object.keys(state.facts.pass).length > 0 ? `${Object.keys(state.facts.pass).length}` : '',
        Mood: '',
        Proof: '',
    };
    const saving = { saved: 'saved', sending: 'sending …', offline: 'server lost: changes wait here' }[session.saving];
    return (
        <header className="rule-b flex h-11 shrink-0 items-stretch gap-3 px-3">
            <nav className="flex min-w-0 items-center gap-1.5" aria-label="Where you are">
                <Link href="/" className="quiet hover:underline">Shelf</Link>
                <span className="quiet">/</span>
                <Link href={`/series/${state.series.id}`} className="quiet truncate hover:underline">{state.series.name}</Link>
                <span className="quiet">/</span>
                <span className="heading whitespace-nowrap" title={state.title}>p. {state.number}</span>
            </nav>
            <nav className="mx-auto flex items-stretch" aria-label="Stages">
                {STAGES.map((name) => (
                    <button key={name} className={`flex items-center gap-1.5 px-3.5 ${stage === name ? 'stripe heading z-10' : ''}`} aria-pressed={stage === name} onClick={() => onStage(name)}>
                        {name}<span className="quiet figures text-[12px]">{left[name]}</span>
                    </button>
                ))}
            </nav>
            <div className="flex items-center gap-0.5">
                <button className="bare" disabled={!session.mayFlat || state.journal.undo === null} title={state.journal.undo === null ? undefined : `Undo: ${state.journal.undo}`} onClick={() => session.undo()}>undo</button>
                <button className="bare" disabled={!session.mayFlat || state.journal.redo === null} title={state.journal.redo === null ? undefined : `Redo: ${state.journal.redo}`} onClick={() => session.redo()}>redo</button>
                <span role="status" className={`px-1.5 text-[13px] ${session.saving === 'offline' ? 'heading text-error' : 'quiet'}`}>
                    {session.held || state.role === 'viewer' ? saving : session.holder === null ? 'watching' : `watching ${session.holder}`}
                </span>
                <ThemeSwitch onChange={() => session.paint()} />
                <button className="bare" aria-label="Keys" title="All keys" onClick={onKeys}>?</button>
                <button className="act" disabled={session.size === null} onClick={() => setDelivering(true)}>Deliver</button>
            </div>
            {delivering && <DeliverDialog session={session} onClose={() => setDelivering(false)} />}
        </header>
    );
}

const FORMATS = [
    { format: 'png', name: 'PNG', use: 'for the screen, lossless' },
    { format: 'tiff', name: 'TIFF', use: 'for print' },
    { format: 'jpeg', name: 'JPEG', use: 'for the web, small' },
    { format: 'ora', name: 'OpenRaster', use: 'with its layers, for other programs' },
];

function DeliverDialog({ session, onClose }: { session: PageSession; onClose: () => void }) {
    const size = session.size;
    return (
        <Dialog title="Deliver a copy" onClose={onClose}>
            <p className="quiet mb-3">A new file each time, at full size{size === null ? '' : `: ${size.width} × ${size.height} px${size.dpi > 0 ? `, ${size.dpi} dpi` : ''}`}. The page itself stays as it is.</p>
            <ul className="flex flex-col gap-2">
                {FORMATS.map(({ format, name, use }) => (
                    <li key={format} className="flex items-center gap-3">
                        <button className="act w-32 justify-center" onClick={() => { void session.deliver(format); onClose(); }}>{name}</button>
                        <span className="quiet">{use}</span>
                    </li>
                ))}
            </ul>
        </Dialog>
    );
}
