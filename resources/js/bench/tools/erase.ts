import { beginStroke, strokeSentence } from './strokes';
import type { Tool } from './tool';

export const erase: Tool = {
    id: 'erase',
    name: 'Eraser',
    key: 'X',
    what: 'Takes paint out of the picked pass; or hold E',
    cursor: 'ring',
    options: ['brush', 'size', 'opacity', 'flow', 'steady', 'within', 'axis'],
    sentence: (bench) => strokeSentence(bench, true),
    begin: (host, point) => beginStroke(host, point, true),
};
