import { beginStroke, strokeSentence } from './strokes';
import type { Tool } from './tool';

export const pen: Tool = {
    id: 'pen',
    name: 'Pen',
    key: 'P',
    what: 'Hard edge',
    cursor: 'ring',
    options: ['size', 'flow', 'steady', 'within'],
    sentence: (bench) => strokeSentence(bench, false),
    begin: (host, point) => beginStroke(host, point, point.alt),
};
