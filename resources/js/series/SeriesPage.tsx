/** One series: its pages, its palette, its people. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useNavigate } from 'react-router';
import { api } from '../api/client';
import type { PageCardState, SeriesState } from '../api/generated';
import { OneLineForm } from '../ui/Form';
import { HelpButton } from '../ui/Help';
import { ThemeSwitch } from '../ui/theme';
import { PagePicture, progressOf } from './PagePicture';
import { PalettePart } from './PalettePart';
import { PeoplePart } from './PeoplePart';
import { Trouble } from '../ui/Trouble';

export function SeriesPage({ id }: { id: number }) {
    const client = useQueryClient();
    const { data: series, error } = useQuery({ queryKey: ['series', id], queryFn: () => api.series(id) });
    const reload = (): Promise<void> => client.invalidateQueries({ queryKey: ['series', id] });
    useEffect(() => {
        if (series !== undefined) document.title = `${series.name} · Awning`;
    }, [series]);
    if (error !== null) {
        return <Trouble message={error.message} />;
    }
    if (series === undefined) return null;
    return (
        <main className="mx-auto max-w-6xl p-6">
            <header className="rule-b mb-5 flex items-center gap-3 pb-3">
                <Link to="/" className="quiet hover:underline">
                    Shelf
                </Link>
                <span className="quiet">/</span>
                <h1 className="heading truncate text-xl" title={series.name}>
                    {series.name}
                </h1>
                <span className="quiet ml-auto whitespace-nowrap">you are {series.role}</span>
                <HelpButton at="start" />
                <ThemeSwitch />
            </header>
            <div className="grid grid-cols-[1fr_22rem] gap-8">
                <PagesPart series={series} />
                <div className="flex min-w-0 flex-col gap-8">
                    <PalettePart series={series} onChange={reload} />
                    <PeoplePart series={series} onChange={reload} />
                </div>
            </div>
        </main>
    );
}

function PagesPart({ series }: { series: SeriesState }) {
    return (
        <section aria-label="Pages">
            <h2 className="heading mb-3 text-base">Pages</h2>
            {series.pages.length === 0 && (
                <p className="mb-3">No pages yet. Add the first one, then import its scan on the bench.</p>
            )}
            <ul className="grid grid-cols-3 gap-x-5 gap-y-6">
                {series.pages.map((page) => (
                    <PageTile key={page.id} page={page} paletteVersion={series.palette.version} />
                ))}
            </ul>
            {series.role !== 'viewer' && <AddPage series={series.id} />}
        </section>
    );
}

function PageTile({ page, paletteVersion }: { page: PageCardState; paletteVersion: number }) {
    return (
        <li className="min-w-0">
            <Link to={`/bench/${page.id}`} className="block">
                <PagePicture page={page} paletteVersion={paletteVersion} />
                <span className="heading mt-1 block truncate" title={page.title}>
                    {page.number}. {page.title}
                </span>
                <span className="quiet figures block">{progressOf(page)}</span>
                {page.holder !== null && <span className="block text-primary">{page.holder} is working on it</span>}
            </Link>
        </li>
    );
}

function AddPage({ series }: { series: number }) {
    const go = useNavigate();
    const add = async (title: string): Promise<void> => {
        const page = await api.addPage(series, title);
        await go(`/bench/${page.id}`);
    };
    return (
        <OneLineForm
            label="Add a page"
            field="title"
            button="Add"
            placeholder="What happens on it"
            maxLength={120}
            className="mt-5"
            onAdd={add}
        />
    );
}
