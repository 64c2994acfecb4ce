import type { BridgeData } from '../../api/generated';
import { asLimited, drawBridges, drawDraftBridge } from '../surface/overlays';
import { may } from './may';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';
import { changeBridges } from '../../page/ops/flats/changeBridges';

/** Screen pixels by which a bridge may be missed, and from which on a drag draws one. */
const REACH = 10;
const LEAST = 4;

export const bridge: Tool = {
    id: 'bridge',
    name: 'Bridge',
    key: 'J',
    what: 'Drag across a gap to close it; click a bridge to take it away, a doubtful one to make it; with Shift to keep it',
    cursor: 'crosshair',
    options: [],
    overlay({ context, toScreen, bench }) {
        if (!bench.view.overlays) return;
        const bridges = Object.values(bench.session.view.records.bridge);
        drawBridges(context, toScreen, asLimited(bridges, bench.view.bridgeLimit));
    },
    sentence: () =>
        'Bridging gaps: drag across one, or click a bridge that is there; only the regions beside it change',
    begin(host, point) {
        return may(host, 'flat') ? new BridgeGesture(host, point) : null;
    },
};

class BridgeGesture implements Gesture {
    private to: ToolPoint;

    constructor(
        private readonly host: ToolHost,
        private readonly from: ToolPoint,
    ) {
        this.to = from;
    }

    move(points: ToolPoint[]): void {
        this.to = points[points.length - 1];
    }

    up(): void {
        const { session } = this.host.bench;
        if (this.isDrag) {
            const place = ({ x, y }: ToolPoint): [number, number] => [
                Math.max(0, Math.floor(x)),
                Math.max(0, Math.floor(y)),
            ];
            session.apply(changeBridges({ draw: [...place(this.from), ...place(this.to)], bridge: null, as: null }));
            return;
        }
        const hit = bridgeAt(session.view.records.bridge, this.from, REACH / this.host.view.scale);
        if (hit === null) return session.say('There is no bridge here. Drag across a gap to draw one.');
        const { kind } = session.view.records.bridge[hit];
        session.apply(
            changeBridges({
                draw: null,
                bridge: Number(hit),
                as: this.from.shift || kind === 'doubtful' || kind === 'refused' ? 'kept' : 'refused',
            }),
        );
    }

    cancel(): void {
        this.to = this.from;
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        if (this.isDrag) drawDraftBridge(context, toScreen, this.from, this.to);
    }

    private get isDrag(): boolean {
        return Math.hypot(this.to.x - this.from.x, this.to.y - this.from.y) * this.host.view.scale >= LEAST;
    }
}

/** The number of the bridge whose middle is nearest, within reach. */
export function bridgeAt(
    bridges: Record<string, BridgeData>,
    at: { x: number; y: number },
    reach: number,
): string | null {
    let nearest: string | null = null;
    let least = reach;
    for (const [number, { x1, y1, x2, y2 }] of Object.entries(bridges)) {
        const distance = Math.hypot((x1 + x2 + 1) / 2 - at.x, (y1 + y2 + 1) / 2 - at.y);
        if (distance <= least) [nearest, least] = [number, distance];
    }
    return nearest;
}
