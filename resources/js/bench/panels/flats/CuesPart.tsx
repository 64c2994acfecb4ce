/** Cues that were dabbed: spread them, look at what they were found to mean, take all of it or a part. */
import { mayFlat } from '../../../page/store';
import { useBench, useBenchModel, usePage, useTarget } from '../../model/context';

export function CuesPart() {
    const cues = useBench((view) => view.cues);
    const meant = useBench((view) => view.meant);
    if (cues.length === 0 && meant === null) return null;
    return (
        <div className="rule-t flex flex-col gap-2 py-2 text-[13px]">
            <h3 className="heading">{cues.length > 0 ? 'Cues' : 'As on the page before'}</h3>
            {meant === null ? <Dabbed count={cues.length} /> : <Meant count={Object.keys(meant).length} />}
        </div>
    );
}

function Dabbed({ count }: { count: number }) {
    const bench = useBenchModel();
    const isBlocked = usePage((view) => !mayFlat(view));
    return (
        <>
            <p>{count === 1 ? 'One dab. Dab other materials, too; then spread them.' : `${count} dabs.`}</p>
            <div className="flex flex-wrap gap-2">
                <button className="act main" disabled={isBlocked} onClick={() => void bench.flats.spreadCues()}>
                    Spread them
                </button>
                <button className="act" onClick={() => bench.set({ cues: bench.view.cues.slice(0, -1) })}>
                    Remove the last dab
                </button>
                <button className="act" onClick={() => bench.set({ cues: [] })}>
                    Clear
                </button>
            </div>
        </>
    );
}

function Meant({ count }: { count: number }) {
    const bench = useBenchModel();
    const target = useTarget();
    const isBlocked = usePage((view) => !mayFlat(view));
    return (
        <>
            <p>
                {count === 1
                    ? 'One region would be filled.'
                    : `${count} regions would be filled, as the hatching shows.`}
            </p>
            <div className="flex flex-wrap gap-2">
                <button
                    className="act main"
                    disabled={isBlocked || count === 0}
                    onClick={() => bench.flats.takeCues(null)}
                >
                    Fill them all
                </button>
                {target !== null && (
                    <button
                        className="act"
                        disabled={isBlocked || count === 0}
                        onClick={() => bench.flats.takeCues(target.material.figure)}
                    >
                        Only {target.figureName}
                    </button>
                )}
                <button className="act" onClick={() => bench.set({ meant: null })}>
                    Leave it
                </button>
            </div>
        </>
    );
}
