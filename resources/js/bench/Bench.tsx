import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { TONES, type BrushSpec } from '../api/types';
import { Notice } from '../ui/Notice';
import { KeySheet } from './KeySheet';
import { PaletteBoard } from './palette/PaletteBoard';
import { PassesAwning } from './passes/PassesAwning';
import { Rail, type Stage } from './Rail';
import { ReadView } from './read/ReadView';
import type { PageSession } from './session';
import { Surface, type SurfaceHandle, type Tool, type Under } from './surface/Surface';
import { sentence, type Target } from './target';
import { ToolStrip } from './stages/ToolStrip';
import { InkStage } from './stages/InkStage';
import { TaskBar } from './TaskBar';

declare global {
    interface Window {
        /** For browser tests: the page that is open and what the surface shows. */
        awning?: { session: PageSession; surface: () => SurfaceHandle | null };
    }
}

const FIRST_TOOL: Record<Stage, Tool> = { Ink: 'look', Flats: 'fill', Light: 'pen', Mood: 'look', Proof: 'look' };

export function Bench({ session }: { session: PageSession }) {
    useSyncExternalStore(session.subscribe, () => session.version);
    const [stage, setStage] = useState<Stage>(() => {
        const regions = Object.values(session.state.facts.region);
        return session.size === null ? 'Ink' : regions.some((region) => region.material === 0) && Object.keys(session.state.facts.pass).length === 0 ? 'Flats' : 'Light';
    });
    const [tool, setTool] = useState<Tool>(FIRST_TOOL[stage]);
    const [target, setTarget] = useState<Target | null>(null);
    const [size, setSize] = useState(60);
    const [flow, setFlow] = useState(1);
    const [smoothing, setSmoothing] = useState(0.55);
    const [grey, setGrey] = useState(false);
    const [bridges, setBridges] = useState(false);
    const [overlays, setOverlays] = useState(true);
    const [levels, setLevels] = useState<{ paper: number; ink: number } | null>(null);
    const [under, setUnder] = useState<Under | null>(null);
    const [view, setView] = useState({ scale: 1, mirror: false });
    const [keys, setKeys] = useState(false);
    const surface = useRef<SurfaceHandle>(null);
    const held = useRef<Tool | null>(null);
    const brush = useMemo<BrushSpec>(() => ({ size, hardness: tool === 'soft' ? 0 : 1, opacity: flow, smoothing }), [size, flow, smoothing, tool]);
    const look = useMemo(() => ({ ink: stage === 'Flats' ? 0.6 : 1, hatch: stage === 'Flats', passes: stage !== 'Flats' && stage !== 'Ink' }), [stage]);
    const picked = refreshed(session, target);

    useEffect(() => {
        window.awning = { session, surface: () => surface.current };
        return () => { delete window.awning; };
    }, [session]);

    const choose = (next: Stage): void => {
        setStage(next);
        setTool(FIRST_TOOL[next]);
        setLevels(null);
    };

    const nextUnfilled = (): void => {
        const open = Object.values(session.state.facts.region).filter((region) => region.material === 0).sort((a, b) => b.area - a.area);
        if (open.length === 0) session.say('Every region is filled.');
        else surface.current?.goTo(open[0].x, open[0].y);
    };

    useEffect(() => {
        const letters: Record<string, Tool> = stage === 'Flats' ? { f: 'fill', s: 'sweep', u: 'unfill' } : stage === 'Light' ? { p: 'pen', a: 'soft', x: 'erase' } : {};
        const down = (event: KeyboardEvent): void => {
            if (event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement || document.querySelector('dialog[open]') !== null) return;
            const key = event.key.toLowerCase();
            if ((event.ctrlKey || event.metaKey) && key === 'z') {
                event.preventDefault();
                if (event.shiftKey) session.redo();
                else session.undo();
                return;
            }
            if (event.ctrlKey || event.metaKey || event.altKey) return;
            if (key === 'e' && !event.repeat && stage === 'Light') {
                held.current = tool;
                setTool('erase');
            } else if (letters[key] !== undefined) setTool(letters[key]);
            else if (/^[0-5]$/.test(key) && picked !== null) setTarget({ ...picked, tone: key === '0' ? 'line' : TONES[Number(key) - 1], pass: null });
            else if (key === 'tab' && session.state.palette.figures.length > 0) {
                const figures = session.state.palette.figures.filter((figure) => figure.materials.length > 0);
                const at = figures.findIndex((figure) => figure.id === picked?.material.figure);
                const next = figures[(at + (event.shiftKey ? figures.length - 1 : 1)) % figures.length];
                if (next !== undefined && event.target === document.body || event.target === document.getElementById('surface')) {
                    event.preventDefault();
                    setTarget({ material: next.materials[0], figureName: next.name, tone: picked?.tone ?? 'base', pass: null });
                }
            } else if (key === '[') setSize((s) => Math.max(1, Math.round(s / 1.25)));
            else if (key === ']') setSize((s) => Math.min(1000, Math.round(s * 1.25) + 1));
            else if (key === 'v') surface.current?.mirror();
            else if (key === 'r') surface.current?.turn(event.shiftKey ? -Math.PI / 12 : Math.PI / 12);
            else if (key === 'g') setGrey((on) => !on);
            else if (key === 'h') setOverlays((on) => !on);
            else if (key === 'n' && stage === 'Flats') nextUnfilled();
            else if (key === 'o') surface.current?.fit();
            else if (key === '?') setKeys(true);
        };
        const up = (event: KeyboardEvent): void => {
            if (event.key.toLowerCase() === 'e' && held.current !== null) {
                setTool(held.current);
                held.current = null;
            }
        };
        window.addEventListener('keydown', down);
        window.addEventListener('keyup', up);
        return () => {
            window.removeEventListener('keydown', down);
            window.removeEventListener('keyup', up);
        };
    });

    return (
        <div className="flex h-full min-h-0 flex-col">
            <Rail session={session} stage={stage} onStage={choose} onKeys={() => setKeys(true)} />
            <div className="flex min-h-0 flex-1">
                <aside className="rule-r w-[252px] shrink-0 overflow-hidden">
                    <PaletteBoard session={session} target={picked} onPick={setTarget} />
                </aside>
                <main className="relative min-w-0 flex-1" aria-label="Bench">
                    <Surface
                        session={session} tool={tool} brush={brush} target={picked} look={look} grey={grey} bridges={bridges && stage === 'Flats'} overlays={overlays} levels={levels}
                        onUnder={setUnder} onView={(scale, mirror) => setView({ scale, mirror })} handle={surface}
                    />
                    <Notice text={session.message} onClose={() => session.say(null)} />
                    {view.mirror && <p className="absolute right-3 top-3 border border-primary bg-base-100 px-2 py-0.5 text-primary">View mirrored: V turns it back</p>}
                    {session.size === null && stage !== 'Ink' && (
                        <div className="absolute inset-0 grid place-items-center"><p className="bg-base-100 px-4 py-2">This page has no line art yet. Go to <button className="underline" onClick={() => choose('Ink')}>Ink</button> and import a scan.</p></div>
                    )}
                    {stage === 'Ink' && <InkStage session={session} levels={levels} onLevels={setLevels} />}
                    {(stage === 'Flats' || stage === 'Light') && session.size !== null && (
                        <ToolStrip
                            stage={stage} tool={tool} onTool={setTool} size={size} onSize={setSize} flow={flow} onFlow={setFlow} smoothing={smoothing} onSmoothing={setSmoothing}
                            bridges={bridges} onBridges={setBridges} bridgeCount={Object.keys(session.state.facts.bridge).length} onNext={nextUnfilled}
                        />
                    )}
                    <TaskBar session={session} />
                </main>
                <aside className="rule-l flex w-[248px] shrink-0 flex-col">
                    {(stage === 'Light' || stage === 'Flats') && <PassesAwning session={session} target={picked} onTarget={(pass) => setTarget(picked === null ? null : { ...picked, pass })} />}
                    {(stage === 'Mood' || stage === 'Proof') && (
                        <div className="flex-1 px-3 py-2">
                            <h2 className="heading pb-1">{stage}</h2>
                            <label className="flex items-center gap-2"><input type="checkbox" className="checkbox checkbox-sm" checked={grey} onChange={(e) => setGrey(e.target.checked)} /> Look at the page in grey (G)</label>
                        </div>
                    )}
                    {stage === 'Ink' && <div className="flex-1" />}
                    <ReadView session={session} target={picked} />
                </aside>
            </div>
            <footer className="rule-t flex items-center gap-4 px-3 py-1.5 text-[13px]">
                <span id="target-sentence" aria-live="polite" className="min-w-0 flex-1 truncate">
                    {stage === 'Light' ? sentence(session.state.facts, picked, tool === 'erase')
                        : stage === 'Flats' ? (tool === 'unfill' ? 'Clicked or swept regions lose their material' : picked === null ? 'Pick a material at the left, then click regions to fill them' : `Filling with ${picked.figureName}’s ${picked.material.name}`)
                        : 'Nothing on this stage changes a pixel by touching the page'}
                </span>
                <span className="quiet figures whitespace-nowrap">{under === null ? '' : describe(session, under)}</span>
            </footer>
            {keys && <KeySheet onClose={() => setKeys(false)} />}
        </div>
    );
}

/** The target with its material as it is now, or none when it is gone. */
function refreshed(session: PageSession, target: Target | null): Target | null {
    if (target === null) return null;
    for (const figure of session.state.palette.figures) {
        const material = figure.materials.find((one) => one.id === target.material.id);
        if (material !== undefined) return { ...target, material, figureName: figure.name };
    }
    return null;
}

function describe(session: PageSession, under: Under): string {
    const region = session.state.facts.region[under.label];
    for (const figure of session.state.palette.figures) {
        const material = figure.materials.find((one) => one.id === region?.material);
        if (material !== undefined) return `under pointer: ${figure.name}’s ${material.name}, base ${material.tones.base}`;
    }
    return under.label > 0 ? `under pointer: unfilled, ${under.x}, ${under.y}` : '';
}
