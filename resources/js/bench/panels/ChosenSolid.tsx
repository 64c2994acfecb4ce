/** What can be said of picked regions before light is roughed in on them. */
import { SOLIDS, type LightPlanData, type Solid } from '../../api/generated';
import { mayColour } from '../../page/store';
import { Choice } from '../../ui/Choice';
import { Tick } from '../../ui/Tick';
import { useBench, useBenchModel, usePage, useSession } from '../model/context';

const NAMES: Record<Solid, string> = {
    round: 'as round as they are',
    flat: 'flat',
    ball: 'one ball each',
    tube: 'one tube each',
    shining: 'a light itself: no shade, glows',
};

export function ChosenSolid({ figure, plan }: { figure: number; plan: LightPlanData }) {
    const bench = useBenchModel();
    const session = useSession();
    const chosen = useBench((view) => view.chosen);
    const may = usePage(mayColour);
    const regions = usePage((view) => view.records.region);
    const mine = chosen.filter((label) => regions[label]?.figure === figure);
    if (mine.length === 0)
        return (
            <p className="quiet text-[13px]">
                With Pick (K) you can say which regions are flat, a ball, a tube or shine, which stand before the rest, or light only these.
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
                onChange={(one) => session.tellSolid(mine, one)}
            />
            <Tick
                checked={regions[mine[0]].before}
                disabled={!may}
                title="A brim, a plait, an arm: its shadow falls on the rest of the figure"
                onChange={(before) => session.standBefore(mine, before)}
            >
                before the rest: throws a shadow on it
            </Tick>
            <div className="flex flex-wrap gap-1">
                <button className="act" disabled={!may} onClick={() => void session.roughIn(figure, plan, mine)}>
                    Light only these
                </button>
                <button className="act" onClick={() => bench.set({ chosen: [] })}>
                    Let go
                </button>
            </div>
        </div>
    );
}
