import { wayTool } from './way';

export const lightning = wayTool({
    id: 'lightning',
    name: 'Lightning',
    key: 'A',
    what: 'Drag from where lightning begins to where it strikes',
    kind: 'lightning',
    isOne: false,
    sentences: [
        'Drag: lightning is hung over the page, from its origin to where it strikes',
        'Drag: the picked lightning runs from where you begin to where you end',
    ],
});
