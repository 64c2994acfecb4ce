/** The palette of a series, on a screen of its own. */
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { HelpButton } from '../ui/Help';
import { ThemeSwitch } from '../ui/theme';
import { DriftPart } from './DriftPart';
import { FigureList } from './FigureList';
import { FilePart } from './FilePart';
import { HistoryPart } from './HistoryPart';
import { PicturesPart } from './PicturesPart';
import { RulePart } from './RulePart';
import { ToneDesk } from './ToneDesk';
import { VariantsPart } from './VariantsPart';
import { VersionsPart } from './VersionsPart';
import { materialOf, usePalette, type PaletteDesk } from './usePalette';
import { Trouble } from '../ui/Trouble';

const PARTS = {
    tone: 'Tone',
    rule: 'Rule',
    pictures: 'Pictures',
    history: 'History',
    versions: 'Versions',
    variants: 'Variants',
    drift: 'Drift',
    files: 'In and out',
} as const;

type Part = keyof typeof PARTS;

/** Parts in which a tone is picked to do something with it there. */
const KEPT = new Set<Part>(['variants', 'pictures']);

export function PaletteScreen({ id }: { id: number }) {
    const desk = usePalette(id);
    const [part, setPart] = useState<Part>('tone');
    const name = desk.overview?.name;
    useEffect(() => {
        if (name !== undefined) document.title = `Palette of ${name} · Awning`;
    }, [name]);
    useUndoKeys(desk);
    if (desk.overview === undefined) {
        return desk.error === null ? null : <Trouble message={desk.error} />;
    }
    return (
        <main className="flex h-full flex-col">
            <Head desk={desk} part={part} onPart={setPart} />
            {desk.message !== null && (
                <p role="alert" className="rule-b bg-base-200 px-4 py-2">
                    {desk.message}
                </p>
            )}
            <div className="grid min-h-0 flex-1 grid-cols-[minmax(30rem,1fr)_38rem]">
                <FigureList
                    desk={desk}
                    onPick={(picked) => {
                        desk.pick(picked);
                        if (!KEPT.has(part)) setPart('tone');
                    }}
                />
                <section aria-label={PARTS[part]} className="rule-l min-h-0 overflow-y-auto p-4">
                    {part === 'tone' && <TonePart desk={desk} />}
                    {part === 'rule' && <RulePart desk={desk} />}
                    {part === 'pictures' && <PicturesPart desk={desk} />}
                    {part === 'history' && <HistoryPart series={id} />}
                    {part === 'versions' && <VersionsPart desk={desk} />}
                    {part === 'variants' && <VariantsPart desk={desk} />}
                    {part === 'drift' && <DriftPart desk={desk} />}
                    {part === 'files' && <FilePart desk={desk} />}
                </section>
            </div>
        </main>
    );
}

function TonePart({ desk }: { desk: PaletteDesk }) {
    const { picked, overview } = desk;
    const material = materialOf(overview?.palette.figures ?? [], picked?.material);
    if (picked === null || material === undefined)
        return (
            <p>
                Pick a tone at the left to change it. Full dots are pinned colours, rings follow from the base by the
                rule.
            </p>
        );
    return (
        <ToneDesk
            key={`${material.id} ${picked.tone} ${material.version}`}
            desk={desk}
            material={material}
            tone={picked.tone}
        />
    );
}

function Head({ desk, part, onPart }: { desk: PaletteDesk; part: Part; onPart: (part: Part) => void }) {
    const { overview } = desk;
    if (overview === undefined) return null;
    const { id, name, undo, redo, mayColour } = overview;
    return (
        <header className="rule-b flex h-11 shrink-0 items-stretch gap-3 px-3">
            <nav className="flex min-w-0 items-center gap-1.5" aria-label="Where you are">
                <Link to="/" className="quiet hover:underline">
                    Shelf
                </Link>
                <span className="quiet">/</span>
                <Link to={`/series/${id}`} className="quiet truncate hover:underline" title={name}>
                    {name}
                </Link>
                <span className="quiet">/</span>
                <h1 className="heading">Palette</h1>
            </nav>
            <div className="ml-auto flex items-center gap-0.5">
                <button
                    className="bare"
                    disabled={!mayColour || undo === null}
                    title={undo ?? undefined}
                    onClick={() => void desk.undo()}
                >
                    undo
                </button>
                <button
                    className="bare"
                    disabled={!mayColour || redo === null}
                    title={redo ?? undefined}
                    onClick={() => void desk.redo()}
                >
                    redo
                </button>
                <HelpButton at="palette" />
                <ThemeSwitch />
            </div>
            <nav className="flex items-stretch" aria-label="Parts">
                {(Object.keys(PARTS) as Part[]).map((one) => (
                    <button
                        key={one}
                        className={`px-3 ${one === part ? 'stripe heading z-10' : ''}`}
                        aria-pressed={one === part}
                        onClick={() => onPart(one)}
                    >
                        {PARTS[one]}
                    </button>
                ))}
            </nav>
        </header>
    );
}

function useUndoKeys(desk: PaletteDesk): void {
    useEffect(() => {
        const pressed = (event: KeyboardEvent): void => {
            const id = desk.overview?.id;
            const isTyping = event.target instanceof HTMLInputElement && event.target.type !== 'range';
            if (id === undefined || isTyping || !(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z')
                return;
            event.preventDefault();
            void (event.shiftKey ? desk.redo() : desk.undo());
        };
        window.addEventListener('keydown', pressed);
        return () => window.removeEventListener('keydown', pressed);
    });
}
