/** Hangs a pass that no tone makes by itself. */
import { useState } from 'react';
import { usePage, useSession } from '../model/context';
import { addPass } from '../../page/ops/passes/addPass';
import { randomId } from '../../page/ids';

type HangingScope = 'figure' | 'ink' | 'page';

export function AddPass({ figure, name, onDone }: { figure: number; name: string; onDone: () => void }) {
    const session = useSession();
    const hangable = usePage((view) => view.rules.hangable);
    const [kind, setKind] = useState(0);
    const [scope, setScope] = useState<HangingScope>(figure > 0 ? 'figure' : 'page');
    const hang = (): void => {
        session.apply(
            addPass({
                id: randomId(12),
                pass: { ...hangable[kind].pass, figure, scope: { kind: scope, id: scope === 'figure' ? figure : 0 } },
            }),
        );
        onDone();
    };
    return (
        <div className="mb-2 flex flex-col gap-1.5 border border-base-300 p-2 text-[13px]">
            <select className="field" aria-label="Kind of pass" value={kind} onChange={(event) => setKind(Number(event.target.value))}>
                {hangable.map((entry, i) => (
                    <option key={entry.title} value={i}>
                        {entry.title}
                    </option>
                ))}
            </select>
            <select
                className="field"
                aria-label="Stays inside"
                value={scope}
                onChange={(event) => setScope(event.target.value as HangingScope)}
            >
                {figure > 0 && <option value="figure">stays inside {name}</option>}
                <option value="ink">on the lines only</option>
                <option value="page">over the whole page, above the ink</option>
            </select>
            <button className="act self-start" onClick={hang}>
                Hang this pass
            </button>
        </div>
    );
}
