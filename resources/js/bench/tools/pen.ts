import { beginStroke, strokeSentence } from './strokes';
import type { Tool } from './tool';
import { BrushChoice } from '../options/BrushChoice';
import { Flow, Opacity, Size, Steady, Within } from '../options/brush';

export const pen: Tool = {
    id: 'pen',
    name: 'Pen',
    key: 'P',
    what: 'Paint with the picked brush; Alt erases, Shift draws straight',
    cursor: 'ring',
    options: [BrushChoice, Size, Opacity, Flow, Steady, Within],
    isMirrored: true,
    sentence: (bench) => strokeSentence(bench, false),
    begin: (host, point) => beginStroke(host, point, point.alt),
};
