import { fillSentence, fillWith, pickFirst } from './fill';
import { gather } from './regions';
import type { Tool, ToolHost } from './tool';

/**
 * Only what is unfilled, so that the hand may cross what is done already: a material that lies all over the page is one
 * sweep.
 */
function fillSwept(host: ToolHost, labels: number[], isOver: boolean): void {
    const { session } = host.bench;
    const { region } = session.view.records;
    const meant = isOver ? labels : labels.filter((label) => region[label]?.material === 0);
    if (meant.length > 0) fillWith(host, meant);
    else session.say('All that was crossed is filled. Hold Shift to fill it over.');
}

export const sweep: Tool = {
    id: 'sweep',
    name: 'Sweep',
    key: 'S',
    what: 'Drag across unfilled regions to fill all of them; what is filled may be crossed. Shift: filled ones, too',
    cursor: 'crosshair',
    options: [],
    sentence: (bench) =>
        bench.target === null
            ? fillSentence(bench)
            : `${fillSentence(bench)}: what is unfilled on the way; with Shift also what is filled`,
    begin: (host, point) =>
        gather(host, point, {
            drags: true,
            refuses: pickFirst,
            done: (by, labels) => fillSwept(by, labels, point.shift),
        }),
};
