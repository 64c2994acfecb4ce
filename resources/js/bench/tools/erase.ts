import { beginStroke, strokeSentence } from './strokes';
import type { Tool } from './tool';
import { BrushChoice } from '../options/BrushChoice';
import { Flow, Opacity, Size, Steady, Within } from '../options/brush';

export const erase: Tool = {
    id: 'erase',
    name: 'Eraser',
    key: 'X',
    what: 'Takes paint out of the picked pass; or hold E',
    cursor: 'ring',
    options: [BrushChoice, Size, Opacity, Flow, Steady, Within],
    isMirrored: true,
    sentence: (bench) => strokeSentence(bench, true),
    begin: (host, point) => beginStroke(host, point, true),
};
