<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Task;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Throwable;

/** Works on whichever task is next in a line. There is one of these in the queue for each task that waits. */
final class NextTask implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    /** Without end: how often a task is begun is counted with the task. */
    public int $tries = 0;

    public int $timeout = 600;

    public bool $failOnTimeout = true;

    private const AGAIN_SECONDS = 1;

    public function __construct(public string $line)
    {
    }

    public function handle(): void
    {
        $line = new TaskLine($this->line);
        $task = $line->take();
        if ($task !== null) {
            try {
                Tasks::workOf($task)->run($task);
            } catch (Throwable $error) {
                if (! (new Tasks)->beginAgain($task, $error)) {
                    $this->fail($error);
                }
            }
        } elseif (! $line->isEmpty()) {
            // Those that wait must wait for other work on their pages.
            $this->release(self::AGAIN_SECONDS);
        }
    }

    /** It ran out of time: called in the process that worked on it, just before that ends. */
    public function failed(?Throwable $error): void
    {
        Task::query()
            ->where('worker', Worker::me())
            ->where('state', 'working')
            ->update([
                'state' => 'failed',
                'message' => sprintf(
                    'This took longer than %d minutes and was ended. Nothing was changed. Try it with a smaller '
                        .'file, or with less at once.',
                    intdiv($this->timeout, 60),
                ),
            ]);
    }
}
