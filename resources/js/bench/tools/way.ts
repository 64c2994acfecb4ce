/** Tools that draw the way of a pass over the page: from where it begins to where it ends. */
import type { ContentData } from '../../api/generated';
import { randomId } from '../../page/ids';
import { addPass } from '../../page/ops/passes/addPass';
import { changePass } from '../../page/ops/passes/changePass';
import { sizeOf } from '../../page/store';
import { sortedPasses } from '../../picture/stack';
import type { Spot } from '../model/lines';
import type { BenchModel } from '../model/model';
import { drawArrow } from '../surface/overlays';
import { may } from './may';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';

/** Contents that run from one place to another, in parts of the page. */
type WayContent = Extract<ContentData, { from: [number, number]; to: [number, number] }>;

interface WayTool extends Pick<Tool, 'id' | 'name' | 'key' | 'what'> {
    kind: WayContent['kind'];
    /** Whether the topmost is drawn anew where none is picked; otherwise a drag hangs another one. */
    isOne: boolean;
    /** What a drag does where there is none to be drawn anew, and where there is one. */
    sentences: [hang: string, redraw: string];
}

/** Px of the page from which on a drag is a way. */
const LEAST = 4;

export const wayTool = (of: WayTool): Tool => ({
    id: of.id,
    name: of.name,
    key: of.key,
    what: of.what,
    cursor: 'crosshair',
    options: [],
    sentence: (bench) => of.sentences[drawnAnew(of, bench) === null ? 0 : 1],
    overlay({ context, toScreen, bench, isBusy }) {
        const size = sizeOf(bench.session.view);
        const [, content] = drawnAnew(of, bench) ?? [null, null];
        if (content === null || size === null || isBusy || !bench.view.overlays) return;
        const onPage = ([x, y]: [number, number]): Spot => ({ x: x * size.width, y: y * size.height });
        drawArrow(context, toScreen, [onPage(content.from), onPage(content.to)]);
    },
    begin(host, point) {
        return may(host, 'colour') ? new WayGesture(of, host, point) : null;
    },
});

/** What a drag draws anew: the picked one, or the topmost over the page. */
function drawnAnew({ kind, isOne }: WayTool, { session, view }: BenchModel): [string, WayContent] | null {
    const found = sortedPasses(session.view.records.pass)
        .reverse()
        .flatMap(([id, { content, figure }]): [string, WayContent][] =>
            content.kind === kind && 'from' in content && figure === 0 ? [[id, content]] : [],
        );
    return found.find(([id]) => id === view.target?.pass) ?? (isOne ? (found[0] ?? null) : null);
}

class WayGesture implements Gesture {
    private to: Spot;
    /** What is drawn anew, as it was; null: there is none yet. */
    private readonly before: [string, WayContent] | null;

    constructor(
        private readonly tool: WayTool,
        private readonly host: ToolHost,
        private readonly from: ToolPoint,
    ) {
        this.to = from;
        this.before = drawnAnew(tool, host.bench);
    }

    move(points: ToolPoint[]): void {
        this.to = points[points.length - 1];
        const change = this.change();
        if (change !== null) this.host.bench.session.preview(change);
    }

    up(): void {
        if (!this.isWay) return this.cancel();
        const { session } = this.host.bench;
        const change = this.change();
        if (change !== null) return session.apply(change);
        const offered = session.view.rules.hangable.find(({ pass }) => pass.content.kind === this.tool.kind)?.pass;
        if (offered === undefined || !('from' in offered.content)) return;
        const pass = {
            ...offered,
            figure: 0,
            scope: { kind: 'page' as const, id: 0 },
            content: { ...offered.content, ...this.way() },
        };
        session.apply(addPass({ id: randomId(12), pass }));
    }

    cancel(): void {
        if (this.before === null) return;
        const [id, content] = this.before;
        this.host.bench.session.preview(changePass({ id, values: { content } }));
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        if (this.isWay) drawArrow(context, toScreen, [this.from, this.to]);
    }

    private get isWay(): boolean {
        return Math.hypot(this.to.x - this.from.x, this.to.y - this.from.y) >= LEAST;
    }

    /** What becomes of the one there is; null: there is none, or no way yet. */
    private change(): ReturnType<typeof changePass> | null {
        if (this.before === null || !this.isWay) return null;
        const [id, content] = this.before;
        return changePass({ id, values: { content: { ...content, ...this.way() } } });
    }

    /** In parts of the page. */
    private way(): Pick<WayContent, 'from' | 'to'> {
        const size = sizeOf(this.host.bench.session.view) ?? { width: 1, height: 1 };
        const part = ({ x, y }: Spot): [number, number] => [rounded(x / size.width), rounded(y / size.height)];
        return { from: part(this.from), to: part(this.to) };
    }
}

const rounded = (value: number): number => Math.round(10_000 * Math.max(-4, Math.min(4, value))) / 10_000;
