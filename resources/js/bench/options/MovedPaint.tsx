/** What can be done with paint that was drawn round. */
import { mayColour } from '../../page/store';
import { passFor } from '../../page/target';
import { useBench, useBenchModel, usePage, useTarget } from '../model/context';

export function MovedPaint() {
    const bench = useBenchModel();
    const target = useTarget();
    const rules = usePage((view) => view.rules);
    const records = usePage((view) => view.records);
    const isLifted = useBench((view) => view.movedOutline !== null);
    if (target === null) return <span className="quiet text-[13px]">Pick a pass or a tone: its paint is moved</span>;
    if (!isLifted)
        return (
            <>
                <span className="quiet text-[13px]">Draw round paint, then drag it; Alt-drag copies it</span>
                <Carried />
            </>
        );
    const { id } = passFor(rules, records, target);
    return (
        <>
            <button className="act narrow" onClick={() => bench.paint.movePaint(id, { scale: [-1, 1] })}>
                Mirror it
            </button>
            <button className="act narrow" onClick={() => bench.paint.movePaint(id, { turn: -15 })}>
                Turn left
            </button>
            <button className="act narrow" onClick={() => bench.paint.movePaint(id, { turn: 15 })}>
                Turn right
            </button>
            <button className="act narrow" onClick={() => bench.paint.movePaint(id, { scale: [0.8, 0.8] })}>
                Smaller
            </button>
            <button className="act narrow" onClick={() => bench.paint.movePaint(id, { scale: [1.25, 1.25] })}>
                Larger
            </button>
            <button
                className="act narrow"
                title="Remembers it, to put it into another pass, another figure or another page"
                onClick={() => bench.paint.carry(id)}
            >
                Take along
            </button>
            <button className="act narrow" onClick={() => bench.set({ movedOutline: null })}>
                Pick none
            </button>
            <Carried />
        </>
    );
}

/** Paint that was taken along, from wherever. */
function Carried() {
    const bench = useBenchModel();
    const may = usePage(mayColour);
    const carried = useBench((view) => view.carried);
    if (carried === null) return null;
    return (
        <span className="flex items-center gap-1">
            <button
                className="act narrow main"
                disabled={!may}
                title={`${carried.name} goes into the picked pass: where it was, or on another page into the middle of what is in view`}
                onClick={() => bench.paint.placeCarried()}
            >
                <span className="max-w-[190px] truncate">Put {carried.name} here</span>
            </button>
            <button
                className="act narrow"
                title="Forget what was taken along"
                onClick={() => bench.paint.keepCarried(null)}
            >
                Forget
            </button>
        </span>
    );
}
