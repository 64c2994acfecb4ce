/** The pictures beside the work: of a series, and of one of its pages. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Arrangement } from '../api/client';
import type { ReferenceState } from '../api/generated';

/** Milliseconds until what others hang up is seen; and until one that is being read is asked for again. */
const LOOK_EVERY = 10_000;
const READING_EVERY = 700;

export interface Pictures {
    /** null until they are known. */
    all: ReferenceState[] | null;
    message: string | null;
    hang(files: readonly File[]): Promise<void>;
    /** A page of ours, as it is now. */
    hangPage(of: number): Promise<void>;
    /** Shows where the hand has it; nothing is kept yet. */
    show(id: number, arrangement: Arrangement): void;
    arrange(id: number, arrangement: Arrangement): Promise<void>;
    takeAway(id: number): Promise<void>;
}

export function usePictures(series: number, page: number | null): Pictures {
    const client = useQueryClient();
    const key = ['pictures', series, page];
    const [message, setMessage] = useState<string | null>(null);
    const { data } = useQuery({
        queryKey: key,
        queryFn: () => api.pictures(series, page),
        refetchInterval: ({ state }) => (state.data?.some(isReading) === true ? READING_EVERY : LOOK_EVERY),
    });
    const set = (change: (all: ReferenceState[]) => ReferenceState[]): void => {
        client.setQueryData<ReferenceState[]>(key, (all) => change(all ?? []));
    };
    const show = (id: number, arrangement: Arrangement): void =>
        set((all) => all.map((one) => (one.id === id ? { ...one, ...arrangement } : one)));
    const ask = async (work: () => Promise<unknown>): Promise<void> => {
        setMessage(null);
        // An answer that was on its way would show what is older than the hand.
        await client.cancelQueries({ queryKey: key });
        try {
            await work();
        } catch (reason) {
            setMessage(reason instanceof Error ? reason.message : 'Something went wrong. Try again.');
            await client.invalidateQueries({ queryKey: key });
        }
    };
    return {
        all: data ?? null,
        message,
        show,
        hang: (files) =>
            ask(async () => {
                for (const file of files) client.setQueryData(key, await api.hangPicture(series, page, file));
            }),
        hangPage: (of) => ask(async () => client.setQueryData(key, await api.hangPage(series, page, of))),
        arrange: (id, arrangement) => {
            show(id, arrangement);
            return ask(() => api.arrangePicture(series, id, arrangement));
        },
        takeAway: (id) =>
            ask(async () => {
                await api.takePictureAway(series, id);
                set((all) => all.filter((one) => one.id !== id));
            }),
    };
}

export const isReading = ({ width, trouble }: ReferenceState): boolean => width === null && trouble === null;
