import { wayTool } from './way';

export const shafts = wayTool({
    id: 'shafts',
    name: 'Shafts',
    key: 'S',
    what: 'Drag from the lamp or the gap that light comes from to where it has faded',
    kind: 'shafts',
    isOne: false,
    sentences: [
        'Drag: light shafts are hung over the page, from their source to where they have faded',
        'Drag: the picked light shafts spread from where you begin to where you end',
    ],
});
