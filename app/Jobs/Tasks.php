<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Page;
use App\Models\QueuedJob;
use App\Models\Series;
use App\Models\Task;
use App\Models\User;
use App\Store\Originals;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Validation\ValidationException;

/** Long work: begun, stopped, and taken up again when the process that did it died. */
final class Tasks
{
    private const JOBS = ['import' => ImportScan::class, 'clean' => ImportScan::class, 'regions' => FindRegions::class, 'enlarge' => EnlargePage::class, 'take' => TakeOver::class, 'deliver' => Deliver::class, 'reference' => ReadReference::class, 'match' => HoldAgainst::class, 'snap' => SnapPicture::class, 'rough' => RoughInFigures::class];

    /** Work on a file that is of no more use when it fails; an import may be asked for again. */
    public const ONCE = ['take', 'match', 'snap'];

    /** So many pieces of one person's may wait. */
    private const MOST = 20;

    /** A task of which no queue knows has lost its job; so long a doubt is left to one that is just being begun. */
    private const ORPHAN_SECONDS = 15;

    /**
     * The task and its job, both or neither, where the queue lies in the same database.
     *
     * @param  array<string, mixed>  $input
     * @param  ?string  $lease  the lease of the page it changes; null when it changes nothing
     */
    public function begin(Page|Series $of, User $user, string $kind, array $input, ?string $lease = null): Task
    {
        return DB::transaction(function () use ($of, $user, $kind, $input, $lease): Task {
            // In the order in which an op locks what it is about and who asks: the other way round, each would wait for the other.
            $of->newQuery()->whereKey($of->id)->sharedLock()->firstOrFail();
            // Two requests at a time must not both find room for one.
            User::query()->lockForUpdate()->findOrFail($user->id);
            if (Task::query()->where('user_id', $user->id)->whereIn('state', ['waiting', 'working'])->where('created_at', '>', now()->subHour())->count() >= self::MOST) {
                throw ValidationException::withMessages(['task' => 'Twenty pieces of work are waiting already. Let some finish first.']);
            }
            $task = Task::query()->create([
                $of instanceof Page ? 'page_id' : 'series_id' => $of->id, 'user_id' => $user->id, 'kind' => $kind, 'state' => 'waiting', 'progress' => 0, 'message' => 'Waiting',
                'input' => $input, 'lease' => $lease,
            ]);
            $this->queue($task);

            return $task;
        });
    }

    /** @return bool false when it had ended before */
    public function stop(Task $task): bool
    {
        // Waits for a landing that is under way: then the answer is that it is done.
        $isStopped = Task::query()->whereKey($task->id)->whereIn('state', ['waiting', 'working'])
            ->update(['state' => 'stopped', 'message' => 'Stopped. Nothing was changed.']) === 1;
        if ($isStopped && in_array($task->kind, ['import', ...self::ONCE], true)) {
            (new Originals)->forget($task);
        }

        return $isStopped;
    }

    /**
     * Looks for work whose process died and gives it to another one.
     *
     * @return int how many pieces were taken up
     */
    public function takeUpAgain(): int
    {
        $taken = 0;
        /** @var list<Task> $going */
        $going = Task::query()->whereIn('state', ['waiting', 'working'])->get()->all();
        foreach ($going as $task) {
            $taken += $this->isOrphan($task) && $this->requeue($task) ? 1 : 0;
        }

        return $taken;
    }

    private function isOrphan(Task $task): bool
    {
        if ($task->state === 'working') {
            return $task->worker !== null && Worker::isGone($task->worker);
        }

        if ($this->jobs() === null || $task->created_at >= now()->subSeconds(self::ORPHAN_SECONDS)) {
            return false;
        }
        // Lost, or taken by a worker that died before it could say so.
        $job = $this->jobs()->where('id', $task->job_id)->first(['reserved_at']);

        return $job === null || ($job->reserved_at !== null && $job->reserved_at < now()->subSeconds(self::ORPHAN_SECONDS)->getTimestamp());
    }

    /** The job is made free where it still lies in the queue, and made anew where it is lost. */
    private function requeue(Task $task): bool
    {
        return DB::transaction(function () use ($task): bool {
            /** @var ?Task $row */
            $row = Task::query()->lockForUpdate()->find($task->id);
            if ($row === null || ! $this->isOrphan($row)) {
                return false;
            }
            $row->forceFill(['state' => 'waiting', 'worker' => null, 'message' => 'The server was interrupted; it begins again'])->save();
            $freed = $this->jobs()?->where('id', $row->job_id)->update(['reserved_at' => null, 'available_at' => now()->getTimestamp()]) ?? 0;
            if ($freed === 0) {
                $this->queue($row);
            }

            return true;
        });
    }

    private function queue(Task $task): void
    {
        /** @var class-string<LongTask> $job */
        $job = self::JOBS[$task->kind];
        $id = Queue::pushOn($job::line(), new $job($task->id));
        if (is_int($id)) {
            $task->forceFill(['job_id' => $id])->save();
        }
    }

    /** The queue's table; null when the queue lies elsewhere and sees to its own lost jobs. */
    private function jobs(): ?Builder
    {
        return config('queue.connections.'.config('queue.default').'.driver') === 'database' ? QueuedJob::query()->toBase() : null;
    }
}
