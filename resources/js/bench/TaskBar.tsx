/** Long work: how far it is, a stop, and what came of it. */
import type { TaskState } from '../api/generated';
import type { PageTaskKind } from '../api/taskKinds';
import { isGoing } from '../api/tasks';
import { usePage, useSession } from './model/context';

/** What the bar calls each kind of work on a page. */
const WHAT: Record<PageTaskKind, string> = {
    import: 'Importing',
    clean: 'Cleaning',
    regions: 'Regions',
    enlarge: 'Enlarging',
    take: 'Taking over',
    deliver: 'Delivering',
    snap: 'Taking over',
    rough: 'First light',
    tidy: 'Tidying lines',
};

export function TaskBar() {
    const task = usePage((view) => view.task);
    if (task === null || (task.state === 'failed' && task.question === null)) return null;
    return (
        <div
            role="status"
            className="absolute bottom-16 left-1/2 z-10 flex w-[30rem] max-w-[92%] -translate-x-1/2 items-center gap-3 border border-base-content/40 bg-base-100 px-4 py-2"
        >
            {isGoing(task) ? <Going task={task} /> : <Ended task={task} />}
        </div>
    );
}

function Going({ task }: { task: TaskState }) {
    const session = useSession();
    return (
        <>
            <span className="whitespace-nowrap">
                {WHAT[task.kind as PageTaskKind]}: {task.message}
            </span>
            <progress
                className="progress progress-primary flex-1"
                value={task.progress}
                max={100}
                aria-label={task.message}
            />
            <span className="figures w-10 text-right">{task.progress} %</span>
            <button className="act" onClick={() => void session.work.stop()}>
                Stop
            </button>
        </>
    );
}

function Ended({ task }: { task: TaskState }) {
    const session = useSession();
    const isReady = task.state === 'done' && task.download !== null;
    return (
        <>
            <span className={isReady ? 'min-w-0 flex-1 truncate' : 'min-w-0 flex-1'} title={task.name ?? undefined}>
                {isReady ? `${task.name} is ready.` : task.message}
            </span>
            {task.question !== null && (
                <button
                    className="act main"
                    onClick={() => void session.work.importWaiting(task.question?.original ?? 0, { cut: true })}
                >
                    Import the {task.question.share} %
                </button>
            )}
            {isReady && (
                <a className="act main" href={task.download ?? undefined} download>
                    Save it
                </a>
            )}
            <button className="bare" onClick={() => session.work.dismiss()}>
                Close
            </button>
        </>
    );
}
