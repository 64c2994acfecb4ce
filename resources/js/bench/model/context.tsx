/** The page and the bench that everything on this screen shares. */
import { createContext, useContext, type ReactNode } from 'react';
import { useStore } from 'zustand';
import type { PageSession } from '../../page/session';
import type { PageView } from '../../page/store';
import type { ComposePool } from '../../picture/pool';
import { refreshed, type Target } from '../../page/target';
import type { BenchModel, BenchView } from './model';

interface Shared {
    bench: BenchModel;
    pool: ComposePool;
}

const Context = createContext<Shared | null>(null);

export function BenchProvider({ bench, pool, children }: Shared & { children: ReactNode }) {
    return <Context.Provider value={{ bench, pool }}>{children}</Context.Provider>;
}

function useShared(): Shared {
    const shared = useContext(Context);
    if (shared === null) throw new Error('Outside of the bench.');
    return shared;
}

export const useBenchModel = (): BenchModel => useShared().bench;

export const useSession = (): PageSession => useShared().bench.session;

export const usePool = (): ComposePool => useShared().pool;

/** A part of the page; the component renders again only when that part changes. */
export function usePage<T>(pick: (view: PageView) => T): T {
    return useStore(useSession().store, pick);
}

/** A part of the bench. */
export function useBench<T>(pick: (view: BenchView) => T): T {
    return useStore(useBenchModel().store, pick);
}

/** The picked target with its material as it is now. */
export function useTarget(): Target | null {
    const palette = usePage((view) => view.palette);
    return refreshed(
        palette,
        useBench((view) => view.target),
    );
}
