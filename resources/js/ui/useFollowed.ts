/** Long work of the series: begun here, followed until it ends. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { TaskState } from '../api/generated';
import { isGoing } from '../api/tasks';

const LOOK_EVERY = 400;

export interface Followed {
    task: TaskState | null;
    begin(task: TaskState): void;
    stop(): void;
}

export function useFollowed(): Followed {
    const client = useQueryClient();
    const [begun, setBegun] = useState<TaskState | null>(null);
    const key = ['task', begun?.id];
    const { data } = useQuery({
        queryKey: key,
        queryFn: () => api.task(begun?.id ?? 0),
        enabled: begun !== null,
        refetchInterval: ({ state }) => (isGoing(state.data ?? begun) ? LOOK_EVERY : false),
    });
    const task = data ?? begun;
    return {
        task,
        begin: setBegun,
        stop: () => {
            if (task !== null) void api.stopTask(task.id).then((ended) => client.setQueryData(key, ended));
        },
    };
}
