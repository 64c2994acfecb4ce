/** The Flats stage without a server: a page that is open, and a hand that works on it. */
import type { Op } from '../page/ops/registry';
import type { PageStateData } from '../api/generated';
import { BenchModel } from '../bench/model/model';
import { TOOLS } from '../bench/tools/registry';
import type { ToolHost, ToolId, ToolPoint } from '../bench/tools/tool';
import type { OutboxStorage } from '../page/outboxStorage';
import { PageSession } from '../page/session';
import { oilskin, pageState } from './world';

const nowhere: OutboxStorage = {
    claim: async () => true,
    load: async () => [],
    add: async () => undefined,
    remove: async () => undefined,
};

export function flatting(records: Partial<PageStateData['records']> = {}): BenchModel {
    const session = new PageSession(pageState({ records: { ...pageState().records, ...records } }), 1, nowhere);
    session.store.setState({ held: true });
    const bench = new BenchModel(session);
    bench.choose('flats');
    bench.set({ target: { material: oilskin, figureName: 'Oda', tone: 'base', pass: null } });
    return bench;
}

/** What has been asked of the server. */
export const opsOf = (bench: BenchModel): Op[] =>
    bench.session.outbox.waiting.flatMap((entry) => (entry.change.kind === 'op' ? [entry.change.op] : []));

export const point = (x: number, y: number, more: Partial<ToolPoint> = {}): ToolPoint => ({
    x,
    y,
    pressure: 1,
    shift: false,
    alt: false,
    isMouse: true,
    time: 0,
    ...more,
});

const hostOf = (bench: BenchModel, labelAt: (x: number, y: number) => number = () => 0): ToolHost => ({
    bench,
    view: { scale: 2, x: 0, y: 0, turn: 0, mirror: false },
    level: 0,
    labelAt,
    places: () => new Set<string>(),
    touched: () => undefined,
});

export function dragOn(
    bench: BenchModel,
    tool: ToolId,
    points: ToolPoint[],
    labelAt?: (x: number, y: number) => number,
): void {
    const gesture = TOOLS[tool].begin(hostOf(bench, labelAt), points[0]);
    if (points.length > 1) gesture?.move(points.slice(1));
    gesture?.up();
}
