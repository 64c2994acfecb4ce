/** The one place that knows the server's addresses. */
import type {
    AppliedState,
    BoxedBrush,
    CleanData,
    DerivationData,
    DerivationPart,
    DrawingData,
    DrawnData,
    FeedState,
    FindingsData,
    HistoryEntryState,
    ImportRow,
    InkStrokeData,
    InvitationLink,
    InvitationState,
    JournalState,
    LayingInput,
    LeaseState,
    LightPlanData,
    LightState,
    ManualChapter,
    MaterialState,
    MovedTone,
    NamedTone,
    PageCardState,
    PageColoursState,
    PageStateData,
    PaintedState,
    PaletteOverviewState,
    PaletteState,
    PaletteVariantsState,
    PaletteVersionsState,
    PassData,
    PersonState,
    PlacementData,
    ReferenceState,
    Role,
    SeriesCard,
    SeriesState,
    SessionState,
    SetupFollowerState,
    SetupPass,
    SetupState,
    TaskState,
    Tone,
    TriedLightState,
    VariantState,
} from './generated';
import { headers, json, send } from './http';
import { unpackTiles, type NamedTile } from './packed';

export type OwnBrush = Pick<BoxedBrush, 'size' | 'hardness' | 'tip'>;

export interface LightChange {
    name?: string;
    plan?: LightPlanData;
    retire?: boolean;
}

/** Where paint is laid and how; the pass may be one that is not there yet. */
export type LaidPaint = Omit<LayingInput, 'make'> & { make: NewPass | null };

/** A pass that is not there yet: the server gives it its place. */
export type NewPass = Partial<PassData> & Pick<PassData, 'name' | 'figure' | 'content' | 'scope'>;

export type Applied = AppliedState & { journal: JournalState };

/** A picture of a drawing, cleaned otherwise: of the tiles from the first on, or of all of the drawing. */
export interface CleanLook {
    picture: ImageBitmap;
    first: { column: number; row: number } | null;
}

/** How a kept file is brought in: as which drawing, which of its pictures, and whether as far as a cut file goes. */
export interface ImportData {
    drawing?: string;
    picture?: number;
    cut?: boolean;
}

/** How a change is asked for: under an id of its own, on a known revision, holding the page. */
export interface Asking {
    id: string;
    base: number;
    lease: string;
}

/** Tones with the colour each is pinned to; null: derived again. */
export type Tones = Partial<Record<Tone, string | null>>;

/** What of a figure shall be another. */
export interface FigureChange {
    name?: string;
    nearer?: number;
    soft?: boolean;
}

export interface MaterialChange {
    name?: string;
    figure?: number;
    place?: number;
    dials?: DerivationPart;
}

export interface VariantChange {
    name?: string;
    material?: number;
    tones?: Tones;
    retire?: boolean;
}

/** How a picture hangs on the board. */
export type Arrangement = Partial<Pick<ReferenceState, 'x' | 'y' | 'across' | 'mirrored' | 'grey'>>;

/** What comes in place of what. */
export type Replacing = { material: number; into: number } | { figure: number; tone: Tone; into: Tone };

/** What is held against a palette. */
export type HeldAgainst = { page: number } | { reference: number } | { picture: File };

export type TilePlace = [layer: string, column: number, row: number];

export const api = {
    session: () => json<SessionState>('GET', '/api/session'),
    signIn: (email: string, password: string) => json<SessionState>('POST', '/api/session', { email, password }),
    signInDemo: (id: number) => json<SessionState>('POST', '/api/session/demo', { id }),
    signOut: () => json<void>('DELETE', '/api/session'),
    changePassword: (old: string, password: string) => json<void>('PUT', '/api/session/password', { old, password }),
    invitation: (token: string) => json<InvitationState>('GET', `/api/invitations/${encodeURIComponent(token)}`),
    follow: (token: string, answer: { name: string; email: string; password: string }) =>
        json<{ user: PersonState }>('POST', `/api/invitations/${encodeURIComponent(token)}`, answer),

    shelf: () => json<SeriesCard[]>('GET', '/api/series'),
    addSeries: (name: string) => json<{ id: number }>('POST', '/api/series', { name }),
    series: (id: number) => json<SeriesState>('GET', `/api/series/${id}`),
    addPage: (series: number, title: string) => json<PageCardState>('POST', `/api/series/${series}/pages`, { title }),
    addMember: (series: number, email: string, role: Role) =>
        json<{ id: number }>('POST', `/api/series/${series}/members`, { email, role }),
    invite: (series: number, role: Role) => json<InvitationLink>('POST', `/api/series/${series}/invitations`, { role }),
    removeMember: (series: number, user: number) => json<void>('DELETE', `/api/series/${series}/members/${user}`),
    addFigure: (series: number, name: string, op_id: string) =>
        json<{ id: number; palette: PaletteState }>('POST', `/api/series/${series}/figures`, { name, op_id }),
    /**
     * With a page, the answer here and in the next three is what that page shows: it may stand under a light of its
     * own.
     */
    changeFigure: (series: number, figure: number, change: FigureChange, op_id: string, page?: number) =>
        json<PaletteState>('PATCH', `/api/series/${series}/figures/${figure}`, { ...change, op_id, page }),
    copyMaterials: (series: number, figure: number, materials: number[], op_id: string, page?: number) =>
        json<PaletteState>('POST', `/api/series/${series}/figures/${figure}/copies`, { materials, op_id, page }),
    addMaterial: (series: number, figure: number, name: string, base: string, op_id: string, page?: number) =>
        json<{ id: number; palette: PaletteState }>('POST', `/api/series/${series}/figures/${figure}/materials`, {
            name,
            base,
            op_id,
            page,
        }),
    pin: (series: number, material: number, version: number, tones: Tones, op_id: string, page?: number) =>
        json<{ material: MaterialState; version: number }>('PUT', `/api/series/${series}/materials/${material}/tones`, {
            version,
            tones,
            op_id,
            page,
        }),
    /** @param more all there shall be beside the six, in their order */
    nameTones: (series: number, { id, version }: MaterialState, more: NamedTone[], op_id: string) =>
        json<PaletteState>('PUT', `/api/series/${series}/materials/${id}/more`, { version, more, op_id }),
    changeMaterial: (series: number, { id, version }: MaterialState, change: MaterialChange, op_id: string) =>
        json<PaletteState>('PATCH', `/api/series/${series}/materials/${id}`, { version, ...change, op_id }),
    duplicateMaterial: (series: number, material: number, op_id: string) =>
        json<{ id: number; palette: PaletteState }>('POST', `/api/series/${series}/materials/${material}/copies`, {
            op_id,
        }),
    retireMaterial: (series: number, { id, version }: MaterialState, into: number | null, op_id: string) =>
        json<PaletteState>('DELETE', `/api/series/${series}/materials/${id}`, { version, into, op_id }),
    retireFigure: (series: number, figure: number, into: number | null, op_id: string) =>
        json<PaletteState>('DELETE', `/api/series/${series}/figures/${figure}`, { into, op_id }),
    /** @param follow whether it stays what it is there, or is a copy that goes its own way */
    takeFigure: (series: number, figure: number, follow: boolean, op_id: string) =>
        json<PaletteState>('POST', `/api/series/${series}/figures/taken`, { figure, follow, op_id }),
    letFigureGo: (series: number, figure: number, op_id: string) =>
        json<PaletteState>('DELETE', `/api/series/${series}/figures/${figure}/link`, { op_id }),
    changeRule: (series: number, light: string, dials: DerivationData, op_id: string) =>
        json<PaletteState>('PUT', `/api/series/${series}/rule`, { light, dials, op_id }),
    previewRule: (series: number, light: string, dials: DerivationData) =>
        json<Record<string, Record<Tone, string>>>('POST', `/api/series/${series}/rule/preview`, { light, dials }),
    palette: (series: number) => json<PaletteOverviewState>('GET', `/api/series/${series}/palette`),
    paletteHistory: (series: number) => json<HistoryEntryState[]>('GET', `/api/series/${series}/palette/history`),
    undoPalette: (series: number, op_id: string) =>
        json<{ title: string }>('POST', `/api/series/${series}/palette/undo`, { op_id }),
    redoPalette: (series: number, op_id: string) =>
        json<{ title: string }>('POST', `/api/series/${series}/palette/redo`, { op_id }),
    /** @param ramp whether they are one material's tones, dark to light */
    takeColours: (
        series: number,
        figure: number,
        name: string,
        ramp: boolean,
        colours: readonly string[],
        op_id: string,
    ) =>
        json<{ id: number; palette: PaletteState }>('POST', `/api/series/${series}/figures/${figure}/colours`, {
            name,
            ramp,
            colours,
            op_id,
        }),
    /** One material, or one tone of a figure, in place of another on some pages. */
    replace: (series: number, what: Replacing, pages: number[]) =>
        json<TaskState>('POST', `/api/series/${series}/replace`, { ...what, pages }),
    /** Pictures beside the work: those of the series, and of one page. */
    pictures: (series: number, page: number | null) =>
        json<ReferenceState[]>('GET', `/api/series/${series}/references${page === null ? '' : `?page=${page}`}`),
    hangPicture(series: number, page: number | null, picture: File): Promise<ReferenceState[]> {
        const form = new FormData();
        form.set('picture', picture);
        if (page !== null) form.set('page', String(page));
        return json<ReferenceState[]>('POST', `/api/series/${series}/references`, form);
    },
    /** Hangs a page up as it is now. */
    hangPage: (series: number, page: number | null, of: number) =>
        json<ReferenceState[]>('POST', `/api/series/${series}/references`, page === null ? { of } : { of, page }),
    arrangePicture: (series: number, id: number, arrangement: Arrangement) =>
        json<ReferenceState>('PATCH', `/api/series/${series}/references/${id}`, arrangement),
    takePictureAway: (series: number, id: number) => json<void>('DELETE', `/api/series/${series}/references/${id}`),
    pictureUrl: (series: number, id: number) => `/api/series/${series}/references/${id}/picture`,
    holdAgainst(series: number, what: HeldAgainst): Promise<TaskState> {
        const url = `/api/series/${series}/matches`;
        if (!('picture' in what)) return json<TaskState>('POST', url, what);
        const form = new FormData();
        form.set('picture', what.picture);
        return json<TaskState>('POST', url, form);
    },
    /** Lays somebody's coloured page over one of ours, its colours moved onto the palette. */
    snap(page: number, what: { reference: number } | { picture: File }): Promise<TaskState> {
        const url = `/api/pages/${page}/snap`;
        if ('reference' in what) return json<TaskState>('POST', url, what);
        const form = new FormData();
        form.set('picture', what.picture);
        return json<TaskState>('POST', url, form);
    },
    manual: () => json<ManualChapter[]>('GET', '/api/manual'),
    /** What each material looks like on a page; null while that is not measured. */
    pageColours: (page: number) => json<PageColoursState | null>('GET', `/api/pages/${page}/colours`),
    measureColours: (series: number) => json<TaskState>('POST', `/api/series/${series}/colours`),
    variants: (series: number) => json<PaletteVariantsState>('GET', `/api/series/${series}/variants`),
    addVariant: (series: number, name: string, op_id: string) =>
        json<PaletteVariantsState>('POST', `/api/series/${series}/variants`, { name, op_id }),
    changeVariant: (series: number, { id, version }: VariantState, change: VariantChange, op_id: string) =>
        json<PaletteVariantsState>('PATCH', `/api/series/${series}/variants/${id}`, { version, ...change, op_id }),
    chooseVariant: (series: number, page: number, variant: number | null) =>
        json<PaletteVariantsState>('PUT', `/api/series/${series}/pages/${page}/variant`, { variant }),
    versions: (series: number) => json<PaletteVersionsState>('GET', `/api/series/${series}/versions`),
    /** What differs between two versions; 0: the palette now. */
    compareVersions: (series: number, from: number, to: number) =>
        json<MovedTone[]>('GET', `/api/series/${series}/versions/compare?from=${from}&to=${to}`),
    /** A small picture of a page by a version of the palette; 0: by the palette now. */
    pageAsUrl: (series: number, page: number, version: number, state: string) =>
        `/api/series/${series}/pages/${page}/as/${version}?${state}`,
    nameVersion: (series: number, name: string) =>
        json<{ id: number }>('POST', `/api/series/${series}/versions`, { name }),
    restoreVersion: (series: number, version: number, op_id: string) =>
        json<PaletteVersionsState>('POST', `/api/series/${series}/versions/${version}/restore`, { op_id }),
    holdPalette: (series: number, page: number, version: number | null, follows: number[]) =>
        json<PaletteVersionsState>('PUT', `/api/series/${series}/pages/${page}/palette`, { version, follows }),
    paletteFile: (series: number, format: string): string => `/api/series/${series}/palette/file/${format}`,
    readPalette: (series: number, name: string, text: string) =>
        json<ImportRow[]>('POST', `/api/series/${series}/palette/file`, { name, text }),
    takePalette: (series: number, name: string, text: string, op_id: string) =>
        json<PaletteState>('POST', `/api/series/${series}/palette/file`, { name, text, take: true, op_id }),

    page: (id: number) => json<PageStateData>('GET', `/api/pages/${id}`),
    feed: (id: number, since: number, palette: number, wait: boolean) =>
        json<FeedState>('GET', `/api/pages/${id}/feed?since=${since}&palette=${palette}&wait=${wait ? 1 : 0}`),
    lease: (id: number, lease: string) => json<LeaseState>('POST', `/api/pages/${id}/lease`, { lease }),
    /** @param op a change to the page: its kind and its input */
    apply: (id: number, asking: Asking, op: { kind: string }) =>
        json<Applied>('POST', `/api/pages/${id}/ops`, { ...asking, op }),
    undo: (id: number, asking: Asking) => json<Applied>('POST', `/api/pages/${id}/undo`, asking),
    redo: (id: number, asking: Asking) => json<Applied>('POST', `/api/pages/${id}/redo`, asking),

    /** Survives the window's end, when an ordinary request would be cut off. */
    giveBack(id: number, lease: string): void {
        void fetch(`/api/pages/${id}/lease`, {
            method: 'DELETE',
            keepalive: true,
            credentials: 'same-origin',
            headers: headers(true),
            body: JSON.stringify({ lease }),
        });
    },

    /** @param drawing its id: one that is on the page is replaced */
    importScan(id: number, lease: string, scan: File, drawing: string): Promise<TaskState> {
        const form = new FormData();
        form.set('lease', lease);
        form.set('drawing', drawing);
        form.set('scan', scan);
        return json<TaskState>('POST', `/api/pages/${id}/import`, form);
    },
    takeFlats(id: number, lease: string, flats: File): Promise<TaskState> {
        const form = new FormData();
        form.set('lease', lease);
        form.set('flats', flats);
        return json<TaskState>('POST', `/api/pages/${id}/take`, form);
    },
    importWaiting: (id: number, lease: string, original: number, how: ImportData) =>
        json<TaskState>('POST', `/api/pages/${id}/import`, { lease, original, ...how }),
    clean: (id: number, lease: string, drawing: string, clean: CleanData, place: PlacementData) =>
        json<TaskState>('POST', `/api/pages/${id}/clean`, { lease, drawing, clean, place }),
    /**
     * A drawing as it would be, cleaned otherwise.
     *
     * @param tiles left, top, right and bottom of what is in view
     */
    async look(page: number, drawing: string, clean: CleanData, level: number, tiles: number[]): Promise<CleanLook> {
        const response = await send('POST', `/api/pages/${page}/drawings/${drawing}/look`, { clean, level, tiles });
        const [column, row] = (response.headers.get('X-Awning-Place') ?? '').split(' ').map(Number);
        return {
            picture: await createImageBitmap(await response.blob()),
            first: Number.isNaN(column) ? null : { column, row },
        };
    },
    /** Lines out of an SVG file; nothing is changed by asking. */
    readLines: (page: number, svg: string) => json<InkStrokeData[]>('POST', `/api/pages/${page}/lines`, { svg }),
    /** What lines would become if they were made to meet. */
    tidyLines: (page: number, overshoot: number, gap: number) =>
        json<DrawnData[]>('POST', `/api/pages/${page}/lines/tidy`, { overshoot, gap }),
    /** Makes them meet. */
    tidyInk: (page: number, lease: string, overshoot: number, gap: number) =>
        json<TaskState>('POST', `/api/pages/${page}/tidy`, { lease, overshoot, gap }),
    linesUrl: (page: number) => `/api/pages/${page}/lines`,
    /** What dabs of materials mean for the regions around: material by region. */
    spreadCues: (page: number, dabs: [label: number, material: number, length: number][]) =>
        json<Record<string, number>>('POST', `/api/pages/${page}/cues`, { dabs }),
    /** What unfilled regions may be, by those of the page before: material by region. */
    asBefore: (page: number) => json<Record<string, number>>('GET', `/api/pages/${page}/before`),
    findings: (page: number) => json<FindingsData[]>('GET', `/api/pages/${page}/findings`),
    findRegions: (id: number, lease: string) => json<TaskState>('POST', `/api/pages/${id}/regions`, { lease }),
    /** A small picture of a file that a drawing came from. */
    originalUrl: (page: number, { original, picture }: Pick<DrawingData, 'original' | 'picture'>) =>
        `/api/pages/${page}/originals/${original}?picture=${picture}`,
    /** What was painted in a pass, the newest first. */
    passHistory: (id: number, pass: string) => json<PaintedState[]>('GET', `/api/pages/${id}/passes/${pass}/history`),
    /** Brings it back to how it was right after one of these; windows learn of it by their feed. */
    restorePass: (id: number, pass: string, entry: number) =>
        json<{ changed: boolean }>('POST', `/api/pages/${id}/passes/${pass}/history`, { entry }),
    /** A first light on a figure; degrees. */
    roughIn: (id: number, lease: string, figure: number, plan: LightPlanData, only: number[]) =>
        json<TaskState>('POST', `/api/pages/${id}/rough`, { lease, figure, plan, only }),
    /** On all figures that are on the page. */
    roughInAll: (id: number, lease: string, plan: LightPlanData) =>
        json<TaskState>('POST', `/api/pages/${id}/rough`, { lease, plan }),
    /** Occlusion alone, and the lines are hidden. */
    occludeLines: (id: number, lease: string, plan: LightPlanData) =>
        json<TaskState>('POST', `/api/pages/${id}/rough`, { lease, plan, lineless: true }),
    /** What it would do, worked out small; nothing is changed by asking. */
    tryLight: (id: number, figure: number, plan: LightPlanData, only: number[], fine: boolean) =>
        json<TriedLightState>('POST', `/api/pages/${id}/rough/preview`, { figure, plan, only, fine }),
    setups: (series: number) => json<SetupState[]>('GET', `/api/series/${series}/setups`),
    keepSetup: (series: number, name: string, passes: SetupPass[], op_id: string) =>
        json<SetupState[]>('POST', `/api/series/${series}/setups`, { name, passes, op_id }),
    changeSetup: (series: number, setup: number, passes: SetupPass[], op_id: string) =>
        json<SetupState[]>('PUT', `/api/series/${series}/setups/${setup}`, { passes, op_id }),
    /** The pages a setup hangs on. */
    setupFollowers: (series: number, setup: number) =>
        json<SetupFollowerState[]>('GET', `/api/series/${series}/setups/${setup}/followers`),
    /** What hangs from it on some pages becomes what it is now; before: what it was until it was changed. */
    followSetup: (series: number, setup: number, pages: number[], before: SetupPass[]) =>
        json<TaskState>('POST', `/api/series/${series}/setups/${setup}/follow`, {
            pages,
            known: before.length,
            before,
        }),
    setupFileUrl: (series: number, setup: number) => `/api/series/${series}/setups/${setup}/file`,
    takeSetup: (series: number, text: string, op_id: string) =>
        json<SetupState[]>('POST', `/api/series/${series}/setups/file`, { text, op_id }),
    marks: (page: number, passes: string[], labels: number[]) =>
        json<{ marks: (string | null)[] }>('POST', `/api/pages/${page}/marks`, { passes, labels }),
    deleteSetup: (series: number, setup: number, op_id: string) =>
        json<SetupState[]>('DELETE', `/api/series/${series}/setups/${setup}`, { op_id }),
    /** Brushes of a series; each answers all there are for it. */
    keepBrush: (series: number, name: string, brush: OwnBrush, op_id: string) =>
        json<BoxedBrush[]>('POST', `/api/series/${series}/brushes`, { name, brush, op_id }),
    deleteBrush: (series: number, brush: number, op_id: string) =>
        json<BoxedBrush[]>('DELETE', `/api/series/${series}/brushes/${brush}`, { op_id }),
    tipOf(series: number, picture: File): Promise<{ picture: string }> {
        const form = new FormData();
        form.set('picture', picture);
        return json<{ picture: string }>('POST', `/api/series/${series}/tips`, form);
    },
    /** Light plans; each answers the palette as the page shows it. */
    keepLight: (series: number, page: number, name: string, plan: LightPlanData, op_id: string) =>
        json<PaletteState>('POST', `/api/series/${series}/lights`, { page, name, plan, op_id }),
    changeLight: (series: number, page: number, { id, version }: LightState, change: LightChange, op_id: string) =>
        json<PaletteState>('PATCH', `/api/series/${series}/lights/${id}`, { page, version, ...change, op_id }),
    pickLight: (series: number, page: number, light: number | null) =>
        json<PaletteState>('PUT', `/api/series/${series}/pages/${page}/light`, { light }),
    enlarge: (id: number, lease: string, factor: number) =>
        json<TaskState>('POST', `/api/pages/${id}/enlarge`, { lease, factor }),
    deliver: (id: number, format: string) => json<TaskState>('POST', `/api/pages/${id}/deliver`, { format }),
    tasks: (id: number) => json<TaskState[]>('GET', `/api/pages/${id}/tasks`),
    task: (id: number) => json<TaskState>('GET', `/api/tasks/${id}`),
    stopTask: (id: number) => json<TaskState>('DELETE', `/api/tasks/${id}`),

    /** Tiles of one level, in the order asked for; null where empty. */
    async tiles(page: number, level: number, want: TilePlace[]): Promise<(NamedTile | null)[]> {
        const response = await send('POST', `/api/pages/${page}/tiles`, { level, want });
        return unpackTiles(await response.arrayBuffer());
    },
};
