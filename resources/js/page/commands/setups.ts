import type { ScopeData, SetupState } from '../../api/generated';
import { randomId } from '../ids';
import { hangSetup } from '../ops/passes/hangSetup';
import type { PageSession } from '../session';
import { roughId } from '../target';

/**
 * Hangs the passes of a setup on a figure, or on one material of it.
 *
 * @param labels regions in which what it holds is painted; that comes with the server's answer
 */
export function hangOn(
    session: PageSession,
    { id, name, passes }: SetupState,
    figure: number,
    scope: ScopeData,
    labels: number[],
): void {
    const ids = passes.map(({ rough }) => (rough === null ? randomId(12) : roughId(figure, rough)));
    session.apply(hangSetup({ name, figure, scope, ids, passes, labels, setup: id }));
}
