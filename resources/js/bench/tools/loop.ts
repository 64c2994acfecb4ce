import { mayFlat, whyNot } from '../../page/store';
import { drawOutline } from '../surface/overlays';
import { fillSentence, pickFirst } from './fill';
import type { Tool, ToolPoint } from './tool';

/** Places of a loop that are sent, at the most. */
const MOST = 2000;

export const loop: Tool = {
    id: 'loop',
    name: 'Loop',
    key: 'Q',
    what: 'Draw a loop: every region wholly inside it that is unfilled takes the picked material. Shift: filled ones, too',
    cursor: 'crosshair',
    options: [],
    sentence: (bench) =>
        bench.target === null
            ? fillSentence(bench)
            : `${fillSentence(bench)}: what lies wholly inside a loop; with Shift also what is filled`,
    begin(host, start) {
        const { session, target } = host.bench;
        const refusal = mayFlat(session.view) ? pickFirst(host) : whyNot(session.view, 'flat');
        if (refusal !== null || target === null) {
            session.say(refusal);
            return null;
        }
        const outline: ToolPoint[] = [start];
        return {
            move: (points) => void outline.push(...points),
            up() {
                if (outline.length > 2) session.fillInside(thinned(outline), target.material, !start.shift);
            },
            cancel: () => void (outline.length = 0),
            overlay: (context, toScreen) => drawOutline(context, toScreen, outline),
        };
    },
};

/** Every second, third … place of a long loop, to whole pixels. */
function thinned(outline: ToolPoint[]): [number, number][] {
    const step = Math.ceil(outline.length / MOST);
    return outline.filter((_, i) => i % step === 0).map(({ x, y }) => [Math.round(x), Math.round(y)]);
}
