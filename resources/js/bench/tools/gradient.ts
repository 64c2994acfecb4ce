import type { GradientData } from '../../api/generated';
import { randomId } from '../../page/ids';
import { addPass } from '../../page/ops/passes/addPass';
import { changePass } from '../../page/ops/passes/changePass';
import { sizeOf } from '../../page/store';
import { sortedPasses } from '../../picture/stack';
import type { BenchModel } from '../model/model';
import type { Spot } from '../model/lines';
import { drawArrow } from '../surface/overlays';
import { may } from './may';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';

/** Px of the page from which on a drag is a way. */
const LEAST = 4;

export const gradient: Tool = {
    id: 'gradient',
    name: 'Gradient',
    key: 'J',
    what: 'Drag from where its first colour is to where its last one is',
    cursor: 'crosshair',
    options: [],
    sentence: (bench) =>
        gradientOf(bench) === null
            ? 'Drag: a gradient is hung over the page, from its first colour to its last'
            : 'Drag: the gradient runs from where you begin to where you end',
    overlay({ context, toScreen, bench, isBusy }) {
        const size = sizeOf(bench.session.view);
        const [, content] = gradientOf(bench) ?? [null, null];
        if (content === null || size === null || isBusy || !bench.view.overlays) return;
        const onPage = ([x, y]: [number, number]): Spot => ({ x: x * size.width, y: y * size.height });
        drawArrow(context, toScreen, [onPage(content.from), onPage(content.to)]);
    },
    begin(host, point) {
        return may(host, 'colour') ? new GradientGesture(host, point) : null;
    },
};

/** The picked gradient, or the topmost over the page. */
function gradientOf({ session, view }: BenchModel): [string, GradientData] | null {
    const passes = session.view.records.pass;
    const found = sortedPasses(passes)
        .reverse()
        .flatMap(([id, { content, figure }]): [string, GradientData][] =>
            content.kind === 'gradient' && figure === 0 ? [[id, content]] : [],
        );
    return found.find(([id]) => id === view.target?.pass) ?? found[0] ?? null;
}

class GradientGesture implements Gesture {
    private to: Spot;
    /** The gradient that is drawn anew, as it was; null: there is none yet. */
    private readonly before: [string, GradientData] | null;

    constructor(
        private readonly host: ToolHost,
        private readonly from: ToolPoint,
    ) {
        this.to = from;
        this.before = gradientOf(host.bench);
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
        const offered = session.view.rules.hangable.find(({ pass }) => pass.content.kind === 'gradient')?.pass;
        if (offered?.content.kind !== 'gradient') return;
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

    /** What becomes of the gradient there is; null: there is none, or no way yet. */
    private change(): ReturnType<typeof changePass> | null {
        if (this.before === null || !this.isWay) return null;
        const [id, content] = this.before;
        return changePass({ id, values: { content: { ...content, ...this.way() } } });
    }

    /** In parts of the page. */
    private way(): Pick<GradientData, 'from' | 'to'> {
        const size = sizeOf(this.host.bench.session.view) ?? { width: 1, height: 1 };
        const part = ({ x, y }: Spot): [number, number] => [rounded(x / size.width), rounded(y / size.height)];
        return { from: part(this.from), to: part(this.to) };
    }
}

const rounded = (value: number): number => Math.round(10_000 * Math.max(-4, Math.min(4, value))) / 10_000;
