/**
 * Any picture held against the palette: which of its colours are the palette’s, which are near, and where it drifts.
 */
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { HeldAgainst } from '../api/taskKinds';
import type { MatchedData, MatchReport, TaskState, Verdict } from '../api/generated';
import { PICTURES } from '../board/BoardTools';
import { isGoing } from '../api/tasks';
import { FilePicker } from '../ui/FilePicker';
import { useAsking } from '../ui/Form';
import { SnapPart } from './SnapPart';
import { TaskLine } from '../ui/TaskLine';
import { useFollowed } from '../ui/useFollowed';

const SAYS: Record<Verdict, string> = { exact: '= the tone', near: '≈ near it', unknown: '≠ no tone of ours' };

/** A colour that covers less says little; the file to take away has all. */
const SMALLEST = 0.0005;

export function HoldPart({ series }: { series: number }) {
    const { task, begin, stop } = useFollowed();
    const { error, ask } = useAsking();
    const [held, setHeld] = useState<HeldAgainst | null>(null);
    const hold = (what: HeldAgainst): void =>
        void ask(async () => {
            setHeld(what);
            begin(await api.beginForSeries(series, 'match', what));
        });
    return (
        <section aria-label="A picture against the palette">
            <h2 className="heading mb-1 text-base">Hold a picture against the palette</h2>
            <p className="quiet mb-2">A page of ours, a picture from the board, or a file somebody else coloured.</p>
            <div className="flex flex-wrap items-center gap-2">
                <FilePicker
                    label="A file"
                    name="A picture to hold against the palette"
                    accept={PICTURES}
                    disabled={isGoing(task)}
                    onFiles={([file]) => hold({ picture: file })}
                />
                <OfOurs series={series} disabled={isGoing(task)} onHold={hold} />
            </div>
            {error !== null && <p role="alert">{error.message}</p>}
            {task !== null && <TaskLine task={task} onStop={stop} />}
            {task?.match !== undefined && task.match !== null && (
                <>
                    <Result key={task.id} task={task} report={task.match} />
                    {held !== null && !('page' in held) && (
                        <SnapPart key={`snap ${task.id}`} series={series} what={held} />
                    )}
                </>
            )}
        </section>
    );
}

function OfOurs({
    series,
    disabled,
    onHold,
}: {
    series: number;
    disabled: boolean;
    onHold: (what: HeldAgainst) => void;
}) {
    const { data } = useQuery({ queryKey: ['series', series], queryFn: () => api.series(series) });
    const { data: pictures } = useQuery({
        queryKey: ['pictures', series, null],
        queryFn: () => api.pictures(series, null),
    });
    const choose = (value: string): void => {
        const [kind, id] = value.split(' ');
        if (kind === 'page') onHold({ page: Number(id) });
        if (kind === 'picture') onHold({ reference: Number(id) });
    };
    return (
        <select
            className="field min-w-0 flex-1"
            aria-label="A page or a picture of ours"
            disabled={disabled}
            value=""
            onChange={(event) => choose(event.target.value)}
        >
            <option value="">A page or a picture of ours …</option>
            {data?.pages.map((page) => (
                <option key={page.id} value={`page ${page.id}`}>
                    p. {page.number} {page.title}
                </option>
            ))}
            {pictures
                ?.filter(({ width }) => width !== null)
                .map((picture) => (
                    <option key={picture.id} value={`picture ${picture.id}`}>
                        {picture.name}
                    </option>
                ))}
        </select>
    );
}

function Result({ task, report }: { task: TaskState; report: MatchReport }) {
    const [marked, setMarked] = useState<MatchedData | null>(null);
    const rows = report.rows.filter(({ share }) => share >= SMALLEST);
    const most = Math.max(...rows.map(({ share }) => share));
    return (
        <div className="mt-3 flex flex-col gap-2">
            <p>{said(report)}</p>
            {task.download !== null && <DriftPicture url={task.download} report={report} marked={marked} />}
            <table className="figures w-full text-[13px]">
                <thead>
                    <tr className="quiet text-left">
                        <th className="font-normal">share</th>
                        <th className="font-normal">there</th>
                        <th className="font-normal">nearest tone</th>
                        <th className="text-right font-normal">ΔE00</th>
                        <th className="pl-2 font-normal">so it is</th>
                    </tr>
                </thead>
                <tbody>
                    {rows.map((row) => (
                        <tr
                            key={`${row.colour} ${row.x} ${row.y}`}
                            tabIndex={0}
                            onFocus={() => setMarked(row)}
                            onPointerEnter={() => setMarked(row)}
                        >
                            <td className="w-24">
                                <span className="flex items-center gap-1">
                                    <span
                                        className="h-2 bg-base-content"
                                        style={{ width: `${(2.4 * row.share) / most}rem` }}
                                    />
                                    {(100 * row.share).toFixed(1)} %
                                </span>
                            </td>
                            <td>
                                <span className="flex items-center gap-1">
                                    <span className="h-5 w-8" style={{ background: row.colour }} /> {row.colour}
                                </span>
                            </td>
                            <td className="max-w-40 truncate" title={row.tone}>
                                {row.tone}
                            </td>
                            <td className="text-right">{row.deltaE.toFixed(1)}</td>
                            <td className="pl-2 whitespace-nowrap">{SAYS[row.verdict]}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
            {task.download !== null && (
                <a className="act narrow self-start" href={task.download} download>
                    Download the picture
                </a>
            )}
        </div>
    );
}

const VIEWS = { drift: 'Where it drifts', before: 'As it is', snapped: 'On the palette' } as const;
type PictureView = keyof typeof VIEWS;

const SAYING: Record<PictureView, string> = {
    drift: 'Grey is as it should be; the further off a colour is, the more it glows. A ring shows where the line you are on lies.',
    before: 'As it was sent.',
    snapped: 'What is near a tone becomes it; edges follow. What the palette does not know stays.',
};

function DriftPicture({ url, report, marked }: { url: string; report: MatchReport; marked: MatchedData | null }) {
    const [view, setView] = useState<PictureView>('drift');
    return (
        <figure>
            <div className="mb-1 flex gap-2">
                {(Object.keys(VIEWS) as PictureView[]).map((one) => (
                    <button key={one} className="act narrow" aria-pressed={one === view} onClick={() => setView(one)}>
                        {VIEWS[one]}
                    </button>
                ))}
            </div>
            <span className="relative inline-block">
                <img
                    src={view === 'drift' ? url : `${url}?part=${view}`}
                    alt={`${VIEWS[view]}: ${report.name}`}
                    className="max-h-72 max-w-full"
                />
                {marked !== null && (
                    <span
                        className="plane-mark"
                        style={{
                            left: `${(100 * marked.x) / report.width}%`,
                            top: `${(100 * marked.y) / report.height}%`,
                        }}
                    />
                )}
            </span>
            <figcaption className="quiet text-[13px]">{SAYING[view]}</figcaption>
        </figure>
    );
}

/** How much of a picture is the palette’s, in one sentence. */
function said({ name, width, height, rows }: MatchReport): string {
    const of = (verdict: Verdict): string => {
        const share = rows.filter((row) => row.verdict === verdict).reduce((sum, row) => sum + row.share, 0);
        return `${(100 * share).toFixed(0)} %`;
    };
    return `${name}, ${width} × ${height} px: ${of('exact')} are the palette’s tones, ${of('near')} are near one, ${of('unknown')} are none of ours.`;
}
