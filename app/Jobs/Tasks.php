<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Page;
use App\Models\QueuedJob;
use App\Models\Series;
use App\Models\Task;
use App\Models\User;
use App\Store\Originals;
use App\Values\Scalar;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Validation\ValidationException;
use Throwable;

/** Long work: begun, stopped, and taken up again when the process that did it died. */
final class Tasks
{
    /** So many pieces of one person's may wait. */
    private const MOST = 20;

    /** So often a task is begun: once, and twice more when a worker dies over it. */
    private const ATTEMPTS = 3;

    /** A task that has waited for so long must have a job in the queue. */
    private const ORPHAN_SECONDS = 15;

    private const ERROR = 'This did not work out because of an error on our side. Nothing was changed; try again.';

    /**
     * The task and a job for it, both or neither, where the queue lies in the same database.
     *
     * @param  array<string, mixed>  $input
     * @param  ?string  $lease  the lease of the page it changes; null when it changes nothing
     */
    public function begin(Page|Series $of, User $user, string $kind, array $input, ?string $lease = null): Task
    {
        return DB::transaction(function () use ($of, $user, $kind, $input, $lease): Task {
            // In the order in which an op locks what it is about and who asks: the other way round, each would wait for
            // the other.
            $of->newQuery()->whereKey($of->id)->sharedLock()->firstOrFail();
            // Two requests at a time must not both find room for one.
            User::query()->lockForUpdate()->findOrFail($user->id);
            $waiting = $this->replaced($of, $user, $kind, $input);
            if ($waiting !== null) {
                $waiting->forceFill(['input' => $input, 'lease' => $lease])->save();

                return $waiting;
            }
            if (
                Task::query()
                    ->where('user_id', $user->id)
                    ->whereIn('state', ['waiting', 'working'])
                    ->where('created_at', '>', now()->subHour())
                    ->count() >= self::MOST
            ) {
                throw ValidationException::withMessages([
                    'task' => 'Twenty pieces of work are waiting already. Let some finish first.',
                ]);
            }
            $task = Task::query()->create([
                $of instanceof Page ? 'page_id' : 'series_id' => $of->id,
                'user_id' => $user->id,
                'kind' => $kind,
                'line' => TaskKinds::of($kind)::line(),
                'state' => 'waiting',
                'progress' => 0,
                'message' => 'Waiting',
                'input' => $input,
                'lease' => $lease,
            ]);
            Queue::pushOn($task->line, new NextTask($task->line));

            return $task;
        });
    }

    /**
     * A task that waits and becomes what is asked for, instead of being followed by it.
     *
     * @param  array<string, mixed>  $input
     */
    private function replaced(Page|Series $of, User $user, string $kind, array $input): ?Task
    {
        /** @var list<Task> $waiting */
        $waiting = Task::query()
            ->where($of instanceof Page ? 'page_id' : 'series_id', $of->id)
            ->where('user_id', $user->id)
            ->where('kind', $kind)
            ->where('state', 'waiting')
            ->lockForUpdate()
            ->get()
            ->all();
        foreach ($waiting as $task) {
            if (TaskKinds::of($kind)::replaces($task->input, $input)) {
                return $task;
            }
        }

        return null;
    }

    public static function workOf(Task $task): LongTask
    {
        return new (TaskKinds::of($task->kind))();
    }

    /** @return bool false when it had ended before */
    public function stop(Task $task): bool
    {
        // Waits for a landing that is under way: then the answer is that it is done.
        $isStopped =
            Task::query()
                ->whereKey($task->id)
                ->whereIn('state', ['waiting', 'working'])
                ->update(['state' => 'stopped', 'message' => TaskKinds::of($task->kind)::stopped($task->refresh())]) ===
            1;
        if ($isStopped && TaskKinds::of($task->kind)::forgetsFileWhenStopped()) {
            (new Originals)->forget($task);
        }

        return $isStopped;
    }

    /** Puts a task of which a part is done back into its line. */
    public function goOn(Task $task): void
    {
        DB::transaction(function () use ($task): void {
            if (
                Task::query()
                    ->whereKey($task->id)
                    ->where('state', 'working')
                    ->update(['state' => 'waiting', 'worker' => null, 'attempts' => 0]) === 1
            ) {
                Queue::pushOn($task->line, new NextTask($task->line));
            }
        });
    }

    /**
     * @return bool whether work in which an error of ours came up is begun again; false when that was tried often
     *     enough
     */
    public function beginAgain(Task $task, Throwable $error): bool
    {
        report($error);

        return $this->again($task->id, fn (Task $row): bool => $row->state === 'working');
    }

    /**
     * Looks for work whose process died and gives it to another one, and for tasks that no job in the queue is there
     * for.
     *
     * @return int how many pieces were taken up
     */
    public function takeUpAgain(): int
    {
        $isLost = fn (Task $task): bool => $task->state === 'working' &&
            $task->worker !== null &&
            Worker::isGone($task->worker);
        $taken = 0;
        foreach (Task::query()->where('state', 'working')->get()->filter($isLost)->modelKeys() as $id) {
            $taken += $this->again((int) $id, $isLost) ? 1 : 0;
        }

        return $taken + $this->pushMissing(TaskLine::QUICK) + $this->pushMissing(TaskLine::LONG);
    }

    /** @param  callable(Task): bool  $isLost  asked once more under the task's lock */
    private function again(int $id, callable $isLost): bool
    {
        return DB::transaction(function () use ($id, $isLost): bool {
            /** @var ?Task $row */
            $row = Task::query()->lockForUpdate()->find($id);
            if ($row === null || ! $isLost($row)) {
                return false;
            }
            if ($row->attempts >= self::ATTEMPTS) {
                $row->forceFill(['state' => 'failed', 'worker' => null, 'message' => self::ERROR])->save();

                return false;
            }
            $row->forceFill([
                'state' => 'waiting',
                'worker' => null,
                'message' => 'The server was interrupted; it begins again',
            ])->save();
            Queue::pushOn($row->line, new NextTask($row->line));

            return true;
        });
    }

    /** @return int how many jobs the queue had lost, or a worker that died had taken */
    private function pushMissing(string $line): int
    {
        $waiting = Task::query()
            ->where('state', 'waiting')
            ->where('line', $line)
            ->where('updated_at', '<', now()->subSeconds(self::ORPHAN_SECONDS))
            ->count();
        $missing =
            $waiting === 0
                ? 0
                : max(
                    0,
                    $waiting - ($this->jobs()?->where('queue', $line)->whereNull('reserved_at')->count() ?? $waiting),
                );
        for ($i = 0; $i < $missing; $i++) {
            Queue::pushOn($line, new NextTask($line));
        }

        return $missing;
    }

    /** The queue's table; null when the queue lies elsewhere and sees to its own lost jobs. */
    private function jobs(): ?Builder
    {
        return config('queue.connections.'.Scalar::string(config('queue.default')).'.driver') === 'database'
            ? QueuedJob::query()->toBase()
            : null;
    }
}
