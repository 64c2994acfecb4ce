/** One page as a window knows it. Panels pick what they show; only what they picked re-renders them. */
import { createStore, type StoreApi } from 'zustand/vanilla';
import type {
    BoxedBrush,
    JournalState,
    PageStateData,
    PaletteState,
    PassRulesData,
    RecordsState,
    Role,
    SeriesHead,
    SizeData,
    TakenReport,
    TaskState,
    WaitingScan,
} from '../api/generated';
import { buildStack, type Stack } from '../picture/stack';
import type { Saving } from './outbox';

export interface PageView {
    id: number;
    number: number;
    title: string;
    series: SeriesHead;
    role: Role | null;
    rules: PassRulesData;
    brushes: BoxedBrush[];
    waiting: WaitingScan | null;
    revision: number;
    records: RecordsState;
    palette: PaletteState;
    journal: JournalState;
    /** What is laid for display; follows from records and palette. */
    stack: Stack;
    held: boolean;
    holder: string | null;
    saving: Saving;
    /** How many changes have not reached the server yet. */
    unsent: number;
    task: TaskState | null;
    message: string | null;
    /** What colours that were taken over were matched to, until they are settled. */
    taken: TakenReport | null;
}

export type PageStore = StoreApi<PageView>;

export function createPageStore(state: PageStateData): PageStore {
    return createStore<PageView>(() => ({
        ...opened(state),
        held: false,
        holder: null,
        saving: 'saved',
        unsent: 0,
        task: null,
        message: null,
        taken: null,
    }));
}

/** What of the store a page that was fetched whole says. */
export function opened(state: PageStateData): Pick<PageView, keyof PageView & (keyof PageStateData | 'stack')> {
    const { id, number, title, series, role, rules, brushes, waiting, revision, records, palette, journal } = state;
    return {
        id,
        number,
        title,
        series,
        role,
        rules,
        brushes,
        waiting,
        revision,
        records,
        palette,
        journal,
        stack: buildStack(records, palette),
    };
}

// ---- what panels ask for ------------------------------------------------------------------------------------------

export const sizeOf = (view: PageView): SizeData | null => view.records.page.page ?? null;

export const mayFlat = (view: PageView): boolean => view.held && view.role !== null && view.role !== 'viewer';

export const mayColour = (view: PageView): boolean => view.held && (view.role === 'owner' || view.role === 'colourist');

/** Why the hand changes nothing just now, in words for the person. */
export function whyNot(view: PageView, what: 'flat' | 'colour'): string {
    if (view.holder !== null && !view.held) return `${view.holder} is working on this page; you are watching.`;
    if (view.role === 'viewer') return 'Your part in this series is looking: others change its pages.';
    if (what === 'colour' && view.role === 'flatter')
        return 'Your part in this series is flatting: you can fill regions, not paint.';
    return 'The page is not yours yet. Wait a moment, then try again.';
}
