<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Conflict;
use App\Models\Task;
use Awning\Core\Codec\UnreadableImage;
use Awning\Core\Sheet\OpRefused;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/** Work on a page that reports how far it is, can be stopped between steps, and says in plain words when it fails. */
abstract class PageTask implements ShouldQueue
{
    use Queueable;

    public int $tries = 2;

    public int $timeout = 600;

    final public function __construct(public int $taskId)
    {
    }

    abstract protected function work(Task $task): void;

    final public function handle(): void
    {
        $task = Task::query()->find($this->taskId);
        if ($task === null || ! in_array($task->state, ['waiting', 'working'], true)) {
            return;
        }
        try {
            $this->step($task, 2, 'Starting');
            $this->work($task);
            $task->forceFill(['state' => 'done', 'progress' => 100, 'message' => 'Done'])->save();
        } catch (Stopped) {
            return;
        } catch (OpRefused|UnreadableImage|Conflict $error) {
            $task->forceFill(['state' => 'failed', 'message' => mb_substr($error->getMessage(), 0, 400)])->save();
        }
    }

    public function failed(?Throwable $error): void
    {
        Task::query()->whereKey($this->taskId)->update(['state' => 'failed', 'message' => 'This did not work out because of an error on our side. Nothing was changed; try again.']);
    }

    /** @throws Stopped when somebody pressed stop meanwhile */
    protected function step(Task $task, int $progress, string $message): void
    {
        $alive = Task::query()->whereKey($task->id)->whereIn('state', ['waiting', 'working'])
            ->update(['state' => 'working', 'progress' => $progress, 'message' => $message, 'updated_at' => now()]);
        if ($alive === 0 && Task::query()->whereKey($task->id)->value('state') === 'stopped') {
            throw new Stopped;
        }
    }
}
