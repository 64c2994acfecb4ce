/**
 * Draws clouds as boxes, in the sky: in what the place is filled with where the hand begins, below the lines. Each drag
 * is one more in the picked clouds, or in those on top that lie there, or else in new ones; a click is one of a usual
 * size.
 */
import type { CloudsData, HeapData, PassData, ScopeData } from '../../api/generated';
import { randomId } from '../../page/ids';
import { addPass } from '../../page/ops/passes/addPass';
import { changePass } from '../../page/ops/passes/changePass';
import { sizeOf } from '../../page/store';
import { sortedPasses } from '../../picture/stack';
import { dialsOfLight } from '../model/keyLight';
import type { BenchModel } from '../model/model';
import { drawOutline } from '../surface/overlays';
import { may } from './may';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';

/** Px of the page from which on a drag is a box. */
const LEAST = 6;
/** As the core's CloudsContent::MOST. */
const MOST = 24;
/** How wide and how high a cloud is that is clicked, in parts of the page's longer side. */
const USUAL = [0.16, 0.07];

export const clouds: Tool = {
    id: 'clouds',
    name: 'Clouds',
    key: 'U',
    what: 'Drag a box that a cloud fills, or click where one shall be',
    cursor: 'crosshair',
    options: [],
    sentence: () => 'Drag a box in the sky, or click: a cloud is hung there, below the lines, lit as the page is',
    begin: (host, point) => (may(host, 'colour') ? new CloudGesture(host, point) : null),
};

/** What a cloud keeps to: all that is filled as the place is; where nothing is, the page. */
function scopeAt({ bench, labelAt }: ToolHost, { x, y }: ToolPoint): ScopeData {
    const region = bench.session.view.records.region[labelAt(x, y)];
    return region === undefined || region.material === 0
        ? { kind: 'page', id: 0 }
        : { kind: 'material', id: region.material };
}

/** Clouds that one more can come to. */
function begunClouds({ session, view }: BenchModel, scope: ScopeData): [string, CloudsData] | null {
    const over = sortedPasses(session.view.records.pass).filter(([, { figure }]) => figure === 0);
    const lies = ([, pass]: [string, PassData]): boolean =>
        pass.content.kind === 'clouds' && pass.scope.kind === scope.kind && pass.scope.id === scope.id;
    const found = over.find(([id]) => id === view.target?.pass) ?? over.reverse().find(lies);
    if (found === undefined || found[1].content.kind !== 'clouds') return null;
    const [id, { content }] = found;
    return content.heaps.length < MOST ? [id, content] : null;
}

class CloudGesture implements Gesture {
    private to: ToolPoint;
    private readonly scope: ScopeData;
    /** What one more comes to, as it was; null: there is none yet. */
    private readonly before: [string, CloudsData] | null;

    constructor(
        private readonly host: ToolHost,
        private readonly from: ToolPoint,
    ) {
        this.to = from;
        this.scope = scopeAt(host, from);
        this.before = begunClouds(host.bench, this.scope);
    }

    move(points: ToolPoint[]): void {
        this.to = points[points.length - 1];
        const change = this.isBox ? this.change() : null;
        if (change !== null) this.host.bench.session.preview(change);
    }

    up(): void {
        const { session } = this.host.bench;
        const change = this.change();
        if (change !== null) return session.apply(change);
        const offered = session.view.rules.hangable.find(({ pass }) => pass.content.kind === 'clouds')?.pass;
        if (offered === undefined) return;
        const light = dialsOfLight(session.view.palette);
        const content = { ...offered.content, ...light, heaps: [this.heap()] } as CloudsData;
        session.apply(addPass({ id: randomId(12), pass: { ...offered, figure: 0, scope: this.scope, content } }));
    }

    cancel(): void {
        if (this.before === null) return;
        const [id, content] = this.before;
        this.host.bench.session.preview(changePass({ id, values: { content } }));
    }

    /** What becomes of the clouds there are; null: there are none yet. */
    private change(): ReturnType<typeof changePass> | null {
        if (this.before === null) return null;
        const [id, content] = this.before;
        return changePass({ id, values: { content: { ...content, heaps: [...content.heaps, this.heap()] } } });
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        if (!this.isBox) return;
        const { from, to } = this;
        drawOutline(context, toScreen, [from, { x: to.x, y: from.y }, to, { x: from.x, y: to.y }]);
    }

    private get isBox(): boolean {
        return Math.min(Math.abs(this.to.x - this.from.x), Math.abs(this.to.y - this.from.y)) >= LEAST;
    }

    /** In parts of the page. */
    private heap(): HeapData {
        const { width, height } = sizeOf(this.host.bench.session.view) ?? { width: 1, height: 1 };
        const [wide, high] = this.isBox
            ? [Math.abs(this.to.x - this.from.x), Math.abs(this.to.y - this.from.y)]
            : USUAL.map((part) => part * Math.max(width, height));
        const [left, top] = this.isBox
            ? [Math.min(this.from.x, this.to.x), Math.min(this.from.y, this.to.y)]
            : [this.from.x - wide / 2, this.from.y - high / 2];
        const within = (value: number, least: number, most: number): number =>
            Math.round(10_000 * Math.max(least, Math.min(most, value))) / 10_000;
        return [
            within(left / width, -4, 4),
            within(top / height, -4, 4),
            within(wide / width, 0.001, 8),
            within(high / height, 0.001, 8),
        ];
    }
}
