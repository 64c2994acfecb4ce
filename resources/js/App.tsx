import { QueryClient, QueryClientProvider, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { BrowserRouter, Route, Routes, useParams, useSearchParams } from 'react-router';
import { api } from './api/client';
import type { PersonState, SessionState } from './api/generated';
import { Failure } from './api/http';
import { BenchScreen } from './bench/BenchScreen';
import { BoardScreen } from './board/BoardScreen';
import { PaletteScreen } from './palette/PaletteScreen';
import { SeriesPage } from './series/SeriesPage';
import { Shelf } from './shelf/Shelf';
import { SignIn } from './shelf/SignIn';
import { Welcome } from './shelf/Welcome';
import { loadTheme } from './ui/theme';

const TRIES = 3;

const queries = new QueryClient({
    defaultOptions: { queries: { retry: (count, error) => count < TRIES && error instanceof Failure && error.passes } },
});

export function App() {
    useEffect(loadTheme, []);
    return (
        <ErrorBoundary FallbackComponent={Broken}>
            <QueryClientProvider client={queries}>
                <BrowserRouter>
                    <Routes>
                        <Route path="/welcome/:token" element={<Invited />} />
                        <Route path="*" element={<Door />} />
                    </Routes>
                </BrowserRouter>
            </QueryClientProvider>
        </ErrorBoundary>
    );
}

/** Comes in by a link, signed in or not. */
function Invited() {
    const client = useQueryClient();
    const signedIn = async (): Promise<void> => {
        client.clear();
        await client.fetchQuery({ queryKey: ['session'], queryFn: api.session });
    };
    return <Welcome onSignedIn={signedIn} />;
}

/** Whoever is signed in goes on; others sign in first, and then see what they came for. */
function Door() {
    const client = useQueryClient();
    const { data: session, error } = useQuery({ queryKey: ['session'], queryFn: api.session });
    const set = (next: SessionState): void => {
        client.setQueryData(['session'], next);
        // What one person saw is not for the next.
        client.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' });
    };
    if (error !== null) {
        return (
            <p className="p-8" role="alert">
                The server cannot be reached. Reload the page when it is back.
            </p>
        );
    }
    if (session === undefined) return null;
    if (session.user === null) return <SignIn session={session} onSignedIn={set} />;
    const user = session.user;
    return (
        <Routes>
            <Route path="/" element={<Shelf user={user} onSignedOut={() => set({ ...session, user: null })} />} />
            <Route path="/series/:id" element={<SeriesRoute />} />
            <Route path="/palette/:id" element={<PaletteRoute />} />
            <Route path="/board/:id" element={<BoardRoute />} />
            <Route path="/bench/:id" element={<BenchRoute user={user} />} />
        </Routes>
    );
}

function SeriesRoute() {
    const { id } = useParams();
    return <SeriesPage key={id} id={Number(id)} />;
}

function PaletteRoute() {
    const { id } = useParams();
    return <PaletteScreen key={id} id={Number(id)} />;
}

function BoardRoute() {
    const { id } = useParams();
    const [query] = useSearchParams();
    const page = query.get('page');
    return <BoardScreen key={`${id} ${page}`} id={Number(id)} page={page === null ? null : Number(page)} />;
}

function BenchRoute({ user }: { user: PersonState }) {
    const { id } = useParams();
    return <BenchScreen key={id} page={Number(id)} user={user.id} />;
}

function Broken({ error }: FallbackProps) {
    return (
        <div className="p-8" role="alert">
            <h1 className="heading mb-2 text-xl">Something broke in this window</h1>
            <p className="mb-3">
                Nothing is lost: what you did is kept here until the server has it. Reload the page to go on.
            </p>
            <p className="quiet mb-4">{error instanceof Error ? error.message : String(error)}</p>
            <button className="act main" onClick={() => window.location.reload()}>
                Reload
            </button>
        </div>
    );
}
