import { useState } from 'react';
import { BLEND_MODES, type BlendMode, type PassFact } from '../../api/types';
import { randomId, type PageSession } from '../session';
import { sortedPasses } from '../surface/stack';
import { passFor, type Target } from '../target';

interface Props {
    session: PageSession;
    target: Target | null;
    onTarget: (pass: string | null) => void;
}

/** The passes of the picked figure, hung under its flats like the slats of an awning; the lowest slat lies on top. */
export function PassesAwning({ session, target, onTarget }: Props) {
    const [adding, setAdding] = useState(false);
    const figure = target?.material.figure ?? 0;
    const name = target?.figureName ?? 'the page';
    const passes = sortedPasses(session.state.facts).filter(([, pass]) => pass.figure === figure);
    const active = target === null ? null : passFor(session.state.facts, target).id;
    const [open, setOpen] = useState<string | null>(null);
    const drop = (moved: string, onto: string): void => {
        const order = passes.map(([id]) => id).filter((id) => id !== moved);
        const at = order.indexOf(onto) + (passes.findIndex(([id]) => id === moved) < passes.findIndex(([id]) => id === onto) ? 1 : 0);
        const place = (index: number): number | undefined => passes.find(([id]) => id === order[index])?.[1].order;
        const before = place(at - 1) ?? (place(at) ?? 1) - 1;
        const after = place(at) ?? before + 1;
        session.changePass(moved, { order: (before + after) / 2 });
    };
    return (
        <section aria-label="Passes" className="flex min-h-0 flex-1 flex-col">
            <div className="flex items-baseline justify-between px-3 pb-1.5 pt-2">
                <h2 className="heading truncate">Passes of {name}</h2>
                {session.mayColour && <button className="bare quiet text-[13px]" onClick={() => setAdding(!adding)}>Add</button>}
            </div>
            <div className="min-h-0 flex-1 overflow-y-auto px-3">
                {adding && <AddPass session={session} figure={figure} name={name} onDone={() => setAdding(false)} />}
                <div className="border border-base-content/50 bg-base-300 px-2 py-1 text-[13px] heading">Flats</div>
                {passes.length === 0 && <p className="quiet py-2 text-[13px]">No pass hangs here yet. Pick a tone and paint: the pass for it is made by itself.</p>}
                {passes.map(([id, pass], index) => (
                    <div key={id}>
                        <Slat
                            session={session} id={id} pass={pass} below={passes[index - 1] ?? null} active={id === active} open={open === id}
                            onOpen={() => setOpen(open === id ? null : id)} onTarget={() => onTarget(id)} onDrop={drop}
                        />
                        {pass.group !== null && passes[index + 1]?.[1].group !== pass.group && <div className="valance" title="Taken as one" />}
                    </div>
                ))}
            </div>
        </section>
    );
}

function swatchOf(session: PageSession, pass: PassFact): string {
    if (pass.kind === 'tint') return pass.colour ?? '#000000';
    if (pass.kind === 'paint' || pass.tone === null) return 'conic-gradient(#c66,#cc6,#6c6,#6cc,#66c,#c6c,#c66)';
    const tones = session.state.palette.figures.find((figure) => figure.id === pass.figure)?.materials.map((material) => material.tones[pass.tone ?? 'base']) ?? [];
    const part = 100 / Math.max(1, tones.length);
    return tones.length === 0 ? '#888' : `linear-gradient(90deg, ${tones.map((tone, i) => `${tone} ${i * part}% ${(i + 1) * part}%`).join(', ')})`;
}

function Slat({ session, id, pass, below, active, open, onOpen, onTarget, onDrop }: {
    session: PageSession; id: string; pass: PassFact; below: [string, PassFact] | null; active: boolean; open: boolean; onOpen: () => void; onTarget: () => void; onDrop: (moved: string, onto: string) => void;
}) {
    const may = session.mayColour;
    return (
        <div
            className={`slat ${active ? 'stripe-side' : ''}`}
            data-rolled={!pass.visible}
            draggable={may}
            onDragStart={(event) => event.dataTransfer.setData('text/plain', id)}
            onDragOver={(event) => event.preventDefault()}
            onDrop={(event) => onDrop(event.dataTransfer.getData('text/plain'), id)}
        >
            <div className="flex items-center gap-1.5 py-0.5 pl-2.5 pr-1">
                <span className="h-4 w-6 shrink-0 border border-base-300" style={{ background: swatchOf(session, pass) }} />
                <button className="bare min-w-0 flex-1 truncate text-left" aria-pressed={active} title="Paint in this pass" onClick={onTarget}>{pass.name}</button>
                <span className="quiet figures text-[12px]">{pass.mode === 'normal' ? '' : pass.mode} {Math.round(pass.opacity * 100)} %</span>
                <button className="bare quiet text-[12px]" aria-expanded={open} onClick={onOpen}>{open ? 'Less' : 'Set'}</button>
            </div>
            {open && (
                <div className="flex flex-col gap-1.5 px-2.5 pb-2 text-[13px]">
                    <label className="flex items-center gap-2">Opacity
                        <Opacity value={pass.opacity} disabled={!may} label={`Opacity of ${pass.name}`} onPreview={(opacity) => session.changePass(id, { opacity }, false)} onSet={(opacity) => session.changePass(id, { opacity })} />
                    </label>
                    <label className="flex items-center gap-2">Blend
                        <select className="field flex-1" disabled={!may} value={pass.mode} onChange={(e) => session.changePass(id, { mode: e.target.value as BlendMode })}>
                            {BLEND_MODES.map((mode) => <option key={mode}>{mode}</option>)}
                        </select>
                    </label>
                    {pass.kind === 'tint' && (
                        <label className="flex items-center gap-2">Colour<input type="color" disabled={!may} value={pass.colour ?? '#000000'} onChange={(e) => session.changePass(id, { colour: e.target.value }, false)} onBlur={(e) => session.changePass(id, { colour: e.target.value })} /></label>
                    )}
                    <label className="flex items-center gap-2">Name
                        <input className="field min-w-0 flex-1" disabled={!may} maxLength={60} defaultValue={pass.name} onBlur={(e) => e.target.value.trim() !== '' && e.target.value !== pass.name && session.changePass(id, { name: e.target.value.trim() })} />
                    </label>
                    <div className="flex flex-wrap gap-1">
                        {pass.group !== null ? (
                            <button className="act" disabled={!may} onClick={() => session.group(pass.group as string, [], null)}>Part the group</button>
                        ) : below !== null && (
                            <button className="act" disabled={!may} title={`Blend with ${below[1].name} first, then as one with what lies below`} onClick={() => {
                                const known = below[1].group;
                                session.group(known ?? randomId(12), known === null ? [below[0], id] : [id], known === null ? { isolated: true, mode: 'normal', opacity: 1 } : session.state.facts.group[known]);
                            }}>Group with {below[1].name}</button>
                        )}
                        <button className="act" disabled={!may} onClick={() => session.changePass(id, { visible: !pass.visible })}>{pass.visible ? 'Roll up' : 'Let down'}</button>
                        <button className="act" disabled={!may} onClick={() => session.removePass(id)}>Remove</button>
                    </div>
                </div>
            )}
        </div>
    );
}

/** Moves the picture with every step of the slider, and tells the server once, when it is let go. */
function Opacity({ value, disabled, label, onPreview, onSet }: { value: number; disabled: boolean; label: string; onPreview: (value: number) => void; onSet: (value: number) => void }) {
    const settle = (event: { currentTarget: HTMLInputElement }): void => onSet(Number(event.currentTarget.value) / 100);
    return (
        <>
            <input type="range" className="slide min-w-0 flex-1" min={0} max={100} disabled={disabled} aria-label={label} value={Math.round(value * 100)} onChange={(e) => onPreview(Number(e.target.value) / 100)} onPointerUp={settle} onKeyUp={settle} />
            <span className="figures w-10 text-right">{Math.round(value * 100)} %</span>
        </>
    );
}

/** Kinds of pass a colourist asks for by name; the values are common practice. */
const KINDS: { name: string; pass: Partial<PassFact> }[] = [
    { name: 'Occlusion (multiply tint)', pass: { name: 'Occlusion', kind: 'tint', colour: '#4b4668', mode: 'multiply', opacity: 0.5 } },
    { name: 'Shade tint (multiply, 35 %)', pass: { name: 'Shade tint', kind: 'tint', colour: '#5a6a9c', mode: 'multiply', opacity: 0.35 } },
    { name: 'Rim light (screen)', pass: { name: 'Rim', kind: 'tint', colour: '#ffe2b0', mode: 'screen', opacity: 0.8 } },
    { name: 'Glow (plus-lighter)', pass: { name: 'Glow', kind: 'tint', colour: '#ffb765', mode: 'plus-lighter', opacity: 0.5 } },
    { name: 'Free paint', pass: { name: 'Paint', kind: 'paint', mode: 'normal', opacity: 1 } },
];

function AddPass({ session, figure, name, onDone }: { session: PageSession; figure: number; name: string; onDone: () => void }) {
    const [kind, setKind] = useState(0);
    const [scope, setScope] = useState<'figure' | 'page'>(figure > 0 ? 'figure' : 'page');
    return (
        <div className="mb-2 flex flex-col gap-1.5 border border-base-300 p-2 text-[13px]">
            <select className="field" aria-label="Kind of pass" value={kind} onChange={(e) => setKind(Number(e.target.value))}>
                {KINDS.map((entry, i) => <option key={entry.name} value={i}>{entry.name}</option>)}
            </select>
            <select className="field" aria-label="Stays inside" value={scope} onChange={(e) => setScope(e.target.value as 'figure' | 'page')}>
                {figure > 0 && <option value="figure">stays inside {name}</option>}
                <option value="page">over the whole page, above the ink</option>
            </select>
            <button className="act self-start" onClick={() => {
                session.addPass(randomId(12), { ...KINDS[kind].pass, figure, scope: scope === 'figure' ? { kind: 'figure', id: figure } : { kind: 'page', id: 0 } });
                onDone();
            }}>Hang this pass</button>
        </div>
    );
}
