import type { Tool } from './tool';

/** Moves the page under the hand; the surface itself does it, as with the Space key and the middle button. */
export const look: Tool = {
    id: 'look',
    name: 'Look',
    key: 'L',
    what: 'Drag the page about',
    cursor: 'grab',
    options: [],
    sentence: () => 'Looking: a drag moves the page and changes nothing',
    begin: () => null,
};
