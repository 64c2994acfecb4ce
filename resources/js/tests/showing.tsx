/** Shows panels in tests without a server: what they show of a page, and which changes they ask for. */
import 'fake-indexeddb/auto';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, vi } from 'vitest';
import type { PageStateData } from '../api/generated';
import { BenchProvider } from '../bench/model/context';
import { BenchModel } from '../bench/model/model';
import type { Op } from '../page/ops/registry';
import { PageSession } from '../page/session';
import type { ComposePool } from '../picture/pool';
import { pageState } from './world';

const nowhere = {
    claim: async () => true,
    load: async () => [],
    add: async () => undefined,
    remove: async () => undefined,
};

/** The changes that were asked for in a test, in their order. */
export const asked: Op[] = [];

/** A page that this window holds, unless somebody else does. */
export function open(state: Partial<PageStateData> = {}, isHeld = true): BenchModel {
    const session = new PageSession(pageState(state), 1, nowhere);
    vi.spyOn(session.outbox, 'add').mockImplementation((change) => {
        if (change.kind === 'op') asked.push(change.op);
        return { id: 'x', page: 1, user: 1, made: 1, change };
    });
    session.store.setState({ held: isHeld });
    return new BenchModel(session);
}

/** With some records beside those of the small page. */
export const openWith = (records: Partial<PageStateData['records']>, isHeld = true): BenchModel =>
    open({ records: { ...pageState().records, ...records } }, isHeld);

export function show(bench: BenchModel, panel: ReactNode): void {
    const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
    render(
        <QueryClientProvider client={client}>
            <BenchProvider bench={bench} pool={{} as ComposePool}>
                {panel}
            </BenchProvider>
        </QueryClientProvider>,
    );
}

export function unfold(title: string | RegExp): void {
    const part = screen.getByText(title).closest('details') as HTMLDetailsElement;
    act(() => {
        part.open = true;
        fireEvent(part, new Event('toggle'));
    });
}

export function slide(name: string | RegExp, to: number): void {
    const slider = screen.getByRole('slider', { name: new RegExp(name) });
    fireEvent.change(slider, { target: { value: String(to) } });
    fireEvent.pointerUp(slider);
}

/** Types into a field and leaves it. */
export function type(label: string | RegExp, text: string): void {
    const field = screen.getByLabelText(label);
    fireEvent.change(field, { target: { value: text } });
    fireEvent.blur(field);
}

/** A button by what it says. */
export const button = (name: string | RegExp): HTMLButtonElement => screen.getByRole('button', { name });

export const press = (name: string | RegExp): boolean => fireEvent.click(button(name));

afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
    asked.length = 0;
});
