/** The bridges of the page: how many of each kind, and those that are doubtful, one after the other. */
import { Fold } from '../../ui/Fold';
import type { BridgeData, BridgeKind } from '../../api/generated';
import { mayFlat } from '../../page/store';
import { Tick } from '../../ui/Tick';
import { useBench, useBenchModel, usePage, useSession } from '../model/context';

const count = (bridges: Record<string, BridgeData>, ...kinds: BridgeKind[]): number =>
    Object.values(bridges).filter(({ kind }) => kinds.includes(kind)).length;

export function BridgesPart() {
    const bench = useBenchModel();
    const isOn = useBench((view) => view.bridges);
    const bridges = usePage((view) => view.records.bridge);
    const made = count(bridges, 'found', 'kept');
    const doubtful = count(bridges, 'doubtful');
    return (
        <Fold title="Bridges" tells={doubtful === 0 ? String(made) : `${doubtful} in doubt`}>
            <Tick checked={isOn} onChange={(on) => bench.set({ bridges: on })}>
                Show the {made} gaps that were closed
            </Tick>
            <Doubtful />
        </Fold>
    );
}

function Doubtful() {
    const bench = useBenchModel();
    const session = useSession();
    const bridges = usePage((view) => view.records.bridge);
    const shown = useBench((view) => view.bridge);
    const isBlocked = usePage((view) => !mayFlat(view));
    const left = count(bridges, 'doubtful');
    const isShown = shown !== null && bridges[shown]?.kind === 'doubtful';
    if (left === 0) return null;
    const settle = (kind: 'kept' | 'refused'): void => {
        if (shown !== null) session.decideBridge(shown, kind);
        bench.nextDoubtful();
    };
    return (
        <>
            <p>{left === 1 ? 'One gap may be damage or drawn so.' : `${left} gaps may be damage or drawn so.`}</p>
            <div className="flex flex-wrap gap-2">
                <button className="act" onClick={() => bench.nextDoubtful()}>
                    {isShown ? 'Next' : 'Look at them'}
                </button>
                {isShown && (
                    <>
                        <button className="act main" disabled={isBlocked} onClick={() => settle('kept')}>
                            Bridge it
                        </button>
                        <button className="act" disabled={isBlocked} onClick={() => settle('refused')}>
                            Leave it open
                        </button>
                    </>
                )}
            </div>
        </>
    );
}
