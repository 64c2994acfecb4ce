import { beginStroke, strokeSentence } from './strokes';
import type { Tool } from './tool';

export const pen: Tool = {
    id: 'pen',
    name: 'Pen',
    key: 'P',
    what: 'Paint with the picked brush; Alt erases, Shift draws straight',
    cursor: 'ring',
    options: ['brush', 'size', 'opacity', 'flow', 'steady', 'within', 'axis'],
    sentence: (bench) => strokeSentence(bench, false),
    begin: (host, point) => beginStroke(host, point, point.alt),
};
