/** Masks of passes: a rolled-up pass that says where another one shows. */
import type { NewPass } from '../../api/client';
import { randomId } from '../ids';
import { addPass } from '../ops/passes/addPass';
import { changePass } from '../ops/passes/changePass';
import { pourPaint } from '../ops/paint/pourPaint';
import type { PageSession } from '../session';

const LONGEST_NAME = 60;

/** What a mask looks like when it is let down. */
const MASK_COLOUR = '#c2406a';

function newMask(session: PageSession, of: string): NewPass {
    const { name, figure, scope } = session.view.records.pass[of];
    return {
        name: `Mask of ${name}`.slice(0, LONGEST_NAME),
        figure,
        content: { kind: 'tint', colour: MASK_COLOUR, follows: null },
        scope,
        visible: false,
    };
}

/** Hangs a rolled-up pass that hides another wherever it is painted in. */
export function paintMask(session: PageSession, id: string, mask: string): string {
    session.apply(addPass({ id: mask, pass: newMask(session, id) }));
    session.apply(changePass({ id, values: { mask: { pass: mask, outside: true } } }));
    return mask;
}

/**
 * Keeps a pass to some regions, by a mask that covers them.
 *
 * @param fade px over which it fades toward their border
 */
export function keepTo(session: PageSession, id: string, labels: number[], fade = 0): void {
    const mask = randomId(12);
    const make = newMask(session, id);
    session.apply(
        pourPaint({ laying: { pass: mask, make, erase: false, colour: null, opacity: 1, inside: [] }, labels, fade }),
    );
    session.apply(changePass({ id, values: { mask: { pass: mask, outside: false } } }));
}
