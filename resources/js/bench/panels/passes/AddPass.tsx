/** Hangs a pass that no tone makes by itself. */
import { useState } from 'react';
import type { ScopeKind } from '../../../api/generated';
import { randomId } from '../../../page/ids';
import { addPass } from '../../../page/ops/passes/addPass';
import { namesFigure } from '../../../page/target';
import { Choice } from '../../../ui/Choice';
import { usePage, useSession } from '../../model/context';

export function AddPass({ figure, name, onDone }: { figure: number; name: string; onDone: () => void }) {
    const session = useSession();
    const hangable = usePage((view) => view.rules.hangable);
    const [kind, setKind] = useState(0);
    const [wanted, setScope] = useState<ScopeKind>(figure > 0 ? 'figure' : 'page');
    const scopes = hangable[kind].scopes.filter((scope) => figure > 0 || !namesFigure(scope));
    const scope = scopes.includes(wanted) ? wanted : scopes[0];
    const names: Record<ScopeKind, string> = {
        figure: `stays inside ${name}`,
        material: '',
        behind: `behind ${name}, over all that is farther`,
        ink: 'on the lines only',
        page: 'over the whole page, above the ink',
    };
    const hang = (): void => {
        const id = namesFigure(scope) ? figure : 0;
        session.apply(
            addPass({ id: randomId(12), pass: { ...hangable[kind].pass, figure, scope: { kind: scope, id } } }),
        );
        onDone();
    };
    return (
        <div className="mb-2 flex flex-col gap-1.5 border border-base-300 p-2 text-[13px]">
            <select
                className="field"
                aria-label="Kind of pass"
                value={kind}
                onChange={(event) => setKind(Number(event.target.value))}
            >
                {[...new Set(hangable.map(({ group }) => group))].map((group) => (
                    <optgroup key={group} label={group}>
                        {hangable.map(
                            (entry, i) =>
                                entry.group === group && (
                                    <option key={entry.title} value={i}>
                                        {entry.title}
                                    </option>
                                ),
                        )}
                    </optgroup>
                ))}
            </select>
            <Choice
                isLabelHidden
                label="Stays inside"
                value={scope}
                options={scopes}
                names={names}
                onChange={setScope}
            />
            <button className="act self-start" onClick={hang}>
                Hang this pass
            </button>
        </div>
    );
}
