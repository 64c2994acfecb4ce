/** What flatting needs: what is left, the figures and how much of the page each has, and the bridges. */
import { useState } from 'react';
import type { FigureState, RecordsState } from '../../../api/generated';
import { unfilled } from '../../../page/records';
import { mayColour, sizeOf } from '../../../page/store';
import { Choice } from '../../../ui/Choice';
import { Tick } from '../../../ui/Tick';
import { Fold } from '../../../ui/Fold';
import { Panel } from '../../../ui/Panel';
import { useBench, useBenchModel, usePage, useSession, useTarget } from '../../model/context';
import { VEILS, type Veil } from '../../model/flatsModel';
import { BridgesPart } from './BridgesPart';
import { ChosenPart } from './ChosenPart';
import { ColourPart } from './ColourPart';
import { CuesPart } from './CuesPart';
import { FindingsPart } from '../proof/FindingsPart';
import { TakePart } from './TakePart';
import { ValueBar } from './ValueBar';

export function FlatsPanel() {
    const isEmpty = usePage((view) => sizeOf(view) === null);
    if (isEmpty) {
        return (
            <Panel title="Flats" help="flats">
                <p className="quiet text-[13px]">There are no regions before there is line art.</p>
            </Panel>
        );
    }
    return (
        <Panel title="Flats" help="flats">
            <Left />
            <ChosenPart />
            <CuesPart />
            <ColourPart />
            <Figures />
            <BridgesPart />
            <FindingsPart stage="flats" />
            <TakePart />
        </Panel>
    );
}

interface Share {
    regions: number;
    area: number;
}

/** By figure id; 0 for what is unfilled. */
function shares(regions: RecordsState['region']): Map<number, Share> {
    const found = new Map<number, Share>();
    for (const region of Object.values(regions)) {
        const figure = region.material === 0 ? 0 : region.figure;
        const share = found.get(figure) ?? { regions: 0, area: 0 };
        found.set(figure, { regions: share.regions + 1, area: share.area + region.area });
    }
    return found;
}

const percent = (part: number, whole: number): string =>
    whole === 0 ? '0 %' : `${((100 * part) / whole).toFixed(1)} %`;
const regionsOf = (count: number): string => `${count} ${count === 1 ? 'region' : 'regions'}`;

function Left() {
    const bench = useBenchModel();
    const open = usePage((view) => unfilled(view.records).length);
    const total = usePage((view) => Object.keys(view.records.region).length);
    const number = usePage((view) => view.number);
    return (
        <div className="flex flex-col gap-1.5 pb-3">
            <p>{open === 0 ? `All ${regionsOf(total)} are filled.` : `${open} of ${regionsOf(total)} left`}</p>
            {open === 0 && <div className="joy" aria-hidden />}
            <progress
                className="progress progress-primary w-full"
                value={total - open}
                max={Math.max(1, total)}
                aria-label="Regions filled"
            />
            {open > 0 && (
                <div className="flex flex-wrap gap-2">
                    <button className="act" onClick={() => bench.flats.nextUnfilled()}>
                        Next unfilled <kbd className="key">N</kbd>
                    </button>
                    {number > 1 && (
                        <button
                            className="act"
                            title="Proposes the materials of the matching regions on the page before. You look before they are filled"
                            onClick={() => void bench.flats.suggestAsBefore()}
                        >
                            As on page {number - 1}
                        </button>
                    )}
                </div>
            )}
        </div>
    );
}

function Figures() {
    const figures = usePage((view) => view.palette.figures);
    const regions = usePage((view) => view.records.region);
    const found = shares(regions);
    const whole = [...found.values()].reduce((sum, share) => sum + share.area, 0);
    return (
        <Fold title="Figures" help="flats#colour-here" tells={String(figures.length)} isOpen={true}>
            <VeilChoice />
            {figures.length === 0 && (
                <p className="quiet text-[13px]">The palette has no figures yet. Add them on the series page.</p>
            )}
            <ul>
                {figures.map((figure) => (
                    <FigureRow
                        key={`${figure.id} ${figure.name}`}
                        figure={figure}
                        share={found.get(figure.id)}
                        whole={whole}
                    />
                ))}
            </ul>
            <ValueBar />
        </Fold>
    );
}

const VEIL_NAMES: Record<Veil, string> = {
    none: 'all of the page',
    figure: 'only the picked figure',
    material: 'only the picked material',
};

function VeilChoice() {
    const bench = useBenchModel();
    const veil = useBench((view) => view.veil);
    return (
        <div className="flex items-center gap-2 pb-1 text-[13px]">
            <span aria-hidden>Show clearly</span>
            <Choice
                label="Show clearly"
                isLabelHidden
                className="min-w-0 flex-1"
                value={veil}
                options={VEILS}
                names={VEIL_NAMES}
                onChange={(one) => bench.set({ veil: one })}
            />
        </div>
    );
}

function FigureRow({ figure, share, whole }: { figure: FigureState; share: Share | undefined; whole: number }) {
    const isPicked = useTarget()?.material.figure === figure.id;
    const colour = figure.materials[0]?.tones.base ?? '#888888';
    return (
        <li className={`grid grid-cols-[1fr_auto] gap-x-2 py-1 text-[13px] ${isPicked ? 'heading' : ''}`}>
            <span className="truncate" title={figure.name}>
                {figure.name}
            </span>
            <span className="figures quiet">{share === undefined ? 'none' : percent(share.area, whole)}</span>
            <span
                className="col-span-2 mt-0.5 flex h-1.5 bg-base-200"
                title={share === undefined ? 'nothing is filled with it yet' : regionsOf(share.regions)}
            >
                <span style={{ width: `${(100 * (share?.area ?? 0)) / Math.max(1, whole)}%`, background: colour }} />
            </span>
            {isPicked && <FigureSettings figure={figure} hasRegions={share !== undefined} />}
        </li>
    );
}

/** Of the picked figure: its name, its place in the depth, and all of its regions at once. */
function FigureSettings({ figure, hasRegions }: { figure: FigureState; hasRegions: boolean }) {
    const bench = useBenchModel();
    const session = useSession();
    const isBlocked = usePage((view) => !mayColour(view));
    const [name, setName] = useState(figure.name);
    const pickAll = (): void => {
        const { region } = session.view.records;
        bench.set({
            tool: 'choose',
            pickedRegions: Object.keys(region)
                .map(Number)
                .filter((label) => region[label].figure === figure.id),
        });
    };
    const rename = (): void => {
        const wanted = name.trim();
        if (wanted !== '' && wanted !== figure.name) void session.palette.changeFigure(figure.id, { name: wanted });
        else setName(figure.name);
    };
    return (
        <span className="col-span-2 flex flex-wrap items-center gap-2 pt-1.5 font-normal">
            <input
                className="field min-w-0 flex-1"
                aria-label="Name of the figure"
                maxLength={80}
                disabled={isBlocked}
                value={name}
                onChange={(event) => setName(event.target.value)}
                onBlur={rename}
                onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
            />
            <button
                className="act"
                disabled={isBlocked}
                onClick={() => void session.palette.changeFigure(figure.id, { nearer: 1 })}
            >
                Nearer
            </button>
            <button
                className="act"
                disabled={isBlocked}
                onClick={() => void session.palette.changeFigure(figure.id, { nearer: -1 })}
            >
                Farther
            </button>
            <button className="act" disabled={!hasRegions} onClick={pickAll}>
                Pick all of it
            </button>
            <Tick
                title="Where it meets other figures its picture is softened by a pixel. The flats themselves stay hard."
                disabled={isBlocked}
                checked={figure.soft}
                onChange={(soft) => void session.palette.changeFigure(figure.id, { soft })}
            >
                Soft outer edge
            </Tick>
        </span>
    );
}
