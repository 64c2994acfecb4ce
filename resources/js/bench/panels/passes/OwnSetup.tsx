/** A setup that the series has kept: given away, changed, deleted. */
import { useEffect, useState } from 'react';
import { seriesOutbox } from '../../../page/seriesOutbox';
import { api } from '../../../api/client';
import { MOST, type PassData, type SetupFollowerState, type SetupPass, type SetupState } from '../../../api/generated';
import { isGoing } from '../../../api/tasks';
import { mayColour } from '../../../page/store';
import { Tick } from '../../../ui/Tick';
import { TaskLine } from '../../../ui/TaskLine';
import { useFollowed } from '../../../ui/useFollowed';
import { usePage, useSession, useTarget } from '../../model/context';
import { asSetup, besides, changedTo, hungFrom, painted, roughKind } from '../../model/setups';
import { joinSetup } from '../../../page/ops/passes/joinSetup';

export interface ChangeProps {
    onChange: (asked: Promise<SetupState[]>) => void;
}

interface OwnProps extends ChangeProps {
    setup: SetupState;
    /** The passes of the figure that is picked. */
    passes: [string, PassData][];
}

export function OwnSetup({ setup, passes, onChange }: OwnProps) {
    const series = usePage((view) => view.series.id);
    const may = usePage(mayColour);
    /** What it was before it was changed here; null: it was not. */
    const [before, setBefore] = useState<SetupPass[] | null>(null);
    const target = useTarget();
    const hung = hungFrom(passes, setup.id, target?.material.id ?? 0);
    const change = (asked: Promise<SetupState[]>): void => {
        setBefore(null);
        onChange(
            asked.then((setups) => {
                setBefore(setup.passes);
                return setups;
            }),
        );
    };
    return (
        <>
            <div className="flex flex-wrap gap-1">
                <a className="act" href={api.setupFileUrl(series, setup.id)} download={`${setup.name}.json`}>
                    Save as a file
                </a>
                <button
                    className="act"
                    disabled={!may}
                    onClick={() =>
                        onChange(
                            seriesOutbox(series)
                                .apply('setup.retire', { setup: setup.id })
                                .then(({ shown }) => shown),
                        )
                    }
                >
                    Delete it
                </button>
            </div>
            {hung.length > 0 && (
                <ChangeSetup setup={setup} hung={hung} others={besides(passes, hung)} onChange={change} />
            )}
            {before !== null && <Followers setup={setup} before={before} onDone={() => setBefore(null)} />}
        </>
    );
}

interface ChangeSetupProps extends ChangeProps {
    setup: SetupState;
    /** What hangs here of it. */
    hung: [string, PassData][];
    /** What hangs beside that, and may become part of it. */
    others: [string, PassData][];
}

/** Makes a setup what its passes have become here, and those beside them that are ticked part of it. */
function ChangeSetup({ setup, hung, others, onChange }: ChangeSetupProps) {
    const session = useSession();
    const series = usePage((view) => view.series.id);
    const may = usePage(mayColour);
    const [ticked, setTicked] = useState<string[]>([]);
    const joining = others.filter(([id]) => ticked.includes(id));
    const { ids: marked, labels } = painted(hung);
    /** What is painted by now in the regions that it was painted in when it was hung. */
    const marksNow = async (): Promise<Map<string, string | null>> => {
        const ids = [...marked, ...joining.map(([id]) => id)];
        const marks = labels.length === 0 ? null : await session.answer(api.marks(session.view.id, ids, labels));
        return new Map(marks?.marks.map((one, i) => [ids[i], one]));
    };
    const change = async (): Promise<SetupState[]> => {
        const marks = await marksNow();
        const added = joining.map(([id, pass]) => asSetup(pass, marks.get(id) ?? null, roughKind(id, pass.figure)));
        const { shown: setups } = await seriesOutbox(series).apply('setup.change', {
            setup: setup.id,
            passes: [...changedTo(setup, hung, marks), ...added],
        });
        const ids = joining.map(([id]) => id);
        if (ids.length > 0)
            session.apply(joinSetup({ passes: ids, setup: setup.id, first: setup.passes.length, marked: labels }));
        setTicked([]);
        return setups;
    };
    return (
        <>
            {others.length > 0 && (
                <fieldset className="flex flex-col gap-1 border border-base-300 px-2 pb-2 text-[13px]">
                    <legend className="quiet px-1">Hangs beside it; make part of it</legend>
                    {others.map(([id, pass]) => (
                        <Tick
                            key={id}
                            checked={ticked.includes(id)}
                            disabled={
                                !may ||
                                (!ticked.includes(id) && setup.passes.length + joining.length >= MOST.passesOfSetup)
                            }
                            onChange={(on) => setTicked(on ? [...ticked, id] : ticked.filter((one) => one !== id))}
                        >
                            {pass.name}
                        </Tick>
                    ))}
                </fieldset>
            )}
            <button
                className="act self-start"
                disabled={!may}
                title={`${setup.name} becomes what its passes are here: ${[...hung, ...joining].map(([, { name }]) => name).join(', ')}`}
                onClick={() => onChange(change())}
            >
                Change it to what hangs here
            </button>
        </>
    );
}

interface FollowersProps {
    setup: SetupState;
    before: SetupPass[];
    onDone: () => void;
}

/** Who follows a setup that was changed. */
function Followers({ setup, before, onDone }: FollowersProps) {
    const session = useSession();
    const series = usePage((view) => view.series.id);
    const [all, setAll] = useState<SetupFollowerState[] | null>(null);
    const [left, setLeft] = useState<number[]>([]);
    const { task, begin, stop } = useFollowed();
    const outcomes = task?.outcomes;
    useEffect(() => {
        api.setupFollowers(series, setup.id).then(setAll, (error: unknown) => session.report(error));
    }, [series, setup.id, session]);
    if (all === null) return null;
    const meant = all.map(({ page }) => page).filter((page) => !left.includes(page));
    const follow = (): void => {
        const asked = { setup: setup.id, pages: meant, known: before.length, before };
        void api.beginForSeries(series, 'follow', asked).then(begin, (error: unknown) => session.report(error));
    };
    return (
        <fieldset className="flex flex-col gap-1 border border-base-300 px-2 pb-2 text-[13px]">
            <legend className="quiet px-1">Who follows {setup.name}</legend>
            {all.map(({ page, number, figures }) => (
                <Tick
                    key={page}
                    checked={!left.includes(page)}
                    disabled={task !== null}
                    onChange={(on) => setLeft(on ? left.filter((one) => one !== page) : [...left, page])}
                >
                    <span>
                        p. {number}: {figures.join(', ')}
                        <span className="quiet"> {outcomes?.find((one) => one.page === page)?.why}</span>
                    </span>
                </Tick>
            ))}
            {task !== null && <TaskLine task={task} onStop={stop} />}
            <div className="flex gap-1">
                {task === null && (
                    <button className="act" disabled={meant.length === 0} onClick={follow}>
                        {meant.length === 1 ? 'This page follows' : `These ${meant.length} pages follow`}
                    </button>
                )}
                <button className="act" disabled={isGoing(task)} onClick={onDone}>
                    {task === null ? 'None does' : 'Close'}
                </button>
            </div>
        </fieldset>
    );
}
