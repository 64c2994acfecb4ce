import type { TaskState } from './generated';

/** Whether long work has not ended yet. */
export const isGoing = (task: TaskState | null): boolean => task?.state === 'waiting' || task?.state === 'working';
