/** Changes a mood of the series to the layers of this page, and the pages that are shown in it with it. */
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../../../api/client';
import type { MadeMood } from '../../../api/seriesOps';
import { mayColour } from '../../../page/store';
import { TaskLine } from '../../../ui/TaskLine';
import { Tick } from '../../../ui/Tick';
import { useFollowed } from '../../../ui/useFollowed';
import { usePage, useSession } from '../../model/context';
import { useMoodOps } from './useMoodOps';

interface Props {
    mood: { key: string; id: number; version: number; name: string };
    made: MadeMood;
    /** Pages follow: what comes of them is shown, though the layers here are the mood's by now. */
    onBegun: () => void;
    onDone: () => void;
}

export function MoodPages({ mood, made, onBegun, onDone }: Props) {
    const session = useSession();
    const series = usePage((view) => view.series.id);
    const may = usePage(mayColour);
    const change = useMoodOps(series);
    const { task, begin, stop } = useFollowed();
    const [turned, setTurned] = useState<number[]>([]);
    const { data: pages, isPending } = useQuery({
        queryKey: ['moodFollowers', series, mood.key],
        queryFn: () => api.moodFollowers(series, mood.key),
        // What is told of the pages is how they were before the mood was changed.
        enabled: task === null,
        staleTime: 0,
    });
    const others = (pages ?? []).filter(({ page }) => page !== session.view.id);
    // A page with changes of its own keeps them, unless somebody ticks it.
    const isMeant = ({ page, isChanged }: { page: number; isChanged: boolean }): boolean =>
        isChanged === turned.includes(page);
    const meant = others.filter(isMeant).map(({ page }) => page);
    const go = async (): Promise<void> => {
        if (meant.length > 0) onBegun();
        if (!(await change('mood.change', { mood: mood.id, version: mood.version, ...made })) || meant.length === 0)
            return;
        const begun = await session.answer(api.beginForSeries(series, 'mood', { mood: mood.id, pages: meant }));
        if (begun !== null) begin(begun);
    };
    return (
        <div className="flex flex-col gap-1 border border-base-300 p-2 text-[13px]">
            {others.length > 0 && <p className="quiet">Other pages shown in “{mood.name}” that change with it:</p>}
            {others.map((one) => (
                <Tick
                    key={one.page}
                    checked={isMeant(one)}
                    disabled={task !== null || !may}
                    onChange={() =>
                        setTurned(
                            turned.includes(one.page)
                                ? turned.filter((page) => page !== one.page)
                                : [...turned, one.page],
                        )
                    }
                >
                    <span>
                        p. {one.number}: {one.title}
                        {one.isChanged && <span className="quiet"> has changes of its own, which would go</span>}
                        <span className="quiet"> {task?.outcomes?.find(({ page }) => page === one.page)?.why}</span>
                    </span>
                </Tick>
            ))}
            {task !== null && <TaskLine task={task} onStop={stop} />}
            {task === null ? (
                <button className="act self-start" disabled={!may || isPending} onClick={() => void go()}>
                    Change the series’ “{mood.name}” to these layers
                </button>
            ) : (
                <button className="act self-start" onClick={onDone}>
                    Close
                </button>
            )}
        </div>
    );
}
