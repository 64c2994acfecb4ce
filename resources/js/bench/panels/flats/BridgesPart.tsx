/** The bridges of the page: how many of each kind, and those that are doubtful, one after the other. */
import type { BridgeData, BridgeKind } from '../../../api/generated';
import { mayFlat } from '../../../page/store';
import { Fold } from '../../../ui/Fold';
import { Slide } from '../../../ui/Slide';
import { Tick } from '../../../ui/Tick';
import { useBench, useBenchModel, usePage, useSession } from '../../model/context';
import { changeBridges } from '../../../page/ops/flats/changeBridges';
import { limitBridges } from '../../../page/ops/flats/limitBridges';

const count = (bridges: Record<string, BridgeData>, ...kinds: BridgeKind[]): number =>
    Object.values(bridges).filter(({ kind }) => kinds.includes(kind)).length;

export function BridgesPart() {
    const bench = useBenchModel();
    const isOn = useBench((view) => view.bridges);
    const bridges = usePage((view) => view.records.bridge);
    const made = count(bridges, 'found', 'kept');
    const doubtful = count(bridges, 'doubtful');
    return (
        <Fold title="Bridges" help="flats#bridge" tells={doubtful === 0 ? String(made) : `${doubtful} in doubt`}>
            <Tick checked={isOn} onChange={(on) => bench.set({ bridges: on })}>
                Show the {made} gaps that were closed
            </Tick>
            <Limit />
            <Doubtful />
        </Fold>
    );
}

const lengthOf = ({ x1, y1, x2, y2 }: BridgeData): number => Math.hypot(x2 - x1, y2 - y1);

/** What another limit would add and drop shows on the page while it is dragged. */
function Limit() {
    const bench = useBenchModel();
    const session = useSession();
    const bridges = usePage((view) => view.records.bridge);
    const limit = useBench((view) => view.bridgeLimit);
    const isBlocked = usePage((view) => !mayFlat(view));
    const found = Object.values(bridges).filter(({ kind }) => kind === 'found');
    const doubtful = Object.values(bridges).filter(({ kind }) => kind === 'doubtful');
    if (found.length + doubtful.length === 0) return null;
    const now = Math.ceil(Math.max(0, ...found.map(lengthOf)));
    const most = Math.ceil(Math.max(now, ...doubtful.map(lengthOf)));
    const shown = limit ?? now;
    const added = doubtful.filter((one) => lengthOf(one) <= shown).length;
    const dropped = found.filter((one) => lengthOf(one) > shown).length;
    const settle = (longest: number): void => {
        bench.set({ bridgeLimit: null });
        if (longest !== now) session.apply(limitBridges({ longest }));
    };
    return (
        <>
            <Slide
                wide
                label="Up to"
                most={most}
                value={shown}
                shown={`${shown} px`}
                disabled={isBlocked}
                onChange={(longest) => bench.set({ bridgeLimit: longest, bridges: true })}
                onSettle={settle}
            />
            {limit !== null && (
                <p className="figures" role="status">
                    {added} more, {dropped} fewer
                </p>
            )}
        </>
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
        if (shown !== null) session.apply(changeBridges({ draw: null, bridge: Number(shown), as: kind }));
        bench.flats.nextDoubtful();
    };
    return (
        <>
            <p>{left === 1 ? 'One gap may be damage or drawn so.' : `${left} gaps may be damage or drawn so.`}</p>
            <div className="flex flex-wrap gap-2">
                <button className="act" onClick={() => bench.flats.nextDoubtful()}>
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
