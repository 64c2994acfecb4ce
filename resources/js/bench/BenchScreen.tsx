import { useEffect, useState } from 'react';
import { api } from '../api/client';
import { Link } from '../ui/path';
import { Bench } from './Bench';
import { PageSession } from './session';

/** Loads a page and opens a session on it. */
export function BenchScreen({ page }: { page: number }) {
    const [session, setSession] = useState<PageSession | null>(null);
    const [error, setError] = useState<string | null>(null);
    useEffect(() => {
        let opened: PageSession | null = null;
        let left = false;
        api.page(page).then(
            (state) => {
                if (left) return;
                opened = new PageSession(state);
                opened.start();
                setSession(opened);
                document.title = `${state.series.name}, p. ${state.number} · Awning`;
            },
            (reason: Error) => setError(reason.message),
        );
        return () => {
            left = true;
            opened?.end();
        };
    }, [page]);
    if (error !== null) return <p className="p-8" role="alert">{error} <Link className="underline" href="/">Back to the shelf</Link></p>;
    return session === null ? <p className="p-8">Opening the page …</p> : <Bench session={session} />;
}
