import { wayTool } from './way';

export const gradient = wayTool({
    id: 'gradient',
    name: 'Gradient',
    key: 'J',
    what: 'Drag from where its first colour is to where its last one is',
    kind: 'gradient',
    isOne: true,
    sentences: [
        'Drag: a gradient is hung over the page, from its first colour to its last',
        'Drag: the gradient runs from where you begin to where you end',
    ],
});
