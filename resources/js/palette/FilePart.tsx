/** The palette taken away in open formats, or a file taken in: first what it would do, then it is done. */
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { ImportRow } from '../api/generated';
import { FilePicker } from '../ui/FilePicker';
import type { PaletteDesk } from './usePalette';

const FORMATS: [string, string][] = [
    ['csv', 'a table'],
    ['json', 'design tokens'],
    ['css', 'CSS properties'],
    ['svg', 'a card'],
    ['png', 'a card'],
    ['pdf', 'a card to print'],
];

const DOES: Record<ImportRow['does'], string> = { add: 'is added', change: 'is changed', leave: 'stays' };

interface Reading {
    name: string;
    text: string;
    rows: ImportRow[];
}

export function FilePart({ desk }: { desk: PaletteDesk }) {
    const [reading, setReading] = useState<Reading | null>(null);
    const series = desk.overview?.id ?? 0;
    const read = async (file: File): Promise<void> => {
        setReading(null);
        await desk.ask(async () => {
            const text = await file.text();
            setReading({ name: file.name, text, rows: await api.readPalette(series, file.name, text) });
        });
    };
    const take = async ({ name, text }: Reading): Promise<void> => {
        if (await desk.apply('palette.import', { name, text })) setReading(null);
    };
    return (
        <div className="flex flex-col gap-4">
            <section aria-label="Download the palette">
                <h2 className="heading mb-2 text-base">Download the palette</h2>
                <div className="flex flex-wrap gap-2">
                    {FORMATS.map(([format, what]) => (
                        <a key={format} className="act" href={api.paletteFile(series, format)} download>
                            {format.toUpperCase()} <span className="quiet">{what}</span>
                        </a>
                    ))}
                </div>
            </section>
            {desk.overview?.mayColour === true && (
                <section aria-label="Add from a file" className="rule-t pt-3">
                    <h2 className="heading mb-1 text-base">Add from a file</h2>
                    <p className="quiet mb-2">
                        CSV, JSON or CSS. First it shows what would be added, changed and left.
                    </p>
                    <FilePicker
                        label="Choose a file"
                        name="A palette file"
                        accept=".csv,.json,.css"
                        disabled={false}
                        onFiles={([file]) => void read(file)}
                    />
                    {reading !== null && (
                        <Preview reading={reading} onTake={() => void take(reading)} onLeave={() => setReading(null)} />
                    )}
                </section>
            )}
            {desk.overview?.mayColour === true && <FromSeries desk={desk} />}
        </div>
    );
}

/** A figure of another series, with its materials, as a copy. */
function FromSeries({ desk }: { desk: PaletteDesk }) {
    const id = desk.overview?.id ?? 0;
    const [from, setFrom] = useState<number | null>(null);
    const { data: shelf } = useQuery({ queryKey: ['shelf'], queryFn: api.shelf });
    const { data: other } = useQuery({
        queryKey: ['series', from],
        queryFn: () => api.series(from ?? 0),
        enabled: from !== null,
    });
    const others = (shelf ?? []).filter((series) => series.id !== id);
    return (
        <section aria-label="From another series" className="rule-t pt-3">
            <h2 className="heading mb-1 text-base">A figure from another series</h2>
            {others.length === 0 && <p className="quiet">There is no other series you are in.</p>}
            {others.length > 0 && (
                <select
                    className="field"
                    aria-label="From which series"
                    value={from ?? ''}
                    onChange={(event) => setFrom(event.target.value === '' ? null : Number(event.target.value))}
                >
                    <option value="">From which series?</option>
                    {others.map((series) => (
                        <option key={series.id} value={series.id}>
                            {series.name}
                        </option>
                    ))}
                </select>
            )}
            <ul className="mt-2">
                {(from === null ? [] : (other?.palette.figures ?? [])).map((figure) => (
                    <li key={figure.id} className="flex items-center gap-2 py-1">
                        <span className="min-w-0 flex-1 truncate">{figure.name}</span>
                        <Colours
                            tones={Object.fromEntries(figure.materials.map(({ name, tones }) => [name, tones.base]))}
                        />
                        <button
                            className="act narrow"
                            title="A copy: later changes there do not reach it"
                            onClick={() => void desk.apply('figure.copy', { figure: figure.id })}
                        >
                            Copy
                        </button>
                        <button
                            className="act narrow"
                            title="Stays what it is there, also when it changes"
                            onClick={() => void desk.apply('figure.link', { figure: figure.id })}
                        >
                            Follow
                        </button>
                    </li>
                ))}
            </ul>
        </section>
    );
}

function Preview({ reading, onTake, onLeave }: { reading: Reading; onTake: () => void; onLeave: () => void }) {
    const counts = (does: ImportRow['does']): number => reading.rows.filter((row) => row.does === does).length;
    const isNothing = counts('add') + counts('change') === 0;
    return (
        <div className="mt-3 flex flex-col gap-2">
            <p>
                {reading.name}: {counts('add')} added, {counts('change')} changed, {counts('leave')} left as they are.
            </p>
            <ul className="max-h-80 overflow-y-auto text-[13px]">
                {reading.rows
                    .filter(({ does }) => does !== 'leave')
                    .map((row) => (
                        <li key={`${row.figure} ${row.material}`} className="flex items-center gap-2 py-0.5">
                            <span className="min-w-0 flex-1 truncate">
                                {row.figure}, {row.material} {DOES[row.does]}
                            </span>
                            <Colours tones={row.before} />
                            <span aria-hidden>→</span>
                            <Colours tones={row.after} />
                        </li>
                    ))}
            </ul>
            <div className="flex gap-2">
                <button className="act main" disabled={isNothing} onClick={onTake}>
                    Take it in
                </button>
                <button className="act" onClick={onLeave}>
                    Leave it
                </button>
            </div>
        </div>
    );
}

function Colours({ tones }: { tones: Record<string, string> | null }) {
    if (tones === null) return null;
    return (
        <span className="flex">
            {Object.entries(tones).map(([tone, colour]) => (
                <span key={tone} className="h-4 w-4" title={`${tone} ${colour}`} style={{ background: colour }} />
            ))}
        </span>
    );
}
