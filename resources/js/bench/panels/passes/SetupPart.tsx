/** Stacks of passes that are hung with one press, and kept for the next time. */
import { useEffect, useState } from 'react';
import type { SeriesOpInput } from '../../../api/seriesOps';
import { seriesOutbox } from '../../../page/seriesOutbox';
import { api } from '../../../api/client';
import { MOST, type PassData, type ScopeData, type SetupState } from '../../../api/generated';
import { mayColour } from '../../../page/store';
import type { Target } from '../../../page/target';
import { Fold } from '../../../ui/Fold';
import { useBench, usePage, useSession, useTarget } from '../../model/context';
import { AT_FIRST, planOf } from '../../model/keyLight';
import { asSetup, roughKind } from '../../model/setups';
import { OwnSetup, type ChangeProps } from './OwnSetup';
import { hangOn } from '../../../page/commands/setups';

export function SetupPart({ passes }: { passes: [string, PassData][] }) {
    return (
        <Fold title="Setups" help="light#setups">
            <Setups passes={passes} />
        </Fold>
    );
}

function Setups({ passes }: { passes: [string, PassData][] }) {
    const session = useSession();
    const target = useTarget();
    const series = usePage((view) => view.series.id);
    const [setups, setSetups] = useState<SetupState[] | null>(null);
    const [picked, setPicked] = useState(0);
    useEffect(() => {
        api.setups(series).then(setSetups, (error: unknown) => session.report(error));
    }, [series, session]);
    if (target === null || setups === null) return null;
    const setup = setups[picked] ?? setups[0];
    const change = (asked: Promise<SetupState[]>): void =>
        void asked.then(setSetups, (error: unknown) => session.report(error));
    return (
        <>
            <select
                className="field"
                aria-label="Setup"
                value={picked}
                onChange={(event) => setPicked(Number(event.target.value))}
            >
                {setups.map((one, i) => (
                    <option key={`${one.id} ${one.name}`} value={i}>
                        {one.name}
                    </option>
                ))}
            </select>
            <p className="quiet text-[13px]">{setup.passes.map((pass) => pass.name).join(' · ')}</p>
            <Hang setup={setup} target={target} />
            {setup.id > 0 && <OwnSetup key={setup.id} setup={setup} passes={passes} onChange={change} />}
            <KeepSetup passes={passes} figure={target.material.figure} onChange={change} />
        </>
    );
}

function litOf({ passes }: SetupState): string {
    const lit = passes.filter(({ rough }) => rough !== null);
    return lit.length === passes.length ? 'them all' : lit.map(({ name }) => name).join(' · ');
}

/** The picked regions of a figure that are there. */
function useChosenOf(figure: number): number[] {
    const pickedRegions = useBench((view) => view.pickedRegions);
    const regions = usePage((view) => view.records.region);
    return pickedRegions.filter((label) => regions[label]?.figure === figure);
}

function Hang({ setup, target }: { setup: SetupState; target: Target }) {
    const session = useSession();
    const may = usePage(mayColour);
    const { figure, id, name } = target.material;
    const labels = useChosenOf(figure);
    const regions = usePage((view) => view.records.region);
    const plan = usePage(({ palette }) => planOf(palette)?.plan ?? AT_FIRST);
    const isMarked = setup.passes.some(({ marks }) => marks !== null);
    const isLit = setup.passes.some(({ rough }) => rough !== null);
    const onFigure: ScopeData = { kind: 'figure', id: figure };
    /** What a first light fills is filled at once, where the setup is hung. */
    const hang = (scope: ScopeData, marked: number[], lit: number[]): void => {
        hangOn(session, setup, figure, scope, marked);
        if (isLit && (scope.kind === 'figure' || lit.length > 0)) void session.work.roughIn(figure, plan, lit);
    };
    const ofMaterial = (): number[] =>
        Object.entries(regions)
            .filter(([, region]) => region.material === id)
            .map(([label]) => Number(label));
    if (isMarked && labels.length > 0)
        return (
            <button className="act self-start" disabled={!may} onClick={() => hang(onFigure, labels, labels)}>
                Paint it in {labels.length === 1 ? 'the picked region' : `the ${labels.length} picked regions`}
            </button>
        );
    return (
        <>
            {isLit && <p className="quiet text-[13px]">A first light fills {litOf(setup)}, by the plan of the page.</p>}
            {isMarked && (
                <p className="quiet text-[13px]">
                    It holds what was painted: pick regions (K), and it is painted in them.
                </p>
            )}
            <div className="flex flex-wrap gap-1">
                <button
                    className="act"
                    disabled={!may}
                    onClick={() => hang({ kind: 'material', id }, [], ofMaterial())}
                >
                    Hang it on {name}
                </button>
                <button className="act" disabled={!may} onClick={() => hang(onFigure, [], [])}>
                    on all of {target.figureName}
                </button>
            </div>
        </>
    );
}

function KeepSetup({ passes, figure, onChange }: ChangeProps & { passes: [string, PassData][]; figure: number }) {
    const session = useSession();
    const series = usePage((view) => view.series.id);
    const may = usePage(mayColour);
    const labels = useChosenOf(figure);
    const [name, setName] = useState('');
    const kept = passes.slice(-MOST.passesOfSetup);
    /** What of each pass is painted in the picked regions; null when that could not be told. */
    const marksIn = async (ids: string[]): Promise<(string | null)[] | null> => {
        if (labels.length === 0) return ids.map(() => null);
        return (await session.answer(api.marks(session.view.id, ids, labels)))?.marks ?? null;
    };
    const added = async (input: SeriesOpInput<'setup.keep'>): Promise<SetupState[]> =>
        (await seriesOutbox(series).apply('setup.keep', input)).shown;
    const keep = async (): Promise<void> => {
        if (name.trim() === '' || kept.length === 0) return;
        const marks = await marksIn(kept.map(([id]) => id));
        if (marks === null) return;
        const list = kept
            .map(([id, pass], i) => asSetup(pass, marks[i], roughKind(id, figure)))
            // Of a thing that is picked, only the passes that do something there.
            .filter(({ marks: painted, rough }) => labels.length === 0 || painted !== null || rough !== null);
        onChange(added({ name: name.trim(), passes: list }));
        setName('');
    };
    const take = async (file: File | undefined): Promise<void> => {
        if (file !== undefined) onChange(added({ text: await file.text() }));
    };
    return (
        <>
            <div className="flex gap-1">
                <input
                    className="field min-w-0 flex-1"
                    aria-label="Name of a new setup"
                    placeholder="Lantern glass"
                    maxLength={60}
                    value={name}
                    disabled={!may || kept.length === 0}
                    onChange={(event) => setName(event.target.value)}
                    onKeyDown={(event) => event.key === 'Enter' && void keep()}
                />
                <button
                    className="act"
                    disabled={!may || name.trim() === '' || kept.length === 0}
                    title={
                        labels.length === 0
                            ? 'The passes, empty; with regions picked, what is painted in them, too'
                            : 'With what is painted in the picked regions'
                    }
                    onClick={() => void keep()}
                >
                    {labels.length === 0 ? 'Keep these passes' : 'Keep what is picked'}
                </button>
            </div>
            <label className={`act cursor-pointer self-start ${may ? '' : 'hidden'}`}>
                Take one from a file
                <input
                    type="file"
                    className="sr-only"
                    accept="application/json,.json"
                    onChange={(event) => void take(event.target.files?.[0])}
                />
            </label>
        </>
    );
}
