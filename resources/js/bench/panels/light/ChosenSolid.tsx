/** What can be said of picked regions before light is roughed in on them. */
import { MOST, SOLIDS, type LightPlanData, type Solid } from '../../../api/generated';
import { mayColour } from '../../../page/store';
import { Choice } from '../../../ui/Choice';
import { Tick } from '../../../ui/Tick';
import { useBench, useBenchModel, usePage, useSession } from '../../model/context';
import { setInFront } from '../../../page/ops/light/setInFront';
import { setDirections } from '../../../page/ops/light/setDirections';
import { setSolids } from '../../../page/ops/light/setSolids';

const NAMES: Record<Solid, string> = {
    round: 'as round as they are',
    flat: 'flat',
    ball: 'one ball each',
    tube: 'one tube each',
    cloth: 'cloth in folds',
    gem: 'a cut gem each',
    shining: 'a light itself: no shade, glows',
};

export function ChosenSolid({ figure, plan }: { figure: number; plan: LightPlanData }) {
    const bench = useBenchModel();
    const session = useSession();
    const pickedRegions = useBench((view) => view.pickedRegions);
    const may = usePage(mayColour);
    const regions = usePage((view) => view.records.region);
    const mine = pickedRegions.filter((label) => regions[label]?.figure === figure);
    if (mine.length === 0)
        return (
            <p className="quiet text-[13px]">
                With Pick (K) you can say what regions are (flat, a ball, cloth, a gem, a light), which way their hair
                or folds run, which lie in front of the rest, light only these, or put a panel under another light.
            </p>
        );
    const solid = regions[mine[0]].solid ?? 'round';
    return (
        <div className="flex flex-col gap-1.5 text-[13px]">
            {mine.length === 1 ? 'The picked region is' : `${mine.length} picked regions are`}
            <Choice
                label="Taken for"
                isLabelHidden
                value={solid}
                options={SOLIDS}
                names={NAMES}
                onChange={(one) => session.apply(setSolids({ labels: mine, solid: one }))}
            />
            <Tick
                checked={regions[mine[0]].inFront}
                disabled={!may}
                title="A brim, a plait, an arm: its shadow falls on the rest of the figure"
                onChange={(inFront) => session.apply(setInFront({ labels: mine, inFront }))}
            >
                In front of the rest: casts a shadow on it
            </Tick>
            <FlowDrawing labels={mine} />
            <div className="flex flex-wrap gap-1">
                <button className="act" disabled={!may} onClick={() => void session.work.roughIn(figure, plan, mine)}>
                    Light only these
                </button>
                <button className="act" onClick={() => bench.set({ pickedRegions: [] })}>
                    Pick none
                </button>
            </div>
        </div>
    );
}

/** Which way the picked regions run. */
function FlowDrawing({ labels }: { labels: number[] }) {
    const bench = useBenchModel();
    const session = useSession();
    const may = usePage(mayColour);
    const isDrawing = useBench((view) => view.isDrawingFlow);
    const told = usePage(({ records }) => Math.max(...labels.map((label) => records.region[label].flow?.length ?? 0)));
    return (
        <div className="flex flex-wrap items-center gap-1">
            <button
                className="act"
                disabled={!may || told >= MOST.directions}
                aria-pressed={isDrawing}
                title="Light does not turn along it: hair has no shade from root to tip, cloth falls in folds along it, a tube lies along it. Where strands part, draw one for each: between them it turns"
                onClick={() => bench.paint.drawFlow(!isDrawing)}
            >
                {isDrawing ? 'Now draw it on the page …' : told > 0 ? 'Draw one more' : 'Draw its direction'}
            </button>
            {told > 0 && (
                <button
                    className="act"
                    disabled={!may}
                    onClick={() => session.apply(setDirections({ labels: labels, line: null, more: true }))}
                >
                    {told === 1 ? 'Remove it' : `Remove all ${told}`}
                </button>
            )}
        </div>
    );
}
