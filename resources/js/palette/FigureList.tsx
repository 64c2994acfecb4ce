/** All figures with their materials, each a ramp from dark to light; moved by the hand or by keys. */
import { useState, type DragEvent, type KeyboardEvent } from 'react';
import type { FigureState, MaterialState, Tone, UseState, VariantState } from '../api/generated';
import { MORE, SIX, nameOf } from '../api/tones';
import { OneLineForm } from '../ui/Form';
import { Ramp } from '../ui/Ramp';
import { NameField } from './NameField';
import type { PaletteDesk, Picked } from './usePalette';

/** From so many materials on there is a field to search in. */
const MANY = 20;
const FIRST_COLOUR = '#b08d6a';
/** Of tones that stand apart. */
const WIDTHS: Partial<Record<Tone, string>> = {
    line: 'ml-1.5 w-5',
    ...Object.fromEntries(MORE.map((tone) => [tone, 'ml-1 w-6'])),
};

interface Props {
    desk: PaletteDesk;
    onPick: (picked: Picked) => void;
}

export function FigureList({ desk, onPick }: Props) {
    const [search, setSearch] = useState('');
    const count = desk.figures.reduce((sum, { materials }) => sum + materials.length, 0);
    const shown = desk.figures
        .map((figure) => found(figure, search))
        .filter((figure) => search === '' || figure.materials.length > 0);
    return (
        <section aria-label="Figures and materials" className="min-h-0 overflow-y-auto px-4 py-3">
            {count > MANY && (
                <input
                    type="search"
                    className="field mb-2 w-full"
                    aria-label="Search materials"
                    placeholder={`Search ${count} materials`}
                    value={search}
                    onChange={(event) => setSearch(event.target.value)}
                />
            )}
            <p className="quiet mb-2 flex gap-4 text-[13px]">
                <span>● pinned</span>
                <span>○ derived from the base</span>
                <span className="ml-auto">Drag ⠿ to move a material</span>
            </p>
            {desk.figures.length === 0 && (
                <p className="mb-3">The palette is empty. Add a figure for each thing that must stay separate.</p>
            )}
            {search !== '' && shown.length === 0 && <p>Nothing is called that.</p>}
            {shown.map((figure) => (
                <Figure key={figure.id} desk={desk} figure={figure} isWhole={search === ''} onPick={onPick} />
            ))}
            {desk.overview?.mayColour === true && search === '' && (
                <OneLineForm
                    label="Add a figure"
                    field="name"
                    button="Add"
                    placeholder="Its name"
                    maxLength={80}
                    className="mt-4"
                    onAdd={(name) => desk.apply('figure.add', { name })}
                />
            )}
        </section>
    );
}

function found(figure: FigureState, search: string): FigureState {
    const wanted = search.trim().toLowerCase();
    if (figure.name.toLowerCase().includes(wanted)) return figure;
    return { ...figure, materials: figure.materials.filter(({ name }) => name.toLowerCase().includes(wanted)) };
}

function Figure({ desk, figure, isWhole, onPick }: Props & { figure: FigureState; isWhole: boolean }) {
    const drop = (event: DragEvent, place: number): void => {
        event.preventDefault();
        moveTo(desk, Number(event.dataTransfer.getData('text/plain')), figure, place);
    };
    return (
        <section aria-label={figure.name} className="mb-3">
            <FigureHead desk={desk} figure={figure} />
            <ul>
                {figure.materials.map((material, place) => (
                    <li
                        key={material.id}
                        onDragOver={(event) => event.preventDefault()}
                        onDrop={(event) => drop(event, place)}
                    >
                        <Row desk={desk} figure={figure} material={material} place={place} onPick={onPick} />
                    </li>
                ))}
            </ul>
            {isWhole && figure.follows === null && desk.overview?.mayColour === true && (
                <div
                    onDragOver={(event) => event.preventDefault()}
                    onDrop={(event) => drop(event, figure.materials.length)}
                >
                    <AddMaterial desk={desk} figure={figure} />
                </div>
            )}
        </section>
    );
}

/** Puts a material before another of a figure. */
function moveTo(desk: PaletteDesk, id: number, figure: FigureState, place: number): void {
    const material = desk.figures.flatMap(({ materials }) => materials).find((one) => one.id === id);
    if (material === undefined) return;
    const isOwn = material.figure === figure.id;
    const from = figure.materials.findIndex((one) => one.id === id);
    // Counted among the others: those behind it close up when it leaves.
    const to = isOwn && from < place ? place - 1 : place;
    if (isOwn && to === from) return;
    const change = isOwn ? { place: to } : { figure: figure.id, place: to };
    void desk.change('material.change', material, change);
}

function FigureHead({ desk, figure }: { desk: PaletteDesk; figure: FigureState }) {
    const [isOpen, setOpen] = useState(false);
    const [into, setInto] = useState('');
    const others = desk.figures.filter(({ id }) => id !== figure.id);
    const regions = figure.materials.reduce((sum, { id }) => sum + (desk.overview?.uses[id]?.regions ?? 0), 0);
    const rename = (name: string): void => void desk.apply('figure.change', { figure: figure.id, name });
    return (
        <div className="rule-b mb-0.5 pb-0.5">
            <div className="flex items-center gap-2">
                <h2 className="heading min-w-0 flex-1 truncate" title={figure.name}>
                    {figure.name}
                </h2>
                {figure.follows !== null && <span className="quiet text-[13px]">follows {figure.follows}</span>}
                {desk.overview?.mayColour === true && (
                    <button
                        className="bare quiet text-[13px]"
                        aria-expanded={isOpen}
                        aria-label={`Change ${figure.name}`}
                        onClick={() => setOpen(!isOpen)}
                    >
                        {isOpen ? 'Close' : 'Change'}
                    </button>
                )}
            </div>
            {isOpen && (
                <div className="flex flex-wrap items-end gap-3 py-2 text-[13px]">
                    {figure.follows === null ? (
                        <NameField name={figure.name} onRename={rename} />
                    ) : (
                        <button className="act" onClick={() => void desk.apply('figure.unlink', { figure: figure.id })}>
                            Stop following
                        </button>
                    )}
                    <label className="flex flex-col gap-0.5">
                        <span className="quiet">
                            {regions === 0
                                ? 'No page uses it. Its materials go to'
                                : `${regions} regions use it. Who takes over its materials?`}
                        </span>
                        <select className="field" value={into} onChange={(event) => setInto(event.target.value)}>
                            <option value="">Nobody: regions become unfilled</option>
                            {others.map((one) => (
                                <option key={one.id} value={one.id}>
                                    {one.name}
                                </option>
                            ))}
                        </select>
                    </label>
                    <button
                        className="act"
                        onClick={() =>
                            void desk.apply('figure.retire', {
                                figure: figure.id,
                                into: into === '' ? null : Number(into),
                            })
                        }
                    >
                        {into === '' ? 'Delete the figure' : 'Merge'}
                    </button>
                </div>
            )}
        </div>
    );
}

interface RowProps extends Props {
    figure: FigureState;
    material: MaterialState;
    place: number;
}

function Row({ desk, figure, material, place, onPick }: RowProps) {
    const isPicked = desk.picked?.material === material.id;
    const may = desk.overview?.mayColour === true && figure.follows === null;
    const advice = desk.overview?.advice[material.id]?.length ?? 0;
    const step = (event: KeyboardEvent): void => {
        const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
        if (by === 0 || place + by < 0 || place + by >= figure.materials.length) return;
        event.preventDefault();
        moveTo(desk, material.id, figure, by < 0 ? place - 1 : place + 2);
    };
    return (
        <div className={`flex items-center gap-2 py-[2px] pl-2 ${isPicked ? 'stripe-side bg-base-200' : ''}`}>
            {may && (
                <button
                    className="cursor-grab px-0.5 leading-none"
                    draggable
                    aria-label={`Move ${material.name}: drag it, or use the arrows`}
                    title="Drag, or use the arrow keys"
                    onKeyDown={step}
                    onDragStart={(event) => event.dataTransfer.setData('text/plain', String(material.id))}
                >
                    ⠿
                </button>
            )}
            <button
                className={`w-28 truncate text-left ${isPicked ? 'heading' : ''}`}
                title={material.name}
                onClick={() => onPick({ material: material.id, tone: 'base' })}
            >
                {material.name}
            </button>
            <span className="flex" role="group" aria-label={`${figure.name}, ${material.name}`}>
                {[...SIX, ...material.more.map(({ tone }) => tone)].map((tone) => (
                    <Swatch
                        key={tone}
                        figure={figure}
                        material={material}
                        tone={tone}
                        isPicked={isPicked && desk.picked?.tone === tone}
                        onPick={() => onPick({ material: material.id, tone })}
                    />
                ))}
            </span>
            <Second variant={desk.variant} material={material} />
            <span className="quiet figures ml-auto whitespace-nowrap text-[12px]">
                {usedBy(desk.overview?.uses[material.id])}
            </span>
            <span className="figures w-14 whitespace-nowrap text-right text-[12px] text-primary">
                {advice > 0 ? `${advice} to see` : ''}
            </span>
        </div>
    );
}

/** What the variant that is shown makes of it. */
function Second({ variant, material }: { variant: VariantState | null; material: MaterialState }) {
    const other = variant?.materials[material.id];
    if (variant === null || other === undefined) return null;
    return (
        <span title={variant.name} role="img" aria-label={`${material.name} in ${variant.name}`}>
            <Ramp tones={other.tones} size="h-5 w-3" />
        </span>
    );
}

const usedBy = (use: UseState | undefined): string =>
    use === undefined
        ? 'not used'
        : `${use.regions} on p. ${use.pages.slice(0, 4).join(', ')}${use.pages.length > 4 ? ' …' : ''}`;

interface SwatchProps {
    figure: FigureState;
    material: MaterialState;
    tone: Tone;
    isPicked: boolean;
    onPick: () => void;
}

/** A dot in the corner is full when the tone is pinned, a ring when it follows from the base. */
function Swatch({ figure, material, tone, isPicked, onPick }: SwatchProps) {
    const isPinned = material.pinned.includes(tone);
    return (
        <button
            aria-label={`${figure.name} ${material.name} ${nameOf(material, tone)}, ${isPinned ? 'pinned' : 'derived'}`}
            aria-pressed={isPicked}
            title={`${nameOf(material, tone)} ${material.tones[tone]}, ${isPinned ? 'pinned' : 'derived'}`}
            className={`relative h-7 ${WIDTHS[tone] ?? 'w-10'} ${isPicked ? 'stripe z-10' : ''}`}
            style={{ background: material.tones[tone] }}
            onClick={onPick}
        >
            <span className={`pin-mark ${isPinned ? 'full' : ''}`} />
        </button>
    );
}

function AddMaterial({ desk, figure }: { desk: PaletteDesk; figure: FigureState }) {
    const [isOpen, setOpen] = useState(false);
    const [base, setBase] = useState(FIRST_COLOUR);
    if (!isOpen)
        return (
            <button className="bare quiet text-[13px]" onClick={() => setOpen(true)}>
                Add a material to {figure.name}
            </button>
        );
    return (
        <div className="flex items-end gap-2">
            <OneLineForm
                label={`Material of ${figure.name}`}
                field="name"
                button="Add"
                placeholder="Skin, wool, brass"
                maxLength={80}
                className="mt-1"
                onAdd={async (name) => {
                    await desk.apply('material.add', { figure: figure.id, name, base });
                    setOpen(false);
                }}
            />
            <input
                type="color"
                aria-label="Its base"
                className="h-8 w-10"
                value={base}
                onChange={(event) => setBase(event.target.value)}
            />
        </div>
    );
}
