/** What the palette's screen knows, and how it asks for changes. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useRef, useState } from 'react';
import { api } from '../api/client';
import type { FigureState, MaterialState, PaletteOverviewState, Tone, VariantState } from '../api/generated';
import { Failure } from '../api/http';
import type { SeriesOpInput, SeriesOpKind, Tones } from '../api/seriesOps';
import { seriesOutbox } from '../page/seriesOutbox';

/** Milliseconds until what others change is seen. */
const LOOK_EVERY = 5000;

export interface Picked {
    material: number;
    tone: Tone;
}

/** Somebody was quicker: both values, to choose from. */
interface Clash {
    theirs: MaterialState;
    yours: Tones;
}

/** Changes to one material, as this window has seen it. */
type MaterialOpKind = 'material.change' | 'material.retire' | 'tones.pin' | 'tones.name';

export interface PaletteDesk {
    overview: PaletteOverviewState | undefined;
    figures: FigureState[];
    error: string | null;
    message: string | null;
    clash: Clash | null;
    picked: Picked | null;
    pick(picked: Picked): void;
    /** Colours shown instead of the palette's while the hand drags or a rule is tried. */
    trial: Trial;
    tryOut(trial: Trial): void;
    /** The variant that is shown below the ramps. */
    variant: VariantState | null;
    showVariant(variant: VariantState | null): void;
    ask(work: () => Promise<unknown>): Promise<boolean>;
    apply<Kind extends SeriesOpKind>(kind: Kind, input: SeriesOpInput<Kind>): Promise<boolean>;
    undo(): Promise<boolean>;
    redo(): Promise<boolean>;
    /** Asks for a change to one material, as this window has seen it. */
    change<Kind extends MaterialOpKind>(
        kind: Kind,
        material: MaterialState,
        input: Omit<SeriesOpInput<Kind>, 'material' | 'version'>,
    ): Promise<boolean>;
    pin(material: MaterialState, tones: Tones): Promise<boolean>;
    settle(): void;
}

/** By material and tone. */
export type Trial = Record<number, Partial<Record<Tone, string>>>;

export function usePalette(series: number): PaletteDesk {
    const { data: overview, error } = useQuery({
        queryKey: ['palette', series],
        queryFn: () => api.palette(series),
        refetchInterval: LOOK_EVERY,
    });
    const [clash, setClash] = useState<Clash | null>(null);
    const [picked, pick] = useState<Picked | null>(null);
    const [trial, tryOut] = useState<Trial>({});
    const [variant, showVariant] = useState<VariantState | null>(null);
    const { message, ask } = useQueue(series, tryOut);
    // What this window's own changes made of each material's version; what others made of it is not seen yet.
    const own = useRef(new Map<number, number>());
    const seen = (material: MaterialState): MaterialState => ({
        ...material,
        version: Math.max(material.version, own.current.get(material.id) ?? 0),
    });
    const learn = (material: MaterialState | undefined): void => {
        if (material !== undefined) own.current.set(material.id, material.version);
    };
    const outbox = seriesOutbox(series);
    const changed = async <Kind extends MaterialOpKind>(
        kind: Kind,
        { id, version }: MaterialState,
        input: Omit<SeriesOpInput<Kind>, 'material' | 'version'>,
    ): Promise<void> => {
        const asked = { ...input, material: id, version } as SeriesOpInput<Kind>;
        learn(materialOf((await outbox.apply(kind, asked)).shown.figures, id));
    };
    const change: PaletteDesk['change'] = (kind, material, input) => ask(() => changed(kind, seen(material), input));
    const apply: PaletteDesk['apply'] = (kind, input) => ask(() => outbox.apply(kind, input));
    const undo = (): Promise<boolean> => ask(() => outbox.undo());
    const redo = (): Promise<boolean> => ask(() => outbox.redo());
    const pin: PaletteDesk['pin'] = (material, tones) =>
        ask(async () => {
            try {
                await changed('tones.pin', seen(material), { tones });
                setClash(null);
            } catch (reason) {
                const theirs =
                    reason instanceof Failure ? (reason.details.theirs as MaterialState | null | undefined) : undefined;
                if (theirs !== undefined && theirs !== null) setClash({ theirs, yours: tones });
                throw reason;
            }
        });
    const figures = useMemo(
        () => (overview?.palette.figures ?? []).map((figure) => tried(figure, trial)),
        [overview, trial],
    );
    const settle = (): void => setClash(null);
    return {
        overview,
        figures,
        error: error?.message ?? null,
        message,
        clash,
        picked,
        pick,
        trial,
        tryOut,
        variant,
        showVariant,
        ask,
        apply,
        undo,
        redo,
        change,
        pin,
        settle,
    };
}

/** Changes one after the other: one may be asked for before the answer to the last is here. */
function useQueue(series: number, tryOut: (trial: Trial) => void): Pick<PaletteDesk, 'message' | 'ask'> {
    const client = useQueryClient();
    const [message, setMessage] = useState<string | null>(null);
    const queue = useRef<Promise<unknown>>(Promise.resolve());
    const done = async (work: () => Promise<unknown>): Promise<boolean> => {
        setMessage(null);
        try {
            await work();
            return true;
        } catch (reason) {
            setMessage(reason instanceof Error ? reason.message : 'Something went wrong. Try again.');
            return false;
        } finally {
            await Promise.all(
                ['palette', 'history', 'series'].map((key) => client.invalidateQueries({ queryKey: [key, series] })),
            );
            tryOut({});
        }
    };
    const ask = (work: () => Promise<unknown>): Promise<boolean> => {
        const next = queue.current.then(() => done(work));
        queue.current = next;
        return next;
    };
    return { message, ask };
}

function tried(figure: FigureState, trial: Trial): FigureState {
    const materials = figure.materials.map((one) =>
        trial[one.id] === undefined ? one : { ...one, tones: { ...one.tones, ...trial[one.id] } },
    );
    return { ...figure, materials };
}

export const materialOf = (figures: FigureState[], id: number | undefined): MaterialState | undefined =>
    figures.flatMap(({ materials }) => materials).find((material) => material.id === id);
