/** The series' drift: each material page by page as strips, the worst first, each with a way to its place. */
import { useQueries, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { useEffect } from 'react';
import { api } from '../api/client';
import type { PageColoursState } from '../api/generated';
import { isGoing } from '../api/tasks';
import { useAsking } from '../ui/Form';
import { TaskLine } from '../ui/TaskLine';
import { useFollowed } from '../ui/useFollowed';
import { csvOf, driftOf, worst, type Cell, type Row, type Worst } from './drift';
import { HoldPart } from './HoldPart';
import type { PaletteDesk } from './usePalette';

const WORST = 10;
/** How often pages that are being measured are asked for, ms. */
const LOOK_EVERY = 1000;
/** Less than this nobody sees (CIEDE2000; common practice). */
const UNSEEN = 1;

export function DriftPart({ desk }: { desk: PaletteDesk }) {
    const id = desk.overview?.id ?? 0;
    const version = desk.overview?.palette.version;
    const { data: series } = useQuery({ queryKey: ['series', id], queryFn: () => api.series(id) });
    const pages = series?.pages ?? [];
    const asked = useQueries({
        queries: pages.map((page) => ({
            queryKey: ['colours', page.id, page.revision, version],
            queryFn: () => api.pageColours(page.id),
            refetchInterval: ({ state }: { state: { data?: PageColoursState | null } }) =>
                state.data === null ? LOOK_EVERY : false,
        })),
    });
    const here = asked
        .map(({ data }) => data)
        .filter((data): data is PageColoursState => data !== undefined && data !== null);
    const isUnmeasured = asked.some(({ data }) => data === null);
    const { task, begin, stop } = useFollowed();
    const { error, ask } = useAsking();
    const state = task?.state;
    useEffect(() => {
        if (isUnmeasured && state !== 'failed' && state !== 'stopped' && !isGoing(task))
            void ask(async () => begin(await api.beginForSeries(id, 'colours', {})));
        // Once for each state of the pages; what was stopped stays stopped.
        // eslint-disable-next-line react-hooks/exhaustive-deps
    }, [isUnmeasured, id, version]);
    const rows = driftOf(desk.overview?.palette.figures ?? [], here);
    const found = worst(rows, WORST).filter(({ amount }) => amount >= UNSEEN);
    return (
        <div className="flex flex-col gap-4">
            <HoldPart series={id} />
            <h2 className="heading rule-t pt-3 text-base">From page to page</h2>
            <p className="quiet">
                Three bands a page: the flats, the flats with the light on them, and what the reader sees, mood and all.
                Numbers are CIEDE2000; a row’s is its largest step from page to page.
            </p>
            {error !== null && <p role="alert">{error.message}</p>}
            {task !== null && <TaskLine task={task} onStop={stop} />}
            <section aria-label="The worst">
                <h2 className="heading mb-1 text-base">Furthest off</h2>
                {series !== undefined && found.length === 0 && here.length === pages.length && (
                    <p>Nothing drifts: all pages wear the palette’s colours.</p>
                )}
                <ol className="text-[13px]">
                    {found.map((one) => (
                        <WorstLine key={`${one.row.material} ${one.cell.page.page}`} one={one} />
                    ))}
                </ol>
            </section>
            <section aria-label="All materials" className="rule-t pt-3">
                <div className="mb-1 flex items-baseline justify-between">
                    <h2 className="heading text-base">All materials</h2>
                    <button className="act narrow" disabled={rows.length === 0} onClick={() => save(csvOf(rows))}>
                        As CSV
                    </button>
                </div>
                <ul>
                    {rows.map((row) => (
                        <Strip key={row.material} row={row} />
                    ))}
                </ul>
            </section>
        </div>
    );
}

function WorstLine({ one: { row, cell, amount } }: { one: Worst }) {
    const isFlat = cell.flat >= amount;
    return (
        <li className="flex items-center gap-2 py-0.5">
            <span className="min-w-0 flex-1 truncate">{row.name}</span>
            <span className="quiet figures whitespace-nowrap">
                ΔE {amount.toFixed(1)} {isFlat ? 'to the palette' : 'to the page before'}
            </span>
            <span className="h-5 w-10" style={{ background: isFlat ? row.base : previous(row, cell) }} />
            <span className="-ml-2 h-5 w-10" style={{ background: isFlat ? cell.seen.flat : cell.seen.seen }} />
            <PlaceLink cell={cell} />
        </li>
    );
}

const previous = (row: Row, cell: Cell): string => row.cells[row.cells.indexOf(cell) - 1]?.seen.seen ?? row.base;

function PlaceLink({ cell }: { cell: Cell }) {
    return (
        <Link className="act narrow" to={`/bench/${cell.page.page}?at=${cell.seen.x},${cell.seen.y}`}>
            p. {cell.page.number}
        </Link>
    );
}

function Strip({ row }: { row: Row }) {
    return (
        <li className="flex items-center gap-2 py-1 text-[13px]">
            <span className="w-40 truncate" title={row.name}>
                {row.name}
            </span>
            <span className="flex min-w-0 flex-1">
                {row.cells.map((cell) => (
                    <Link
                        key={cell.page.page}
                        to={`/bench/${cell.page.page}?at=${cell.seen.x},${cell.seen.y}`}
                        title={`Page ${cell.page.number}: flats ${cell.seen.flat}, ΔE ${cell.flat.toFixed(1)} to the palette; with light ${cell.seen.lit}; seen as ${cell.seen.seen}`}
                        className="flex h-8 min-w-2 flex-1 flex-col"
                    >
                        <span className="h-2" style={{ background: cell.seen.flat }} />
                        <span className="h-2.5" style={{ background: cell.seen.lit }} />
                        <span className="flex-1" style={{ background: cell.seen.seen }} />
                    </Link>
                ))}
            </span>
            <span className="quiet figures w-10 text-right">
                {Math.max(...row.cells.map(({ before }) => before ?? 0)).toFixed(1)}
            </span>
        </li>
    );
}

function save(csv: string): void {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([csv], { type: 'text/csv' }));
    link.download = 'drift.csv';
    link.click();
    URL.revokeObjectURL(link.href);
}
