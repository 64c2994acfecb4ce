import { mayColour, mayFlat, whyNot } from '../../page/store';
import type { ToolHost } from './tool';

/** Whether the hand may change the page just now; where it may not, the person is told why. */
export function may({ bench: { session } }: ToolHost, what: 'flat' | 'colour'): boolean {
    if (what === 'flat' ? mayFlat(session.view) : mayColour(session.view)) return true;
    session.say(whyNot(session.view, what));
    return false;
}
