/** Long work on the page that is asked for here and done by the server's readers. */
import { api } from '../api/client';
import type { ImportData, PageTaskKind, PageTasks } from '../api/taskKinds';
import type { CleanData, LightPlanData, MaterialState, PlacementData, TakenRow, TaskState } from '../api/generated';
import { fillRegions } from './ops/flats/fillRegions';
import { filledWith } from './ops/shown';
import { randomId } from './ids';
import type { PageSession } from './session';
import type { Tasks } from './tasks';

/** The drawing of a page that has only one. */
const FIRST_DRAWING = 'drawing1';

export class PageWork {
    constructor(
        private readonly session: PageSession,
        private readonly tasks: Tasks,
    ) {}

    stop(): Promise<void> {
        return this.tasks.stop();
    }

    dismiss(): void {
        this.tasks.dismiss();
    }

    /** @param drawing the id of the one to replace; none: each file is one more drawing */
    async importScans(scans: File[], drawing: string | null = null): Promise<void> {
        const { session } = this;
        const failed: string[] = [];
        for (const scan of scans) {
            const isFirst = Object.keys(session.view.records.drawing).length === 0;
            const id = drawing ?? (isFirst ? FIRST_DRAWING : randomId(12));
            const task = await this.begin('import', { ...this.held, scan, drawing: id });
            // A file that is cut short asks; the others wait for the answer.
            if (task !== null && task.question !== null) return;
            if (task?.state !== 'done')
                failed.push(`${scan.name}: ${task?.message ?? session.view.message ?? 'not sent.'}`);
            if (task?.state === 'stopped') break;
        }
        if (scans.length > 1 && failed.length > 0)
            session.say(`${scans.length - failed.length} of ${scans.length} files were imported. ${failed.join(' ')}`);
    }

    /** Imports a file that is kept already. */
    importWaiting(original: number, how: ImportData = {}): Promise<TaskState | null> {
        return this.begin('import', { ...this.held, original, ...how });
    }

    /** Cleans and lays a drawing anew, from its original. */
    clean(drawing: string, clean: CleanData, place: PlacementData): Promise<TaskState | null> {
        return this.begin('clean', { ...this.held, drawing, clean, place });
    }

    findRegions(): Promise<TaskState | null> {
        return this.begin('regions', this.held);
    }

    /** Takes over flats from a picture; what its colours were matched to is kept to be settled. */
    async takeFlats(flats: File): Promise<void> {
        const task = await this.begin('take', { ...this.held, flats });
        if (task?.state === 'done') this.session.store.setState({ taken: task.report });
    }

    /** Settles a row of what was taken over: its regions are of a material. */
    settleTaken(row: TakenRow, material: MaterialState): void {
        this.session.apply(fillRegions({ labels: row.labels, ...filledWith(material) }));
        const { taken } = this.session.view;
        if (taken === null) return;
        const rows = taken.rows.map((one) => (one.colour === row.colour ? { ...one, material: material.id } : one));
        this.session.store.setState({ taken: { ...taken, rows } });
    }

    forgetTaken(): void {
        this.session.store.setState({ taken: null });
    }

    /** @param only regions it is worked out for; none: all of the figure */
    roughIn(figure: number, plan: LightPlanData, only: number[] = []): Promise<TaskState | null> {
        return this.begin('rough', { ...this.held, figure, plan, only });
    }

    roughInAll(plan: LightPlanData): Promise<TaskState | null> {
        return this.begin('rough', { ...this.held, plan });
    }

    /** Hides the lines, and lets occlusion on every figure take their place. */
    occludeLines(plan: LightPlanData): Promise<TaskState | null> {
        return this.begin('rough', { ...this.held, plan, lineless: true });
    }

    /** Makes lines meet. */
    tidy(overshoot: number, gap: number): Promise<TaskState | null> {
        return this.begin('tidy', { ...this.held, overshoot, gap });
    }

    enlarge(factor: number): Promise<TaskState | null> {
        return this.begin('enlarge', { ...this.held, factor });
    }

    deliver(format: string): Promise<TaskState | null> {
        return this.begin('deliver', { format });
    }

    /** With work that changes the page: this window holds it. */
    private get held(): { lease: string } {
        return { lease: this.session.lease.token };
    }

    private begin<Kind extends PageTaskKind>(kind: Kind, input: PageTasks[Kind]): Promise<TaskState | null> {
        const { session } = this;
        session.say(null);
        return this.tasks.begin(() => api.begin(session.view.id, kind, input));
    }
}
