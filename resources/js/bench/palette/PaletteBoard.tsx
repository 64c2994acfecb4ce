import { useState } from 'react';
import { TONES, type Material, type ToneName } from '../../api/types';
import type { PageSession } from '../session';
import type { Target } from '../target';
import { ToneEditor } from './ToneEditor';

interface Props {
    session: PageSession;
    target: Target | null;
    onPick: (target: Target) => void;
}

/** The page's figures, their materials, each a strip of tones from dark to light. Picking a tone sets where paint goes. */
export function PaletteBoard({ session, target, onPick }: Props) {
    const [editing, setEditing] = useState<{ material: number; tone: ToneName } | null>(null);
    const figures = session.state.palette.figures;
    const edited = editing === null ? undefined : figures.flatMap((figure) => figure.materials).find((material) => material.id === editing.material);
    return (
        <nav className="flex h-full flex-col" aria-label="Palette">
            <div className="flex items-baseline justify-between px-3 pb-1 pt-2">
                <h2 className="heading">Palette</h2>
                {target !== null && session.mayColour && (
                    <button className="bare quiet text-[13px]" onClick={() => setEditing({ material: target.material.id, tone: target.tone })}>Edit tone</button>
                )}
            </div>
            <div className="min-h-0 flex-1 overflow-y-auto pb-3">
                {figures.length === 0 && <p className="px-3">The palette is empty. Add figures and materials on the series page.</p>}
                {figures.map((figure) => (
                    <section key={figure.id} aria-label={figure.name} className="mb-2">
                        <h3 className="heading px-3 pb-0.5 pt-1">{figure.name}</h3>
                        {figure.materials.map((material) => (
                            <Strip key={material.id} material={material} figureName={figure.name} target={target} onPick={onPick} onEdit={(tone) => session.mayColour && setEditing({ material: material.id, tone })} />
                        ))}
                    </section>
                ))}
            </div>
            {editing !== null && edited !== undefined && <ToneEditor session={session} material={edited} tone={editing.tone} onClose={() => setEditing(null)} />}
        </nav>
    );
}

function Strip({ material, figureName, target, onPick, onEdit }: { material: Material; figureName: string; target: Target | null; onPick: (target: Target) => void; onEdit: (tone: ToneName) => void }) {
    const picked = target?.material.id === material.id;
    return (
        <div className={`flex items-center gap-2 py-[3px] pl-3 pr-2 ${picked ? 'stripe-side bg-base-200' : ''}`}>
            <span className={`w-[74px] shrink-0 truncate text-[13px] ${picked ? 'heading' : ''}`} title={material.name}>{material.name}</span>
            <span className="flex flex-1" role="group" aria-label={`${figureName}, ${material.name}`}>
                {TONES.map((tone) => (
                    <button
                        key={tone}
                        aria-label={`${figureName} ${material.name} ${tone}`}
                        aria-pressed={picked && target?.tone === tone}
                        title={`${tone} ${material.tones[tone]}${material.pinned.includes(tone) ? ', pinned' : ', derived'} · double-click to edit`}
                        className={`relative h-[24px] ${tone === 'line' ? 'ml-1.5 w-3' : 'flex-1'} ${picked && target?.tone === tone ? 'stripe z-10' : ''}`}
                        style={{ background: material.tones[tone] }}
                        onClick={() => onPick({ material, figureName, tone, pass: null })}
                        onDoubleClick={() => onEdit(tone)}
                    />
                ))}
            </span>
        </div>
    );
}
