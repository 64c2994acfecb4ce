import { useEffect, useState } from 'react';
import { api } from './api/client';
import type { SessionState } from './api/types';
import { BenchScreen } from './bench/BenchScreen';
import { SeriesPage } from './series/SeriesPage';
import { Shelf } from './shelf/Shelf';
import { SignIn } from './shelf/SignIn';
import { usePath } from './ui/path';
import { loadTheme } from './ui/theme';

export function App() {
    const path = usePath();
    const [session, setSession] = useState<SessionState | null>(null);
    const [failed, setFailed] = useState(false);
    useEffect(() => {
        loadTheme();
        api.session().then(setSession, () => setFailed(true));
    }, []);
    if (failed) return <p className="p-8" role="alert">The server cannot be reached. Reload the page when it is back.</p>;
    if (session === null) return null;
    if (session.user === null) return <SignIn session={session} onSignedIn={setSession} />;
    const bench = /^\/bench\/(\d+)$/.exec(path);
    if (bench !== null) return <BenchScreen key={bench[1]} page={Number(bench[1])} />;
    const series = /^\/series\/(\d+)$/.exec(path);
    if (series !== null) return <SeriesPage key={series[1]} id={Number(series[1])} />;
    return <Shelf user={session.user} onSignedOut={() => setSession({ ...session, user: null })} />;
}
