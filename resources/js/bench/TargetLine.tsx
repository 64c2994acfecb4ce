/** Under the canvas: what the hand will do, and what lies under it. */
import type { RegionData } from '../api/generated';
import { useBench, useBenchModel, usePage } from './model/context';
import { TOOLS } from './tools/registry';

export function TargetLine() {
    return (
        <footer className="rule-t flex items-center gap-4 px-3 py-1.5 text-[13px]">
            <Sentence />
            <UnderPointer />
        </footer>
    );
}

function Sentence() {
    const bench = useBenchModel();
    const sentence = (): string => TOOLS[bench.view.tool].sentence(bench);
    // It speaks of both, the bench and the page: whichever changes, it is asked again.
    useBench(sentence);
    const text = usePage(sentence);
    return (
        <span id="target-sentence" aria-live="polite" className="min-w-0 flex-1 truncate" title={text}>
            {text}
        </span>
    );
}

function UnderPointer() {
    const under = useBench((view) => view.under);
    const region = usePage((view): RegionData | undefined =>
        under === null ? undefined : view.records.region[under.label],
    );
    const material = usePage((view) =>
        view.palette.figures.flatMap((figure) => figure.materials).find((one) => one.id === region?.material),
    );
    const figure = usePage((view) => view.palette.figures.find((one) => one.id === material?.figure));
    return <span className="quiet figures whitespace-nowrap">{under === null ? '' : describe()}</span>;

    function describe(): string {
        if (material !== undefined)
            return `under pointer: ${figure?.name}’s ${material.name}, base ${material.tones.base}`;
        return region !== undefined && under !== null ? `under pointer: unfilled, ${under.x}, ${under.y}` : '';
    }
}
