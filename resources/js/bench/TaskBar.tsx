import type { PageSession } from './session';

const WHAT = { import: 'Importing', clean: 'Cleaning', deliver: 'Delivering' };

/** Long work: how far it is, a stop, and what came of it. */
export function TaskBar({ session }: { session: PageSession }) {
    const task = session.task;
    if (task === null || task.state === 'failed') return null;
    const going = task.state === 'waiting' || task.state === 'working';
    return (
        <div role="status" className="absolute bottom-16 left-1/2 z-10 flex w-[30rem] max-w-[92%] -translate-x-1/2 items-center gap-3 border border-base-content/40 bg-base-100 px-4 py-2">
            {going && (
                <>
                    <span className="whitespace-nowrap">{WHAT[task.kind]}: {task.message}</span>
                    <progress className="progress progress-primary flex-1" value={task.progress} max={100} />
                    <span className="figures w-10 text-right">{task.progress} %</span>
                    <button className="act" onClick={() => void session.stopTask()}>Stop</button>
                </>
            )}
            {task.state === 'stopped' && <><span className="flex-1">{task.message}</span><button className="bare" onClick={() => session.dismissTask()}>Close</button></>}
            {task.state === 'done' && task.download !== null && (
                <>
                    <span className="min-w-0 flex-1 truncate">{task.name} is ready.</span>
                    <a className="act main" href={task.download} download>Save it</a>
                    <button className="bare" onClick={() => session.dismissTask()}>Close</button>
                </>
            )}
        </div>
    );
}
