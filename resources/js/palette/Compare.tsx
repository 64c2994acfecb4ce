/** Any two versions of the palette, as a table and as pictures of a page. */
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { PaletteVersionState } from '../api/generated';
import { Moved } from './Moved';
import { TwoPictures } from './TwoPictures';
import type { PaletteDesk } from './usePalette';
import { NamedOptions } from '../ui/NamedOptions';

const NOW = { id: 0, name: 'the palette now' };

interface Props {
    desk: PaletteDesk;
    versions: PaletteVersionState[];
}

export function Compare({ desk, versions }: Props) {
    const series = desk.overview?.id ?? 0;
    const state = String(desk.overview?.palette.version);
    const sides = [...versions, NOW];
    const [from, setFrom] = useState(versions[0].id);
    const [to, setTo] = useState(NOW.id);
    const [page, setPage] = useState<number | null>(null);
    const { data: moved } = useQuery({
        queryKey: ['compare', series, state, from, to],
        queryFn: () => api.compareVersions(series, from, to),
    });
    const { data } = useQuery({ queryKey: ['series', series], queryFn: () => api.series(series) });
    const drawn = data?.pages.filter(({ regions }) => regions > 0) ?? [];
    const shown = page ?? drawn.at(0)?.id ?? null;
    const named = (version: number) => ({ version, name: `by ${sides.find(({ id }) => id === version)?.name}` });
    return (
        <section aria-label="Compare" className="rule-t flex flex-col gap-2 pt-3">
            <h2 className="heading text-base">Compare two</h2>
            <div className="flex flex-wrap items-center gap-2">
                <Side label="From" value={from} sides={sides} onChange={setFrom} />
                <span aria-hidden>→</span>
                <Side label="To" value={to} sides={sides} onChange={setTo} />
                {shown !== null && (
                    <Side
                        label="On which page"
                        value={shown}
                        sides={drawn.map(({ id, number, title }) => ({ id, name: `p. ${number} ${title}` }))}
                        onChange={setPage}
                    />
                )}
            </div>
            {moved?.length === 0 && <p>They are the same.</p>}
            {moved !== undefined && <Moved moved={moved} />}
            {shown !== null && (
                <TwoPictures series={series} page={shown} state={state} sides={[named(from), named(to)]} />
            )}
        </section>
    );
}

interface SideProps {
    label: string;
    value: number;
    sides: { id: number; name: string }[];
    onChange: (id: number) => void;
}

function Side({ label, value, sides, onChange }: SideProps) {
    return (
        <select
            className="field max-w-44"
            aria-label={label}
            value={value}
            onChange={(event) => onChange(Number(event.target.value))}
        >
            <NamedOptions of={sides} />
        </select>
    );
}
