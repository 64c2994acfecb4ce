/** Corrects the picked material's colour on this page: in all of its regions, or in those that are picked. */
import { useState } from 'react';
import type { MaterialState, ShiftData, TurnData } from '../../../api/generated';
import { randomId } from '../../../page/ids';
import { mayColour, mayFlat } from '../../../page/store';
import { outOfRange } from '../../../picture/lightness';
import { hexOf } from '../../../picture/oklch';
import { shifted } from '../../../picture/shift';
import { toColour } from '../../../picture/colour';
import { Fold } from '../../../ui/Fold';
import { useBench, useBenchModel, usePage, useSession, useTarget } from '../../model/context';
import { MaterialOptions } from '../passes/MaterialOptions';
import { AS_IT_IS, TurnSlides } from '../passes/TurnSlides';
import { fillRegions } from '../../../page/ops/flats/fillRegions';
import { shiftColours } from '../../../page/ops/flats/shiftColours';
import { filledWith } from '../../../page/ops/shown';

export function ColourPart() {
    const target = useTarget();
    // How many there are changes with every fill; what they are is asked for when it is needed.
    const count = usePage(
        (view) => Object.values(view.records.region).filter(({ material }) => material === target?.material.id).length,
    );
    if (target === null || count === 0) return null;
    return (
        <Fold title={`Colour of ${target.material.name} here`} help="flats#colour-here">
            <OutOfRange material={target.material} />
            <Sliders key={target.material.id} material={target.material} />
            <Exchange material={target.material} />
        </Fold>
    );
}

function OutOfRange({ material }: { material: MaterialState }) {
    const words = outOfRange(toColour(material.tones.base));
    if (words === null) return null;
    return <p role="note">{words}</p>;
}

function Sliders({ material }: { material: MaterialState }) {
    const bench = useBenchModel();
    const session = useSession();
    const isBlocked = usePage((view) => !mayColour(view));
    const pickedRegions = useBench((view) => view.pickedRegions);
    const regions = usePage((view) => view.records.region);
    const shifts = usePage((view) => view.records.shift);
    // A shift that is begun keeps its name while it is dragged.
    const [fresh, setFresh] = useState(() => randomId(12));
    const meant = bench.flats.shiftable();
    const known =
        meant.map((label) => regions[label].shift).find((shift) => shift !== null && shifts[shift] !== undefined) ??
        null;
    const isWhole = pickedRegions.length === 0;
    const now: TurnData = known === null ? AS_IT_IS : shifts[known];
    const id = known !== null && (isWhole || isOnlyOf(known, meant, regions)) ? known : fresh;
    const values = (change: Partial<TurnData>): ShiftData => ({
        ...AS_IT_IS,
        ...pick(now),
        ...change,
        material: material.id,
    });
    const preview = (change: Partial<TurnData>): void =>
        session.preview(shiftColours({ id, labels: meant, values: values(change) }));
    const settle = (change: Partial<TurnData>): void => {
        session.apply(shiftColours({ id, labels: meant, values: values(change) }));
        setFresh(randomId(12));
    };
    return (
        <>
            <p className="quiet">
                {isWhole
                    ? `On this page only, in ${meant.length} of its regions.`
                    : `In the ${meant.length} picked regions only.`}
            </p>
            <TurnSlides value={now} disabled={isBlocked || meant.length === 0} onChange={preview} onSettle={settle} />
            {known !== null && (
                <Settled material={material} now={now} isBlocked={isBlocked} onBack={() => settle(AS_IT_IS)} />
            )}
        </>
    );
}

const pick = ({ lightness, chroma, hue }: TurnData): TurnData => ({ lightness, chroma, hue });

/** Whether no other region wears a shift. */
function isOnlyOf(shift: string, labels: number[], regions: Record<string, { shift: string | null }>): boolean {
    const wearing = Object.entries(regions).filter(([, region]) => region.shift === shift);
    return wearing.every(([label]) => labels.includes(Number(label)));
}

interface SettledProps {
    material: MaterialState;
    now: TurnData;
    isBlocked: boolean;
    onBack: () => void;
}

function Settled({ material, now, isBlocked, onBack }: SettledProps) {
    const session = useSession();
    const series = usePage((view) => view.series.name);
    const everywhere = (): void => {
        const colour = shifted(toColour(material.tones.base), now);
        onBack();
        void session.palette.pin(material, 'base', hexOf(colour));
    };
    return (
        <div className="flex flex-wrap gap-2">
            <button className="act" disabled={isBlocked} onClick={onBack}>
                As the palette says
            </button>
            <button className="act" disabled={isBlocked} title={`All pages of ${series} follow`} onClick={everywhere}>
                Change the palette so
            </button>
        </div>
    );
}

/** Another material in place of this one, on the page or in what is picked. */
function Exchange({ material }: { material: MaterialState }) {
    const bench = useBenchModel();
    const session = useSession();
    const figures = usePage((view) => view.palette.figures);
    const isBlocked = usePage((view) => !mayFlat(view));
    const exchange = (id: string): void => {
        const other = figures.flatMap((figure) => figure.materials).find((one) => one.id === Number(id));
        if (other !== undefined) session.apply(fillRegions({ labels: bench.flats.shiftable(), ...filledWith(other) }));
    };
    return (
        <label className="flex items-center gap-2">
            <span className="shrink-0">Exchange for</span>
            <select
                className="field min-w-0 flex-1"
                disabled={isBlocked}
                value=""
                onChange={(event) => exchange(event.target.value)}
            >
                <option value="">another material …</option>
                <MaterialOptions but={material.id} />
            </select>
        </label>
    );
}
