/** Long work in a line: how far it is, with a stop, or why it ended early. */
import type { TaskState } from '../api/generated';
import { isGoing } from '../api/tasks';

export function TaskLine({ task, onStop }: { task: TaskState; onStop: () => void }) {
    if (task.state === 'failed' || task.state === 'stopped') return <p role="alert">{task.message}</p>;
    if (!isGoing(task)) return null;
    return (
        <p className="mt-2 flex items-center gap-3" role="status">
            <span>{task.message}</span>
            <progress
                className="progress progress-primary flex-1"
                value={task.progress}
                max={100}
                aria-label={task.message}
            />
            <button className="act narrow" onClick={onStop}>
                Stop
            </button>
        </p>
    );
}
