/** Lays the picture that was held against the palette over a page, its colours moved onto it. */
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../api/client';
import type { HeldAgainst } from '../api/taskKinds';
import { isGoing } from '../api/tasks';
import { useAsking } from '../ui/Form';
import { TaskLine } from '../ui/TaskLine';
import { useFollowed } from '../ui/useFollowed';

interface Props {
    series: number;
    what: Exclude<HeldAgainst, { page: number }>;
}

export function SnapPart({ series, what }: Props) {
    const [page, setPage] = useState<number | null>(null);
    const { data } = useQuery({ queryKey: ['series', series], queryFn: () => api.series(series) });
    const { task, begin, stop } = useFollowed();
    const { error, ask } = useAsking();
    if (data === undefined || (data.role !== 'owner' && data.role !== 'colourist')) return null;
    const lay = (onto: number): void => void ask(async () => begin(await api.begin(onto, 'snap', what)));
    return (
        <div className="mt-3 flex flex-wrap items-center gap-2">
            <span>Lay it over</span>
            <select
                className="field max-w-52"
                aria-label="Over which page"
                value={page ?? ''}
                onChange={(event) => setPage(event.target.value === '' ? null : Number(event.target.value))}
            >
                <option value="">which page?</option>
                {data.pages.map(({ id, number, title }) => (
                    <option key={id} value={id}>
                        p. {number} {title}
                    </option>
                ))}
            </select>
            <button
                className="act"
                disabled={page === null || isGoing(task)}
                title="As a pass of free paint, its colours on the palette; undo there takes it back"
                onClick={() => page !== null && lay(page)}
            >
                on the palette
            </button>
            {error !== null && <p role="alert">{error.message}</p>}
            {task !== null && <TaskLine task={task} onStop={stop} />}
            {task?.state === 'done' && page !== null && (
                <Link className="underline" to={`/bench/${page}`}>
                    It hangs there as a pass. Look at it.
                </Link>
            )}
        </div>
    );
}
