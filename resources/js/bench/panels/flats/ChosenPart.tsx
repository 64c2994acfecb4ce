/** What can be done with regions that are picked. */
import { useState } from 'react';
import { mayColour, mayFlat } from '../../../page/store';
import { NamedOptions } from '../../../ui/NamedOptions';
import { NumberField } from '../../../ui/NumberField';
import { useBench, useBenchModel, usePage, useSession, useTarget } from '../../model/context';
import { PickedChoice } from './PickedChoice';
import { fillRegions } from '../../../page/ops/flats/fillRegions';
import { joinRegions } from '../../../page/ops/flats/joinRegions';
import { lockRegions } from '../../../page/ops/flats/lockRegions';
import { resizeRegions } from '../../../page/ops/flats/resizeRegions';
import { chooseVariant } from '../../../page/ops/flats/chooseVariant';
import { filledWith } from '../../../page/ops/shown';

const FARTHEST = 50;

export function ChosenPart() {
    const bench = useBenchModel();
    const pickedRegions = useBench((view) => view.pickedRegions);
    const regions = usePage((view) => view.records.region);
    const there = pickedRegions.filter((label) => regions[label] !== undefined);
    if (there.length === 0) return null;
    const area = there.reduce((sum, label) => sum + regions[label].area, 0);
    return (
        <div className="rule-t flex flex-col gap-2 py-2 text-[13px]">
            <h3 className="heading flex items-center justify-between">
                {there.length === 1 ? 'One region picked' : `${there.length} regions picked`}
                <button className="act" onClick={() => bench.set({ pickedRegions: [] })}>
                    Pick none
                </button>
            </h3>
            <p className="quiet figures">{area.toLocaleString('en')} px</p>
            <Doing labels={there} isLocked={there.every((label) => regions[label].locked)} />
        </div>
    );
}

function Doing({ labels, isLocked }: { labels: number[]; isLocked: boolean }) {
    const session = useSession();
    const bench = useBenchModel();
    const target = useTarget();
    const isBlocked = usePage((view) => !mayFlat(view));
    const join = (): void => {
        session.apply(joinRegions({ labels }));
        bench.set({ pickedRegions: [] });
    };
    return (
        <>
            <div className="flex flex-wrap gap-2">
                {target !== null && (
                    <button
                        className="act main"
                        disabled={isBlocked || isLocked}
                        onClick={() => session.apply(fillRegions({ labels: labels, ...filledWith(target.material) }))}
                    >
                        Fill with {target.material.name}
                    </button>
                )}
                {labels.length > 1 && (
                    <button className="act" disabled={isBlocked || isLocked} onClick={join}>
                        Join
                    </button>
                )}
                <button
                    className="act"
                    disabled={isBlocked}
                    aria-pressed={isLocked}
                    onClick={() => session.apply(lockRegions({ labels, locked: !isLocked }))}
                >
                    {isLocked ? 'Unlock' : 'Lock'}
                </button>
            </div>
            <Resize labels={labels} isBlocked={isBlocked || isLocked} />
            <GiveTo labels={labels} isLocked={isLocked} />
            <VariantChoice labels={labels} isLocked={isLocked} />
        </>
    );
}

/** A variant of the palette for a panel, or for anything that is picked. */
function VariantChoice({ labels, isLocked }: { labels: number[]; isLocked: boolean }) {
    const session = useSession();
    const variants = usePage((view) => view.palette.variants);
    const regions = usePage((view) => view.records.region);
    const isBlocked = usePage((view) => !mayColour(view)) || isLocked;
    if (variants.length === 0) return null;
    return (
        <PickedChoice
            label="Variant"
            disabled={isBlocked}
            has={labels.map((label) => regions[label].variant)}
            options={variants}
            onPick={(variant) => session.apply(chooseVariant({ labels, variant }))}
        />
    );
}

/** Regions that are their own thing, or another figure's: they take their materials with them. */
function GiveTo({ labels, isLocked }: { labels: number[]; isLocked: boolean }) {
    const session = useSession();
    const figures = usePage((view) => view.palette.figures);
    const regions = usePage((view) => view.records.region);
    const isBlocked =
        usePage((view) => !mayColour(view)) || isLocked || labels.every((label) => regions[label].material === 0);
    const give = (value: string): void => {
        if (value === 'new') void session.palette.giveTo(labels, null, `New figure ${figures.length + 1}`);
        else if (value !== '') void session.palette.giveTo(labels, Number(value), '');
    };
    return (
        <label className="flex items-center gap-2">
            <span className="shrink-0">Give to</span>
            <select
                className="field min-w-0 flex-1"
                disabled={isBlocked}
                value=""
                onChange={(event) => give(event.target.value)}
            >
                <option value="">another figure …</option>
                <option value="new">a new figure</option>
                <NamedOptions of={figures} />
            </select>
        </label>
    );
}

function Resize({ labels, isBlocked }: { labels: number[]; isBlocked: boolean }) {
    const session = useSession();
    const [by, setBy] = useState(2);
    return (
        <div className="flex flex-wrap items-end gap-2">
            <NumberField label="By, px" className="w-16" value={by} least={1} most={FARTHEST} onChange={setBy} />
            <button
                className="act"
                disabled={isBlocked}
                onClick={() => session.apply(resizeRegions({ labels, by: by }))}
            >
                Grow
            </button>
            <button
                className="act"
                disabled={isBlocked}
                onClick={() => session.apply(resizeRegions({ labels, by: -by }))}
            >
                Shrink
            </button>
            <button
                className="act"
                disabled={isBlocked}
                onClick={() => session.apply(resizeRegions({ labels, by: 0 }))}
            >
                Fill holes
            </button>
        </div>
    );
}
