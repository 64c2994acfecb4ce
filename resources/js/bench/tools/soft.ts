import { beginStroke, strokeSentence } from './strokes';
import type { Tool } from './tool';

export const soft: Tool = {
    id: 'soft',
    name: 'Soft pen',
    key: 'A',
    what: 'Soft edge',
    cursor: 'ring',
    options: ['size', 'flow', 'steady', 'within'],
    sentence: (bench) => strokeSentence(bench, false),
    begin: (host, point) => beginStroke(host, point, point.alt),
};
