import { unfilled } from '../../page/records';
import { fillSentence, fillWith, pickFirst } from './fill';
import { gather } from './regions';
import type { Tool, ToolHost } from './tool';

/** Everything unfilled but what was clicked or swept: a figure's silhouette, from its outside. */
function fillRest(host: ToolHost, outside: number[]): void {
    const { session } = host.bench;
    const rest = unfilled(session.view.records)
        .map(([label]) => Number(label))
        .filter((label) => !outside.includes(label));
    if (rest.length > 0) fillWith(host, rest);
    else session.say('Nothing else is unfilled.');
}

export const allBut: Tool = {
    id: 'allBut',
    name: 'All but',
    key: 'W',
    what: 'Click the outside, or drag across all of it: every other unfilled region takes the picked material',
    cursor: 'crosshair',
    options: [],
    sentence: (bench) =>
        bench.target === null
            ? fillSentence(bench)
            : `${fillSentence(bench)}: all that is unfilled, but what you click or sweep`,
    begin: (host, point) => gather(host, point, { drags: true, refuses: pickFirst, done: fillRest }),
};
