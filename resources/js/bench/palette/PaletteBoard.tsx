/**
 * The page's figures, their materials, each a strip of tones from dark to light. Picking a tone sets where paint goes.
 */
import { useState } from 'react';
import { Link } from 'react-router';
import type { FigureState, MaterialState, Tone } from '../../api/generated';
import { SIX, nameOf } from '../../api/tones';
import { mayColour } from '../../page/store';
import type { Target } from '../../page/target';
import { useBenchModel, usePage, useTarget } from '../model/context';
import { ToneEditor } from './ToneEditor';

interface Editing {
    material: number;
    tone: Tone;
}

export function PaletteBoard() {
    const figures = usePage((view) => view.palette.figures);
    const series = usePage((view) => view.series.id);
    const held = usePage((view) => view.palette.held);
    const used = usePage((view) => view.palette.variant);
    const may = usePage(mayColour);
    const target = useTarget();
    const [editing, setEditing] = useState<Editing | null>(null);
    const edited = figures.flatMap((figure) => figure.materials).find((material) => material.id === editing?.material);
    const edit = (material: number, tone: Tone): void => {
        if (may) setEditing({ material, tone });
    };
    return (
        <div className="flex h-full flex-col">
            <div className="flex h-10 shrink-0 items-center justify-between px-3">
                <h2 className="heading">
                    <Link
                        to={`/palette/${series}`}
                        className="hover:underline"
                        title="Open the palette on a screen of its own"
                    >
                        Palette
                    </Link>
                </h2>
                {target !== null && may && (
                    <button className="bare quiet text-[13px]" onClick={() => edit(target.material.id, target.tone)}>
                        Edit tone
                    </button>
                )}
            </div>
            <div className="min-h-0 flex-1 overflow-y-auto pb-3">
                {held !== null && (
                    <p className="quiet px-3 pb-1 text-[13px]">
                        This page holds “{held}”: what has changed in the palette since is not on it.
                    </p>
                )}
                {used !== null && <p className="quiet px-3 pb-1 text-[13px]">This page uses the variant “{used}”.</p>}
                {figures.length === 0 && (
                    <p className="px-3">The palette is empty. Open it to add figures and materials.</p>
                )}
                {figures.map((figure) => (
                    <Figure key={figure.id} figure={figure} target={target} onEdit={edit} />
                ))}
            </div>
            {editing !== null && edited !== undefined && (
                <ToneEditor material={edited} tone={editing.tone} onClose={() => setEditing(null)} />
            )}
        </div>
    );
}

interface FigureProps {
    figure: FigureState;
    target: Target | null;
    onEdit: (material: number, tone: Tone) => void;
}

function Figure({ figure, target, onEdit }: FigureProps) {
    return (
        <section aria-label={figure.name} className="mb-2">
            <h3 className="heading truncate px-3 pb-0.5 pt-1" title={figure.name}>
                {figure.name}
            </h3>
            {figure.materials.map((material) => (
                <Strip
                    key={material.id}
                    material={material}
                    figureName={figure.name}
                    target={target}
                    onEdit={(tone) => onEdit(material.id, tone)}
                />
            ))}
        </section>
    );
}

interface StripProps {
    material: MaterialState;
    figureName: string;
    target: Target | null;
    onEdit: (tone: Tone) => void;
}

function Strip({ material, figureName, target, onEdit }: StripProps) {
    const bench = useBenchModel();
    const isPicked = target?.material.id === material.id;
    const button = (tone: Tone) => (
        <ToneButton
            key={tone}
            tone={tone}
            material={material}
            figureName={figureName}
            isPicked={isPicked && target?.tone === tone}
            onPick={() => bench.set({ target: { material, figureName, tone, pass: null } })}
            onEdit={() => onEdit(tone)}
        />
    );
    return (
        <div className={`flex items-center gap-2 py-[3px] pl-3 pr-2 ${isPicked ? 'stripe-side bg-base-200' : ''}`}>
            <span
                className={`w-[74px] shrink-0 truncate text-[13px] ${isPicked ? 'heading' : ''}`}
                title={material.name}
            >
                {material.name}
            </span>
            <span
                className="flex flex-1 flex-col gap-[2px]"
                role="group"
                aria-label={`${figureName}, ${material.name}`}
            >
                <span className="flex">{SIX.map(button)}</span>
                <SecondStrips material={material} />
                {material.more.length > 0 && (
                    <span className="flex">{material.more.map(({ tone }) => button(tone))}</span>
                )}
            </span>
        </div>
    );
}

/**
 * What variants that are used on this page make of a material; where the whole page wears one, what the palette says.
 */
function SecondStrips({ material }: { material: MaterialState }) {
    const variants = usePage((view) => view.palette.variants);
    const regions = usePage((view) => view.records.region);
    const used = new Set(Object.values(regions).map(({ variant }) => variant));
    const shown = variants.filter(
        ({ id, materials }) => (id === 0 || used.has(id)) && materials[material.id] !== undefined,
    );
    return shown.map(({ id, name, materials }) => (
        <span
            key={id}
            className="flex"
            role="img"
            aria-label={`${material.name} in ${name}`}
            title={`${material.name} in ${name}`}
        >
            {SIX.map((tone) => (
                <span
                    key={tone}
                    className={`h-[6px] ${tone === 'line' ? 'ml-1.5 w-3' : 'flex-1'}`}
                    style={{ background: materials[material.id][tone] }}
                />
            ))}
        </span>
    ));
}

interface ToneProps {
    tone: Tone;
    material: MaterialState;
    figureName: string;
    isPicked: boolean;
    onPick: () => void;
    onEdit: () => void;
}

function ToneButton({ tone, material, figureName, isPicked, onPick, onEdit }: ToneProps) {
    const made = material.pinned.includes(tone) ? 'pinned' : 'derived';
    const width = tone === 'line' ? 'ml-1.5 w-3' : 'flex-1';
    return (
        <button
            aria-label={`${figureName} ${material.name} ${nameOf(material, tone)}`}
            aria-pressed={isPicked}
            title={`${nameOf(material, tone)} ${material.tones[tone]}, ${made} · double-click to edit`}
            className={`relative h-[24px] ${width} ${isPicked ? 'stripe z-10' : ''}`}
            style={{ background: material.tones[tone] }}
            onClick={onPick}
            onDoubleClick={onEdit}
        />
    );
}
