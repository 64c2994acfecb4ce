/** The first screen: the series a person works on. */
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { api } from '../api/client';
import type { PersonState, SeriesCard } from '../api/generated';
import { PagePicture } from '../series/PagePicture';
import { OneLineForm } from '../ui/Form';
import { HelpButton } from '../ui/Help';
import { ThemeSwitch } from '../ui/theme';
import { OwnPassword } from './OwnPassword';

const SHOWN = 6;

export function Shelf({ user, onSignedOut }: { user: PersonState; onSignedOut: () => void }) {
    const { data: series, error } = useQuery({ queryKey: ['shelf'], queryFn: api.shelf });
    useEffect(() => {
        document.title = 'Shelf · Awning';
    }, []);
    const [isChanging, setChanging] = useState(false);
    return (
        <main className="mx-auto max-w-5xl p-6">
            {isChanging && <OwnPassword onClose={() => setChanging(false)} />}
            <header className="rule-b mb-6 flex items-center gap-3 pb-3">
                <img src="/awning.svg" alt="" className="h-7 w-7" />
                <h1 className="heading text-xl">Shelf</h1>
                <button className="bare quiet ml-auto" title="Change your password" onClick={() => setChanging(true)}>
                    {user.name}
                </button>
                <HelpButton at="start" />
                <ThemeSwitch />
                <button className="bare quiet" onClick={() => void api.signOut().then(onSignedOut)}>
                    Sign out
                </button>
            </header>
            {error !== null && (
                <p role="alert" className="mb-6 text-error">
                    {error.message} Reload the page to try again.
                </p>
            )}
            {series?.length === 0 && (
                <p className="mb-6">The shelf is empty. Start a series below, or ask an owner to add you to theirs.</p>
            )}
            <ul className="flex flex-col gap-8">
                {series?.map((one) => (
                    <SeriesRow key={one.id} series={one} />
                ))}
            </ul>
            <StartSeries />
        </main>
    );
}

function SeriesRow({ series }: { series: SeriesCard }) {
    const count = `${series.pages.length} ${series.pages.length === 1 ? 'page' : 'pages'}`;
    return (
        <li>
            <div className="mb-3 flex items-baseline gap-3">
                <Link
                    to={`/series/${series.id}`}
                    className="heading truncate text-2xl hover:underline"
                    title={series.name}
                >
                    {series.name}
                </Link>
                <span className="quiet whitespace-nowrap">
                    {count} · you are {series.role}
                </span>
            </div>
            <div className="flex flex-wrap gap-4">
                {series.pages.slice(0, SHOWN).map((page) => (
                    <Link key={page.id} to={`/bench/${page.id}`} className="block w-36">
                        <PagePicture page={page} />
                        <span className="mt-1 block truncate" title={page.title}>
                            {page.number}. {page.title}
                        </span>
                    </Link>
                ))}
                {series.pages.length > SHOWN && (
                    <Link to={`/series/${series.id}`} className="quiet self-center hover:underline">
                        and {series.pages.length - SHOWN} more
                    </Link>
                )}
            </div>
        </li>
    );
}

function StartSeries() {
    const go = useNavigate();
    const start = async (name: string): Promise<void> => {
        const { id } = await api.addSeries(name);
        await go(`/series/${id}`);
    };
    return (
        <OneLineForm
            label="Start a series"
            field="name"
            button="Start"
            placeholder="Its title"
            maxLength={120}
            className="rule-t mt-10 pt-5"
            onAdd={start}
        />
    );
}
