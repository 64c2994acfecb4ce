import { fillSentence, fillWith, pickFirst } from './fill';
import { gather } from './regions';
import type { Tool } from './tool';

export const sweep: Tool = {
    id: 'sweep',
    name: 'Sweep',
    key: 'S',
    what: 'Drag across regions to fill all of them',
    cursor: 'crosshair',
    options: [],
    sentence: fillSentence,
    begin: (host, point) => gather(host, point, { drags: true, refuses: pickFirst, done: fillWith }),
};
