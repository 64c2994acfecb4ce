/** Loads a page and opens a session on it. */
import { useEffect, useState } from 'react';
import { api } from '../api/client';
import type { PageStateData } from '../api/generated';
import { PageSession } from '../page/session';
import { ComposePool } from '../picture/pool';
import { Bench } from './Bench';
import { BenchModel } from './model/model';
import { Trouble } from '../ui/Trouble';

interface Opened {
    bench: BenchModel;
    pool: ComposePool;
}

export function BenchScreen({ page, user }: { page: number; user: number }) {
    const [opened, setOpened] = useState<Opened | null>(null);
    const [error, setError] = useState<string | null>(null);
    useEffect(() => {
        let close = (): void => undefined;
        let isLeft = false;
        const enter = (state: PageStateData): void => {
            if (isLeft) return;
            const made = open(state, user);
            close = () => shut(made);
            setOpened(made);
        };
        api.page(page).then(enter, (reason: Error) => setError(reason.message));
        return () => {
            isLeft = true;
            close();
        };
    }, [page, user]);
    if (error !== null) {
        return <Trouble message={error} />;
    }
    return opened === null ? <p className="p-8">Opening the page …</p> : <Bench {...opened} />;
}

function open(state: PageStateData, user: number): Opened {
    const session = new PageSession(state, user);
    const bench = new BenchModel(session);
    window.awning = { session, bench, renderer: null };
    void session.start();
    document.title = `${state.series.name}, p. ${state.number} · Awning`;
    return { bench, pool: new ComposePool() };
}

function shut({ bench, pool }: Opened): void {
    bench.session.end();
    pool.end();
    delete window.awning;
}
