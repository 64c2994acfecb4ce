/** Long work on the page: begun here, followed until it ends. */
import { api } from '../api/client';
import type { TaskState } from '../api/generated';
import { Failure } from '../api/http';
import { isGoing } from '../api/tasks';

const LOOK_EVERY = 300;

export class Tasks {
    current: TaskState | null = null;
    private ended = false;

    constructor(
        private readonly page: number,
        private readonly changed: () => void,
        private readonly finished: (task: TaskState) => Promise<void> | void,
        private readonly failed: (error: unknown) => void,
    ) {}

    /** Goes on following what was begun before the window was reloaded. */
    async resume(): Promise<void> {
        const [task] = await api.tasks(this.page).catch(() => []);
        if (task !== undefined) await this.follow(task);
    }

    /** @return how it ended; null when it was not even begun */
    async begin(ask: () => Promise<TaskState>): Promise<TaskState | null> {
        try {
            return await this.follow(await ask());
        } catch (error) {
            this.failed(error);
            return null;
        }
    }

    async stop(): Promise<void> {
        if (this.current !== null) this.set(await api.stopTask(this.current.id));
    }

    dismiss(): void {
        this.set(null);
    }

    end(): void {
        this.ended = true;
    }

    private set(task: TaskState | null): void {
        this.current = task;
        this.changed();
    }

    private async follow(task: TaskState): Promise<TaskState | null> {
        this.set(task);
        while (!this.ended && isGoing(this.current) && this.current?.id === task.id) {
            await new Promise((done) => setTimeout(done, LOOK_EVERY));
            try {
                this.set(await api.task(task.id));
            } catch (error) {
                if (!(error instanceof Failure) || !error.passes) throw error;
            }
        }
        const ended = this.current;
        if (ended === null || ended.id !== task.id) return null;
        await this.finished(ended);
        return ended;
    }
}
