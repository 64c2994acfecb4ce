/** The one place that knows the server's addresses. */
import type {
    AppliedState,
    CleanData,
    DerivationData,
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
    ManualChapter,
    FigureSurroundings,
    GradientData,
    MeasuredMoodState,
    MoodFollowerState,
    MoodState,
    MovedTone,
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
    ReferenceState,
    Role,
    SeriesCard,
    SeriesState,
    SessionState,
    SetupFollowerState,
    SetupState,
    TaskState,
    Tone,
    TriedLightState,
} from './generated';
import { headers, json, send } from './http';
import { unpackTiles, type NamedTile } from './packed';
import type { SeriesAnswer, SeriesOpInput, SeriesOpKind, SeriesOps } from './seriesOps';
import { withFiles, type PageTaskKind, type PageTasks, type SeriesTaskKind, type SeriesTasks } from './taskKinds';

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

/** How a change is asked for: under an id of its own, on a known revision, holding the page. */
export interface Asking {
    id: string;
    base: number;
    lease: string;
}

/** How a picture hangs on the board. */
export type Arrangement = Partial<Pick<ReferenceState, 'x' | 'y' | 'across' | 'mirrored' | 'grey'>>;

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
    /**
     * Changes what the pages of a series share.
     *
     * @param id asked for twice under one id, it is done once
     * @param page whose palette is answered
     */
    applyToSeries: <Kind extends SeriesOpKind>(
        series: number,
        kind: Kind,
        input: SeriesOpInput<Kind>,
        id: string,
        page?: number,
    ) =>
        json<SeriesAnswer<SeriesOps[Kind]['shown']>>('POST', `/api/series/${series}/ops`, {
            op_id: id,
            page,
            op: { kind, ...input },
        }),
    undoInSeries: (series: number, id: string) =>
        json<SeriesAnswer<PaletteState>>('POST', `/api/series/${series}/undo`, { op_id: id }),
    redoInSeries: (series: number, id: string) =>
        json<SeriesAnswer<PaletteState>>('POST', `/api/series/${series}/redo`, { op_id: id }),
    previewRule: (series: number, light: string, dials: DerivationData) =>
        json<Record<string, Record<Tone, string>>>('POST', `/api/series/${series}/rule/preview`, { light, dials }),
    palette: (series: number) => json<PaletteOverviewState>('GET', `/api/series/${series}/palette`),
    paletteHistory: (series: number) => json<HistoryEntryState[]>('GET', `/api/series/${series}/palette/history`),
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
    manual: () => json<ManualChapter[]>('GET', '/api/manual'),
    /** What each material looks like on a page; null while that is not measured. */
    pageColours: (page: number) => json<PageColoursState | null>('GET', `/api/pages/${page}/colours`),
    variants: (series: number) => json<PaletteVariantsState>('GET', `/api/series/${series}/variants`),
    versions: (series: number) => json<PaletteVersionsState>('GET', `/api/series/${series}/versions`),
    /** What differs between two versions; 0: the palette now. */
    compareVersions: (series: number, from: number, to: number) =>
        json<MovedTone[]>('GET', `/api/series/${series}/versions/compare?from=${from}&to=${to}`),
    /** A small picture of a page by a version of the palette; 0: by the palette now. */
    pageAsUrl: (series: number, page: number, version: number, state: string) =>
        `/api/series/${series}/pages/${page}/as/${version}?${state}`,
    nameVersion: (series: number, name: string) =>
        json<{ id: number }>('POST', `/api/series/${series}/versions`, { name }),
    paletteFile: (series: number, format: string): string => `/api/series/${series}/palette/file/${format}`,
    readPalette: (series: number, name: string, text: string) =>
        json<ImportRow[]>('POST', `/api/series/${series}/palette/file`, { name, text }),
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
    linesUrl: (page: number) => `/api/pages/${page}/lines`,
    /** What dabs of materials mean for the regions around: material by region. */
    spreadCues: (page: number, dabs: [label: number, material: number, length: number][]) =>
        json<Record<string, number>>('POST', `/api/pages/${page}/cues`, { dabs }),
    /** What unfilled regions may be, by those of the page before: material by region. */
    asBefore: (page: number) => json<Record<string, number>>('GET', `/api/pages/${page}/before`),
    findings: (page: number) => json<FindingsData[]>('GET', `/api/pages/${page}/findings`),
    /** A small picture of a file that a drawing came from. */
    originalUrl: (page: number, { original, picture }: Pick<DrawingData, 'original' | 'picture'>) =>
        `/api/pages/${page}/originals/${original}?picture=${picture}`,
    /** What was painted in a pass, the newest first. */
    passHistory: (id: number, pass: string) => json<PaintedState[]>('GET', `/api/pages/${id}/passes/${pass}/history`),
    /** Brings it back to how it was right after one of these; windows learn of it by their feed. */
    restorePass: (id: number, pass: string, entry: number) =>
        json<{ changed: boolean }>('POST', `/api/pages/${id}/passes/${pass}/history`, { entry }),
    /** What it would do, worked out small; nothing is changed by asking. */
    tryLight: (id: number, figure: number, plan: LightPlanData, only: number[], fine: boolean) =>
        json<TriedLightState>('POST', `/api/pages/${id}/rough/preview`, { figure, plan, only, fine }),
    moods: (series: number) => json<MoodState[]>('GET', `/api/series/${series}/moods`),
    /** Layers that bring a page near a picture on the board. */
    moodLike: (series: number, picture: number, page: number) =>
        json<MeasuredMoodState>('GET', `/api/series/${series}/references/${picture}/mood?page=${page}`),
    /** @param labels of the panel it stands in; none: the whole page */
    rainbow: (page: number, labels: number[]) => json<GradientData>('POST', `/api/pages/${page}/rainbow`, { labels }),
    surroundings: (page: number) => json<FigureSurroundings[]>('GET', `/api/pages/${page}/surroundings`),
    moodFollowers: (series: number, key: string) =>
        json<MoodFollowerState[]>('GET', `/api/series/${series}/moods/${key}/followers`),
    moodFileUrl: (series: number, key: string) => `/api/series/${series}/moods/${key}/file`,
    /** @param state of what lies beneath: with another one the picture is made anew */
    /** @param key of a mood; `shown`: as the page is shown now */
    moodPictureUrl: (page: number, key: string, state: string, size: 'small' | 'large' = 'small') =>
        `/api/pages/${page}/moods/${key}?size=${size}&${state}`,
    setups: (series: number) => json<SetupState[]>('GET', `/api/series/${series}/setups`),
    /** The pages a setup hangs on. */
    setupFollowers: (series: number, setup: number) =>
        json<SetupFollowerState[]>('GET', `/api/series/${series}/setups/${setup}/followers`),
    setupFileUrl: (series: number, setup: number) => `/api/series/${series}/setups/${setup}/file`,
    marks: (page: number, passes: string[], labels: number[]) =>
        json<{ marks: (string | null)[] }>('POST', `/api/pages/${page}/marks`, { passes, labels }),
    tipOf(series: number, picture: File): Promise<{ picture: string }> {
        const form = new FormData();
        form.set('picture', picture);
        return json<{ picture: string }>('POST', `/api/series/${series}/tips`, form);
    },
    /** Begins long work on a page; files among the input are sent along. */
    begin: <Kind extends PageTaskKind>(page: number, kind: Kind, input: PageTasks[Kind]) =>
        json<TaskState>('POST', `/api/pages/${page}/tasks/${kind}`, withFiles(input)),
    beginForSeries: <Kind extends SeriesTaskKind>(series: number, kind: Kind, input: SeriesTasks[Kind]) =>
        json<TaskState>('POST', `/api/series/${series}/tasks/${kind}`, withFiles(input)),
    tasks: (id: number) => json<TaskState[]>('GET', `/api/pages/${id}/tasks`),
    task: (id: number) => json<TaskState>('GET', `/api/tasks/${id}`),
    stopTask: (id: number) => json<TaskState>('DELETE', `/api/tasks/${id}`),

    /** Tiles of one level, in the order asked for; null where empty. */
    async tiles(page: number, level: number, want: TilePlace[]): Promise<(NamedTile | null)[]> {
        const response = await send('POST', `/api/pages/${page}/tiles`, { level, want });
        return unpackTiles(await response.arrayBuffer());
    },
};
