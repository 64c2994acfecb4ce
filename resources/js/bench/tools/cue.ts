import { mayFlat, whyNot } from '../../page/store';
import type { Cue } from '../model/flatsModel';
import { drawCues } from '../surface/overlays';
import { pickFirst } from './fill';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';

/** Page pixels between places that are looked at. */
const STEP = 4;

export const cue: Tool = {
    id: 'cue',
    name: 'Cue',
    key: 'D',
    what: 'Dab materials roughly where they belong, then spread them from the right: every unfilled region takes one',
    cursor: 'crosshair',
    options: [],
    sentence: ({ target }) =>
        target === null
            ? 'Pick a material at the left, then dab it roughly where it belongs'
            : `Dabbing ${target.figureName}’s ${target.material.name} where it belongs; nothing is filled before it is spread`,
    begin(host, point) {
        const { session, target } = host.bench;
        const refusal = mayFlat(session.view) ? pickFirst(host) : whyNot(session.view, 'flat');
        if (refusal === null && target !== null)
            return new CueGesture(host, { path: [point], material: target.material, lengths: {} });
        session.say(refusal);
        return null;
    },
};

class CueGesture implements Gesture {
    constructor(
        private readonly host: ToolHost,
        private readonly dab: Cue,
    ) {
        this.take(dab.path[0].x, dab.path[0].y);
    }

    move(points: ToolPoint[]): void {
        for (const point of points) {
            const from = this.dab.path[this.dab.path.length - 1];
            const steps = Math.max(1, Math.ceil(Math.hypot(point.x - from.x, point.y - from.y) / STEP));
            for (let i = 1; i <= steps; i++)
                this.take(from.x + ((point.x - from.x) * i) / steps, from.y + ((point.y - from.y) * i) / steps);
            this.dab.path.push(point);
        }
    }

    up(): void {
        const { bench } = this.host;
        if (Object.keys(this.dab.lengths).length > 0) bench.set({ cues: [...bench.view.cues, this.dab], meant: null });
    }

    cancel(): void {
        this.dab.path.length = 1;
    }

    overlay(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void {
        drawCues(context, toScreen, [this.dab]);
    }

    private take(x: number, y: number): void {
        const label = this.host.labelAt(x, y);
        if (label > 0) this.dab.lengths[label] = (this.dab.lengths[label] ?? 0) + 1;
    }
}
