/** One page open in one window: the store, and everything that keeps it and the server's page the same. */
import { api, type FigureChange, type ImportData, type LightChange, type NewPass, type Op, type OwnBrush } from '../api/client';
import type {
    AppliedState,
    BoxedBrush,
    CleanData,
    DrawingValues,
    DrawnData,
    FeedState,
    FindingData,
    FlowPoint,
    GroupData,
    InkStrokeData,
    LightPlanData,
    LightState,
    LinesData,
    MaterialState,
    PageStateData,
    PaletteState,
    PassData,
    PassPlaceData,
    RegionData,
    PlacementData,
    RecordsState,
    ScopeData,
    SetupState,
    ShapeInput,
    ShapeUse,
    ShiftData,
    Solid,
    TakenRow,
    TaskState,
    TriedLightState,
    Tone,
} from '../api/generated';
import { Failure } from '../api/http';
import { buildStack } from '../picture/stack';
import { TileCache } from '../picture/tiles';
import { Feed } from './feed';
import { randomId } from './ids';
import { Lease } from './lease';
import { Outbox } from './outbox';
import { DatabaseStorage, type OutboxEntry, type OutboxStorage } from './outboxStorage';
import { withRecords } from './records';
import { createPageStore, opened, type PageStore, type PageView } from './store';
import { Tasks } from './tasks';
import { asMade, isSameStanding, roughId } from './target';
import { touchedBy } from './touched';

const LONGEST_NAME = 60;

/** What a mask looks like when it is let down. */
const MASK_COLOUR = '#c2406a';

export class PageSession {
    readonly store: PageStore;
    readonly tiles: TileCache;
    readonly outbox: Outbox;
    readonly lease: Lease;
    private readonly feed: Feed;
    private readonly tasks: Tasks;
    /** Tiles the server has changed while strokes drawn onto them were still waiting. */
    private readonly stale: [string, number, number][] = [];
    private ended = false;

    constructor(state: PageStateData, user: number, storage: OutboxStorage = new DatabaseStorage()) {
        this.store = createPageStore(state);
        this.tiles = new TileCache(state.id, state.tiles, (error) => this.report(error));
        this.lease = new Lease(state.id, () => this.leaseChanged());
        this.tasks = new Tasks(
            state.id,
            () => this.store.setState({ task: this.tasks.current }),
            (task) => this.taskFinished(task),
            (error) => this.report(error),
        );
        this.feed = new Feed(state.id, {
            known: () => ({ revision: this.view.revision, palette: this.view.palette.version }),
            holds: () => this.lease.held,
            busy: () => this.outbox.saving === 'sending',
            news: (feed) => this.news(feed),
        });
        this.outbox = new Outbox(state.id, user, storage, {
            send: (entry) => this.send(entry),
            applied: (_, applied) => this.accept(applied, applied.journal),
            refused: (entry, message) => void this.refused(entry, message),
            catchUp: () => this.feed.catchUp(),
            lost: () => this.lease.set(false, this.view.holder),
            changed: () => this.outboxChanged(),
        });
    }

    get view(): PageView {
        return this.store.getState();
    }

    async start(): Promise<void> {
        window.addEventListener('pagehide', this.end);
        window.addEventListener('online', this.online);
        if (this.view.role !== 'viewer') this.lease.start();
        void this.feed.start();
        void this.tasks.resume();
        await this.outbox.resume();
    }

    end = (): void => {
        if (this.ended) return;
        this.ended = true;
        window.removeEventListener('pagehide', this.end);
        window.removeEventListener('online', this.online);
        this.feed.end();
        this.tasks.end();
        this.outbox.end();
        this.lease.end();
    };

    private online = (): void => this.outbox.retry();

    say(message: string | null): void {
        this.store.setState({ message });
    }

    report(error: unknown): void {
        this.say(error instanceof Error ? error.message : 'Something went wrong. Reload the page.');
    }

    // ---- changes: shown at once, then sent ----------------------------------------------------------------------------

    fill(labels: number[], material: MaterialState | null): void {
        const region = { ...this.view.records.region };
        const figure = material?.figure ?? 0;
        for (const label of labels) {
            if (region[label] !== undefined) region[label] = { ...region[label], figure, material: material?.id ?? 0 };
        }
        this.show({ region });
        this.ask({ kind: 'fill', labels, figure, material: material?.id ?? 0 });
    }

    /** Fills what lies wholly inside a loop; which regions that are, the server sees. */
    fillInside(outline: [number, number][], material: MaterialState, unfilledOnly: boolean): void {
        this.ask({ kind: 'fill.inside', outline, figure: material.figure, material: material.id, unfilled: unfilledOnly });
    }

    /** Flats laid by hand; which regions they become, the server sees. */
    shapeRegions(use: ShapeUse, shape: Pick<ShapeInput, 'outline' | 'pen' | 'into'>, material: MaterialState | null): void {
        this.ask({ kind: 'flats.shape', use, ...shape, figure: material?.figure ?? 0, material: material?.id ?? 0 });
    }

    /** Grows regions by so many px; below 0 shrinks them; 0 fills their holes. */
    resizeRegions(labels: number[], by: number): void {
        this.ask({ kind: 'flats.resize', labels, by });
    }

    joinRegions(labels: number[]): void {
        this.ask({ kind: 'flats.join', labels });
    }

    /** Crumbs go to the neighbour they are least parted from. */
    absorbRegions(labels: number[]): void {
        this.ask({ kind: 'flats.absorb', labels });
    }

    absorbStrays(places: [number, number][]): void {
        this.ask({ kind: 'flats.strays', places });
    }

    /** What is odd about the flats; null when it could not be told. */
    async findings(): Promise<FindingData[] | null> {
        return this.told(() => api.findings(this.view.id));
    }

    lockRegions(labels: number[], locked: boolean): void {
        const region = { ...this.view.records.region };
        for (const label of labels) if (region[label] !== undefined) region[label] = { ...region[label], locked };
        this.show({ region });
        this.ask({ kind: 'flats.lock', labels, locked });
    }

    /** @param variant 0: the palette as it is; null: what the whole page wears */
    dress(labels: number[], variant: number | null): void {
        const region = { ...this.view.records.region };
        for (const label of labels) if (region[label] !== undefined) region[label] = { ...region[label], wears: variant };
        this.show({ region });
        this.ask({ kind: 'variant.wear', labels, variant });
    }

    /** Shows how a shift that is still being dragged would look. */
    previewShift(id: string, labels: number[], values: ShiftData): void {
        const region = { ...this.view.records.region };
        for (const label of labels) if (region[label] !== undefined) region[label] = { ...region[label], shift: id };
        this.show({ region, shift: { ...this.view.records.shift, [id]: values } });
    }

    /** Shifts a material's colours on this page, in these regions; values of nothing take it back. */
    shiftColours(id: string, labels: number[], values: ShiftData): void {
        this.previewShift(id, labels, values);
        this.ask({ kind: 'colour.shift', id, labels, values });
    }

    /** What dabs of materials mean for all regions; null when it could not be told. */
    async meantBy(dabs: [number, number, number][]): Promise<Record<string, number> | null> {
        return this.told(() => api.spreadCues(this.view.id, dabs));
    }

    /** What unfilled regions may be, by those of the page before; null when it could not be told. */
    async asBefore(): Promise<Record<string, number> | null> {
        return this.told(() => api.asBefore(this.view.id));
    }

    drawBridge(ends: [number, number, number, number]): void {
        this.ask({ kind: 'bridges', draw: ends, bridge: null, as: null });
    }

    /** A bridge is kept, or not made any more. */
    decideBridge(number: string, kind: 'kept' | 'refused'): void {
        const bridge = this.view.records.bridge[number];
        if (bridge === undefined) return;
        this.show({ bridge: { ...this.view.records.bridge, [number]: { ...bridge, kind } } });
        this.ask({ kind: 'bridges', draw: null, bridge: Number(number), as: kind });
    }

    /** Gaps up to so many px are bridged without asking. */
    limitBridges(longest: number): void {
        this.ask({ kind: 'bridges.limit', longest });
    }

    addPass(pass: NewPass): void {
        const id = randomId(12);
        this.showPass(id, pass);
        this.ask({ kind: 'pass.add', id, pass });
    }

    /** Shows a pass before the server has heard of it. */
    showPass(id: string, pass: NewPass): void {
        const { records, rules } = this.view;
        if (records.pass[id] === undefined) this.show({ pass: { ...records.pass, [id]: asMade(rules, records, pass) } });
    }

    /** A pass that was shown for a stroke that was called off. */
    hidePass(id: string): void {
        const pass = { ...this.view.records.pass };
        delete pass[id];
        this.show({ pass });
    }

    /** Shows what a slider that is still moving would make of a pass. */
    previewPass(id: string, values: Partial<PassData>): void {
        const { pass } = this.view.records;
        if (pass[id] !== undefined) this.show({ pass: { ...pass, [id]: { ...pass[id], ...values } } });
    }

    previewGroup(id: string, values: Partial<GroupData>): void {
        const { group } = this.view.records;
        if (group[id] !== undefined) this.show({ group: { ...group, [id]: { ...group[id], ...values } } });
    }

    changePass(id: string, values: Partial<PassData>): void {
        this.previewPass(id, values);
        this.ask({ kind: 'pass.change', id, values });
    }

    removePass(id: string): void {
        this.hidePass(id);
        this.ask({ kind: 'pass.remove', id });
    }

    /**
     * Hangs the passes of a setup on a figure, or on one material of it.
     *
     * @param labels regions in which what it holds is painted; that comes with the server's answer
     */
    hangSetup({ id, name, passes }: SetupState, figure: number, scope: ScopeData, labels: number[]): void {
        const ids = passes.map(({ rough }) => (rough === null ? randomId(12) : roughId(figure, rough)));
        passes.forEach((pass, place) => {
            // What a first light fills hangs there already, or comes with the server's answer.
            if (pass.rough === null)
                this.showPass(ids[place], { ...pass, figure, scope, setup: id === 0 ? null : { setup: id, place, marked: labels } });
        });
        this.ask({ kind: 'setup.hang', name, figure, scope, ids, passes, labels, setup: id });
    }

    /** Makes passes part of a setup that holds them by now, from a place on; marked: the regions it is painted in here. */
    joinSetup(setup: number, passes: string[], first: number, marked: number[]): void {
        passes.forEach((id, i) => this.previewPass(id, { setup: { setup, place: first + i, marked } }));
        this.ask({ kind: 'setup.join', passes, setup, first, marked });
    }

    /** What is painted in passes inside some regions, for a setup. */
    async marksOf(passes: string[], labels: number[]): Promise<(string | null)[] | null> {
        return (await this.told(() => api.marks(this.view.id, passes, labels)))?.marks ?? null;
    }

    /** Hangs a pass once more; what is painted in it comes with the server's answer. */
    copyPass(id: string, from: string): void {
        const pass = this.view.records.pass[from];
        this.showPass(id, { ...pass, group: null, setup: null, name: `${pass.name}, copy` });
        this.ask({ kind: 'pass.copy', id, from });
    }

    /** Hangs a rolled-up pass that hides another wherever it is painted in. */
    paintMask(id: string, mask: string): string {
        const pass = this.newMask(id);
        this.showPass(mask, pass);
        this.ask({ kind: 'pass.add', id: mask, pass });
        this.changePass(id, { mask: { pass: mask, outside: true } });
        return mask;
    }

    /**
     * Keeps a pass to some regions, by a mask that covers them.
     *
     * @param fade px over which it fades toward their border
     */
    keepTo(id: string, labels: number[], fade = 0): void {
        const mask = randomId(12);
        const make = this.newMask(id);
        this.showPass(mask, make);
        this.ask({ kind: 'paint.pour', laying: { pass: mask, make, erase: false, colour: null, opacity: 1, inside: [] }, labels, fade });
        this.changePass(id, { mask: { pass: mask, outside: false } });
    }

    /** Gives what a pass is kept to a soft edge; how that looks comes with the server's answer. */
    softenMask(id: string, by: number): void {
        this.ask({ kind: 'mask.soften', id, mask: randomId(12), by });
    }

    private newMask(of: string): NewPass {
        const { name, figure, scope } = this.view.records.pass[of];
        return { name: `Mask of ${name}`.slice(0, LONGEST_NAME), figure, kind: 'tint', colour: MASK_COLOUR, scope, visible: false };
    }

    /**
     * Lays a pass into the one below it; how that looks comes with the server's answer.
     *
     * @param copy the id of a pass that becomes what both are, while they stay under it; null: the lower one does
     */
    mergePass(id: string, into: string, copy: string | null = null): void {
        this.ask({ kind: 'pass.merge', id, into, copy });
    }

    /** Hangs passes elsewhere, at once. */
    orderPasses(passes: PassPlaceData[]): void {
        for (const { id, order } of passes) this.previewPass(id, { order });
        this.ask({ kind: 'pass.order', passes });
    }

    /** Takes passes together so that they blend among themselves first; with how null, parts them. */
    group(id: string, passes: string[], how: GroupData | null): void {
        if (how !== null) this.previewGroup(id, how);
        this.ask({ kind: 'group', id, passes, how });
    }

    stroke(op: Extract<Op, { kind: 'stroke' }>): void {
        if (op.make !== null) this.showPass(op.pass, op.make);
        this.ask(op);
    }

    /** What the tools of the Light stage do beside strokes; what can be shown before is shown already. */
    paint(op: Extract<Op, { kind: PaintKind }>): void {
        if ('laying' in op && op.laying.make !== null) this.showPass(op.laying.pass, op.laying.make);
        this.ask(op);
    }

    /** Puts paint that was taken along into a pass; how that looks comes with the server's answer. */
    placePaint(placed: Omit<Extract<Op, { kind: 'paint.place' }>, 'kind'>): void {
        if (placed.make !== null) this.showPass(placed.pass, placed.make);
        this.ask({ kind: 'paint.place', ...placed });
    }

    startPage(width: number, height: number, dpi: number): void {
        this.show({ page: { page: { width, height, dpi, behind: false, lines: { rule: 'black', colour: '#111111', shown: true } } } });
        this.ask({ kind: 'page.start', width, height, dpi });
    }

    /** Lines drawn, changed or, with null, taken away. */
    drawInk(strokes: DrawnData[]): void {
        const stroke = { ...this.view.records.stroke };
        for (const { id, stroke: drawn } of strokes) {
            if (drawn === null) delete stroke[id];
            else stroke[id] = drawn;
        }
        this.show({ stroke });
        this.ask({ kind: 'ink.draw', strokes });
    }

    /** Draws lines that are new; gives back what they are known by. */
    addLines(strokes: InkStrokeData[]): string[] {
        const drawn = strokes.map((stroke) => ({ id: randomId(12), stroke }));
        for (let from = 0; from < drawn.length; from += LINES_AT_ONCE) this.drawInk(drawn.slice(from, from + LINES_AT_ONCE));
        return drawn.map(({ id }) => id);
    }

    /** What lines would become if they were made to meet: to look at before it is done. */
    async tidied(overshoot: number, gap: number): Promise<DrawnData[]> {
        return (await this.told(() => api.tidyLines(this.view.id, overshoot, gap))) ?? [];
    }

    /** Makes lines meet, as tidied() shows. */
    tidy(overshoot: number, gap: number): Promise<TaskState | null> {
        return this.begin(() => api.tidyInk(this.view.id, this.lease.token, overshoot, gap));
    }

    /** Draws the lines of an SVG file. */
    async drawLinesOf(svg: File): Promise<string[]> {
        try {
            return this.addLines(await api.readLines(this.view.id, await svg.text()));
        } catch (error) {
            this.report(error);
            return [];
        }
    }

    previewLines(change: Partial<LinesData>): void {
        const { page } = this.view.records.page;
        if (page !== undefined) this.show({ page: { page: { ...page, lines: { ...page.lines, ...change } } } });
    }

    colourLines(change: Partial<LinesData>): void {
        this.previewLines(change);
        const { page } = this.view.records.page;
        if (page !== undefined) this.ask({ kind: 'lines.colour', lines: page.lines });
    }

    previewDrawing(id: string, values: DrawingValues): void {
        const { drawing } = this.view.records;
        if (drawing[id] !== undefined) this.show({ drawing: { ...drawing, [id]: { ...drawing[id], ...values } } });
    }

    changeDrawing(id: string, values: DrawingValues): void {
        this.previewDrawing(id, values);
        this.ask({ kind: 'drawing.change', id, values });
    }

    removeDrawing(id: string): void {
        const drawing = { ...this.view.records.drawing };
        delete drawing[id];
        this.show({ drawing });
        this.ask({ kind: 'drawing.remove', id });
    }

    undo(): void {
        this.outbox.add({ kind: 'undo' });
    }

    redo(): void {
        this.outbox.add({ kind: 'redo' });
    }

    /** An answer that changes nothing here; null when there is none, and then the person has been told why. */
    private async told<T>(asked: () => Promise<T>): Promise<T | null> {
        try {
            return await asked();
        } catch (error) {
            this.report(error);
            return null;
        }
    }

    /** Brings a pass back to how it was painted once; seen as soon as the server tells of it. */
    async restorePass(id: string, entry: number): Promise<void> {
        const done = await this.told(() => api.restorePass(this.view.id, id, entry));
        if (done !== null) await this.feed.catchUp().catch((error: unknown) => this.report(error));
    }

    private ask(op: Op): void {
        this.outbox.add({ kind: 'op', op });
    }

    // ---- palette --------------------------------------------------------------------------------------------------------

    async pin(material: MaterialState, tone: Tone, colour: string | null): Promise<void> {
        if (colour !== null) this.showMaterial({ ...material, tones: { ...material.tones, [tone]: colour } });
        try {
            const answer = await api.pin(
                this.view.series.id,
                material.id,
                material.version,
                { [tone]: colour },
                randomId(20),
                this.view.id,
            );
            this.showMaterial(answer.material, answer.version);
        } catch (error) {
            const theirs = error instanceof Failure ? (error.details.theirs as MaterialState | undefined) : undefined;
            this.showMaterial(theirs ?? material);
            this.report(error);
        }
    }

    showMaterial(material: MaterialState, version = this.view.palette.version): void {
        const figures = this.view.palette.figures.map((figure) => ({
            ...figure,
            materials: figure.materials.map((other) => (other.id === material.id ? material : other)),
        }));
        this.update({ palette: { ...this.view.palette, version, figures } });
    }

    // ---- long work ------------------------------------------------------------------------------------------------------

    /** @param drawing the id of the one to replace; none: each file is one more drawing */
    async importScans(scans: File[], drawing: string | null = null): Promise<void> {
        const failed: string[] = [];
        for (const scan of scans) {
            const isFirst = Object.keys(this.view.records.drawing).length === 0;
            const id = drawing ?? (isFirst ? FIRST_DRAWING : randomId(12));
            const task = await this.begin(() => api.importScan(this.view.id, this.lease.token, scan, id));
            // A file that is cut short asks; the others wait for the answer.
            if (task !== null && task.question !== null) return;
            if (task?.state !== 'done') failed.push(`${scan.name}: ${task?.message ?? this.view.message ?? 'not sent.'}`);
            if (task?.state === 'stopped') break;
        }
        if (scans.length > 1 && failed.length > 0)
            this.say(`${scans.length - failed.length} of ${scans.length} files were imported. ${failed.join(' ')}`);
    }

    /** Imports a file that is kept already. */
    importWaiting(original: number, how: ImportData = {}): Promise<TaskState | null> {
        return this.begin(() => api.importWaiting(this.view.id, this.lease.token, original, how));
    }

    /** Cleans and lays a drawing anew, from its original. */
    clean(drawing: string, clean: CleanData, place: PlacementData): Promise<TaskState | null> {
        return this.begin(() => api.clean(this.view.id, this.lease.token, drawing, clean, place));
    }

    /** What that would do; nothing is changed by asking. */
    async tryLight(figure: number, plan: LightPlanData, only: number[], isFine: boolean): Promise<TriedLightState | null> {
        try {
            return await api.tryLight(this.view.id, figure, plan, only, isFine);
        } catch (error) {
            this.report(error);
            return null;
        }
    }

    /** @param only regions it is worked out for; none: all of the figure */
    roughIn(figure: number, plan: LightPlanData, only: number[] = []): Promise<TaskState | null> {
        return this.begin(() => api.roughIn(this.view.id, this.lease.token, figure, plan, only));
    }

    roughInAll(plan: LightPlanData): Promise<TaskState | null> {
        return this.begin(() => api.roughInAll(this.view.id, this.lease.token, plan));
    }

    /** Hides the lines, and lets occlusion on every figure take their place. */
    occludeLines(plan: LightPlanData): Promise<TaskState | null> {
        return this.begin(() => api.occludeLines(this.view.id, this.lease.token, plan));
    }

    /** Under which light plan the page stands. */
    async pickLight(light: number | null): Promise<void> {
        await this.lights(api.pickLight(this.view.series.id, this.view.id, light));
    }

    /** Keeps a light plan with the series; the page stands under it from then on. */
    async keepLight(name: string, plan: LightPlanData): Promise<void> {
        const known = new Set(this.view.palette.lights.map(({ id }) => id));
        await this.lights(api.keepLight(this.view.series.id, this.view.id, name, plan, randomId(20)));
        const made = this.view.palette.lights.find(({ id, name: named }) => named === name && !known.has(id));
        if (made !== undefined) await this.pickLight(made.id);
    }

    async changeLight(light: LightState, change: LightChange): Promise<void> {
        await this.lights(api.changeLight(this.view.series.id, this.view.id, light, change, randomId(20)));
    }

    private async lights(asked: Promise<PaletteState>): Promise<void> {
        try {
            this.update({ palette: await asked });
        } catch (error) {
            this.report(error);
        }
    }

    /** What regions are taken for when light is roughed in. */
    tellSolid(labels: number[], solid: Solid): void {
        this.showRegions(labels, { solid: solid === 'round' ? null : solid });
        this.ask({ kind: 'light.solid', labels, solid });
    }

    /** Whether regions stand before the rest of their figure, and throw a shadow on it when light is roughed in. */
    standBefore(labels: number[], before: boolean): void {
        this.showRegions(labels, { before });
        this.ask({ kind: 'light.before', labels, before });
    }

    /**
     * Which way strands or folds run in regions, in parts of the page's width and height, beside what is told of that already;
     * null: that is not told any more.
     */
    tellFlow(labels: number[], line: FlowPoint[] | null): void {
        this.showRegions(labels, ({ flow }) => ({ flow: line === null ? null : [...(flow ?? []), line] }));
        this.ask({ kind: 'light.flow', labels, line, more: true });
    }

    /** Puts regions under another light plan than the rest of the page; null: as the page stands. */
    standUnder(labels: number[], plan: number | null): void {
        this.showRegions(labels, { stands: plan });
        this.ask({ kind: 'light.stand', labels, plan });
    }

    /** Regions as they will be, before the server has answered. */
    private showRegions(labels: number[], values: Partial<RegionData> | ((was: RegionData) => Partial<RegionData>)): void {
        const region = { ...this.view.records.region };
        const become = typeof values === 'function' ? values : () => values;
        for (const label of labels) if (region[label] !== undefined) region[label] = { ...region[label], ...become(region[label]) };
        this.show({ region });
    }

    /** A picture as a brush tip. */
    async tipOf(picture: File): Promise<string | null> {
        return (await this.told(() => api.tipOf(this.view.series.id, picture)))?.picture ?? null;
    }

    /** Keeps a brush with the series; gives it back as it is kept. */
    async keepBrush(name: string, brush: OwnBrush): Promise<BoxedBrush | null> {
        const brushes = await this.told(() => api.keepBrush(this.view.series.id, name, brush, randomId(20)));
        if (brushes !== null) this.store.setState({ brushes });
        return brushes?.[brushes.length - 1] ?? null;
    }

    async deleteBrush(id: number): Promise<void> {
        const brushes = await this.told(() => api.deleteBrush(this.view.series.id, id, randomId(20)));
        if (brushes !== null) this.store.setState({ brushes });
    }

    findRegions(): Promise<TaskState | null> {
        return this.begin(() => api.findRegions(this.view.id, this.lease.token));
    }

    /** Takes over somebody's flats from a picture; what its colours were matched to is kept to be settled. */
    async takeFlats(flats: File): Promise<void> {
        const task = await this.begin(() => api.takeFlats(this.view.id, this.lease.token, flats));
        if (task?.state === 'done') this.store.setState({ taken: task.report });
    }

    /** Settles a row of what was taken over: its regions are of a material. */
    settleTaken(row: TakenRow, material: MaterialState): void {
        this.fill(row.labels, material);
        const { taken } = this.view;
        if (taken === null) return;
        const rows = taken.rows.map((one) => (one.colour === row.colour ? { ...one, material: material.id } : one));
        this.store.setState({ taken: { ...taken, rows } });
    }

    /** A new material of a figure, in a colour that was taken over. */
    async addMaterial(figure: number, name: string, base: string): Promise<MaterialState | null> {
        try {
            const { id, palette } = await api.addMaterial(this.view.series.id, figure, name, base, randomId(20), this.view.id);
            this.update({ palette });
            return palette.figures.flatMap(({ materials }) => materials).find((material) => material.id === id) ?? null;
        } catch (error) {
            this.report(error);
            return null;
        }
    }

    /** Another name for a figure, another place in the depth of all pages, or a soft outer edge. */
    async changeFigure(figure: number, change: FigureChange): Promise<void> {
        try {
            this.update({ palette: await api.changeFigure(this.view.series.id, figure, change, randomId(20), this.view.id) });
        } catch (error) {
            this.report(error);
        }
    }

    /**
     * Gives regions to a figure, each with its material, which the figure gets where it has none of that name.
     *
     * @param figure null: a new one of this name
     */
    async giveTo(labels: number[], figure: number | null, name: string): Promise<void> {
        const used = [...new Set(labels.map((label) => this.view.records.region[label]?.material ?? 0))].filter((material) => material > 0);
        const names = new Map(this.view.palette.figures.flatMap(({ materials }) => materials.map((one) => [one.id, one.name] as const)));
        try {
            const series = this.view.series.id;
            const taker = figure ?? (await api.addFigure(series, name, randomId(20))).id;
            const palette = await api.copyMaterials(series, taker, used, randomId(20), this.view.id);
            this.update({ palette });
            const own = palette.figures.find(({ id }) => id === taker)?.materials ?? [];
            for (const material of used) {
                const copy = own.find((one) => one.name === names.get(material));
                const of = labels.filter((label) => this.view.records.region[label]?.material === material);
                if (copy !== undefined) this.fill(of, copy);
            }
        } catch (error) {
            this.report(error);
        }
    }

    forgetTaken(): void {
        this.store.setState({ taken: null });
    }

    enlarge(factor: number): Promise<TaskState | null> {
        return this.begin(() => api.enlarge(this.view.id, this.lease.token, factor));
    }

    deliver(format: string): Promise<TaskState | null> {
        return this.begin(() => api.deliver(this.view.id, format));
    }

    stopTask(): Promise<void> {
        return this.tasks.stop();
    }

    dismissTask(): void {
        this.tasks.dismiss();
    }

    private begin(ask: () => Promise<TaskState>): Promise<TaskState | null> {
        this.say(null);
        return this.tasks.begin(ask);
    }

    private async taskFinished(task: TaskState): Promise<void> {
        if (task.state === 'failed' && task.question === null) this.say(task.message);
        if (task.state === 'done' && task.kind !== 'deliver') {
            // What the person should know of it.
            if (task.message !== 'Done') this.say(task.message);
            this.tasks.dismiss();
            await this.feed.catchUp().catch((error: unknown) => this.report(error));
        }
    }

    // ---- the server's side ------------------------------------------------------------------------------------------------

    /** Fetches the page whole: when differences cannot be told any more. */
    async reload(): Promise<void> {
        let state = await api.page(this.view.id);
        // A change may have been answered while this was on its way: what is older than what is shown is fetched again. If it
        // stays older, the server's page was put back.
        for (let tries = 0; state.revision < this.view.revision && tries < RELOADS; tries++) state = await api.page(this.view.id);
        this.tiles.replaceNames(state.tiles);
        this.stale.length = 0;
        this.store.setState(opened(state));
    }

    private send(entry: OutboxEntry) {
        const asking = { id: entry.id, base: this.view.revision, lease: this.lease.token };
        switch (entry.change.kind) {
            case 'op':
                return api.apply(entry.page, asking, entry.change.op);
            case 'undo':
                return api.undo(entry.page, asking);
            case 'redo':
                return api.redo(entry.page, asking);
        }
    }

    private accept(applied: Pick<AppliedState, 'revision' | 'tiles' | 'records'>, journal: PageView['journal'] | null): void {
        // The feed may have told of it before the answer came.
        const isNews = applied.revision > this.view.revision;
        if (isNews) {
            for (const [layer, column, row, hash] of applied.tiles) {
                this.tiles.rename(layer, column, row, hash);
                this.stale.push([layer, column, row]);
            }
        }
        // Nor is it news where a change that still waits has gone further already.
        const waiting = new Set(this.outbox.waiting.flatMap(({ change }) => (change.kind === 'op' ? touchedBy(change.op) : [])));
        const told = applied.revision < this.view.revision ? [] : applied.records.filter(([kind, key]) => !waiting.has(`${kind} ${key}`));
        const records = told.length > 0 ? withRecords(this.view.records, told) : this.view.records;
        this.update({ revision: Math.max(applied.revision, this.view.revision), journal: journal ?? this.view.journal, records });
        this.refreshStale();
    }

    private async news(feed: FeedState): Promise<void> {
        if (!this.lease.held) this.lease.set(false, feed.holder?.name ?? null);
        if (feed.reset) return this.reload();
        if (feed.paletteState !== null) {
            // What became another's, or somebody else's, is so on the page as well.
            if (!isSameStanding(this.view.palette, feed.paletteState)) return this.reload();
            this.update({ palette: feed.paletteState });
        }
        if (feed.revision !== this.view.revision) this.accept(feed, feed.journal);
    }

    private async refused(entry: OutboxEntry, message: string): Promise<void> {
        this.say(`${titleOf(entry)} was not done. ${message}`);
        // What was shown of it is taken back: the server's page is the true one.
        await this.reload().catch(() => undefined);
        this.tiles.dropLocal();
    }

    /** Strokes still waiting were drawn onto these tiles; they stay as they look until the last one is in. */
    private refreshStale(): void {
        if (this.outbox.waiting.some((entry) => entry.change.kind === 'op' && DRAWN.has(entry.change.op.kind))) return;
        for (const [layer, column, row] of this.stale.splice(0)) this.tiles.forget(layer, column, row);
    }

    private leaseChanged(): void {
        this.store.setState({ held: this.lease.held, holder: this.lease.holder });
        if (this.lease.held) this.outbox.retry();
    }

    private outboxChanged(): void {
        this.store.setState({ saving: this.outbox.saving, unsent: this.outbox.waiting.length });
        if (this.outbox.saving === 'saved') this.refreshStale();
    }

    private show(records: Partial<RecordsState>): void {
        this.update({ records: { ...this.view.records, ...records } });
    }

    private update(change: Partial<PageView>): void {
        const next = { ...this.view, ...change };
        const isSame = next.records === this.view.records && next.palette === this.view.palette;
        this.store.setState(isSame ? change : { ...change, stack: buildStack(next.records, next.palette) });
    }
}

/** The drawing of a page that has only one. */
export const FIRST_DRAWING = 'drawing1';

/** How often a page that is older than what is shown is fetched again. */
const RELOADS = 5;

/** Lines that one op draws. */
const LINES_AT_ONCE = 200;

type PaintKind = 'paint.shape' | 'paint.pour' | 'paint.ramp' | 'pass.soften' | 'paint.drag' | 'paint.move';

/** Ops that were shown in tiles before the server had them. */
const DRAWN = new Set<Op['kind']>(['stroke', 'ink.draw', 'paint.shape', 'paint.pour', 'paint.ramp', 'paint.drag']);

const TITLES: Record<Op['kind'], string> = {
    'fill.inside': 'The loop',
    'flats.shape': 'The shape',
    'flats.resize': 'Growing or shrinking',
    'flats.join': 'Joining the regions',
    'flats.lock': 'The lock',
    'flats.absorb': 'Giving crumbs away',
    'flats.strays': 'Giving stray pixels away',
    'colour.shift': 'The colour shift',
    'variant.wear': 'The variant',
    bridges: 'The bridge',
    'bridges.limit': 'The limit of bridges',
    fill: 'The fill',
    stroke: 'The stroke',
    'paint.shape': 'The block',
    'paint.pour': 'The pour',
    'paint.ramp': 'The ramp',
    'pass.soften': 'Softening',
    'mask.soften': 'The soft edge',
    'paint.drag': 'The drag',
    'paint.move': 'Moving the paint',
    'paint.place': 'The paint that was taken along',
    'light.solid': 'What regions are taken for',
    'light.before': 'What stands before the rest',
    'light.flow': 'The direction that was drawn',
    'light.stand': 'The light of those regions',
    'pass.add': 'The new pass',
    'setup.hang': 'The setup',
    'setup.join': 'The setup',
    'pass.copy': 'Duplicating the pass',
    'pass.merge': 'Merging the passes',
    'pass.change': 'The change to the pass',
    'pass.remove': 'Removing the pass',
    group: 'The grouping',
    'pass.order': 'The new order of passes',
    'page.start': 'The empty page',
    'drawing.change': 'The change to the drawing',
    'drawing.remove': 'Taking the drawing off',
    'ink.draw': 'The line',
    'lines.colour': 'The colour of the lines',
};

function titleOf(entry: OutboxEntry): string {
    return entry.change.kind === 'op' ? TITLES[entry.change.op.kind] : entry.change.kind === 'undo' ? 'The undo' : 'The redo';
}
