/** Long work that is asked for: what each kind is asked with. */
import type { CleanData, LightPlanData, PlacementData, SetupPass, Tone } from './generated';

/** The window that asks holds the page. */
interface Held {
    lease: string;
}

/** How a kept file is brought in: as which drawing, which of its pictures, and whether as far as a cut file goes. */
export interface ImportData {
    drawing?: string;
    picture?: number;
    cut?: boolean;
}

/** A picture that hangs on the board, or a file. */
type SentPicture = { reference: number } | { picture: File };

/** What comes in place of what. */
export type Replacing = { material: number; into: number } | { figure: number; tone: Tone; into: Tone };

/** What is compared with a palette. */
export type HeldAgainst = { page: number } | SentPicture;

export interface PageTasks {
    /** A scan that is sent, or one that is kept. A drawing that is on the page is replaced. */
    import: Held & ImportData & ({ scan: File } | { original: number });
    clean: Held & { drawing: string; clean: CleanData; place: PlacementData };
    regions: Held;
    take: Held & { flats: File };
    /** Lays somebody's coloured page over this one, its colours moved onto the palette. */
    snap: SentPicture;
    /**
     * A first light on a figure, or on all figures that are on the page; with `lineless` occlusion alone, in the place
     * of the lines.
     */
    rough: Held & { plan: LightPlanData } & ({ figure: number; only: number[] } | { lineless?: true });
    /** Makes lines meet. */
    tidy: Held & { overshoot: number; gap: number };
    enlarge: Held & { factor: number };
    deliver: { format: string };
}

export type PageTaskKind = keyof PageTasks;

export interface SeriesTasks {
    colours: object;
    match: HeldAgainst;
    replace: Replacing & { pages: number[] };
    /** What hangs from a setup on some pages becomes what it is now. */
    follow: { setup: number; pages: number[]; known: number; before: SetupPass[] };
    /** Pages are shown in a mood as the series has it now. */
    mood: { mood: number; pages: number[] };
}

export type SeriesTaskKind = keyof SeriesTasks;

/** As it is sent: a form where a file is among it, plain fields beside it. */
export function withFiles(input: object): object | FormData {
    if (!Object.values(input).some((value) => value instanceof File)) return input;
    const form = new FormData();
    for (const [name, value] of Object.entries(input) as [string, string | number | File][])
        form.set(name, value instanceof File ? value : String(value));
    return form;
}
