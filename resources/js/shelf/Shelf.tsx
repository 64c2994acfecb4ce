import { useEffect, useState } from 'react';
import { api } from '../api/client';
import type { SeriesCard, SessionState } from '../api/types';
import { go, Link } from '../ui/path';
import { ThemeSwitch } from '../ui/theme';
import { PagePicture } from '../series/PagePicture';

export function Shelf({ user, onSignedOut }: { user: NonNullable<SessionState['user']>; onSignedOut: () => void }) {
    const [series, setSeries] = useState<SeriesCard[] | null>(null);
    const [name, setName] = useState('');
    useEffect(() => {
        document.title = 'Shelf · Awning';
        void api.shelf().then(setSeries);
    }, []);
    return (
        <div className="mx-auto max-w-5xl p-6">
            <header className="rule-b mb-6 flex items-center gap-3 pb-3">
                <img src="/awning.svg" alt="" className="h-7 w-7" />
                <h1 className="heading text-xl">Shelf</h1>
                <span className="quiet ml-auto">{user.name}</span>
                <ThemeSwitch />
                <button className="bare quiet" onClick={() => void api.signOut().then(onSignedOut)}>Sign out</button>
            </header>
            {series?.length === 0 && <p className="mb-6">The shelf is empty. Start a series below, or ask an owner to add you to theirs.</p>}
            <ul className="flex flex-col gap-8">
                {series?.map((one) => (
                    <li key={one.id}>
                        <div className="mb-3 flex items-baseline gap-3">
                            <Link href={`/series/${one.id}`} className="heading text-2xl hover:underline">{one.name}</Link>
                            <span className="quiet">{one.pages.length} {one.pages.length === 1 ? 'page' : 'pages'} · you are {one.role}</span>
                        </div>
                        <div className="flex flex-wrap gap-4">
                            {one.pages.slice(0, 6).map((page) => (
                                <Link key={page.id} href={`/bench/${page.id}`} className="block w-36" aria-label={`Page ${page.number}, ${page.title}`}>
                                    <PagePicture page={page} />
                                    <span className="mt-1 block truncate">{page.number}. {page.title}</span>
                                </Link>
                            ))}
                        </div>
                    </li>
                ))}
            </ul>
            <form
                className="rule-t mt-10 flex items-end gap-2 pt-5"
                onSubmit={(event) => {
                    event.preventDefault();
                    void api.addSeries(name).then(({ id }) => go(`/series/${id}`));
                }}
            >
                <label className="flex flex-col gap-1">Start a series<input className="field w-72" required maxLength={120} placeholder="Its title" value={name} onChange={(e) => setName(e.target.value)} /></label>
                <button className="act">Start</button>
            </form>
        </div>
    );
}
