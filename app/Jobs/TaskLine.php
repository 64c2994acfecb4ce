<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Task;
use Illuminate\Database\Query\Builder;

/**
 * The order in which tasks are worked on: the person's who was served longest ago, and of theirs the oldest. So twenty
 * tasks of one person do not hold up the first one of another.
 */
final readonly class TaskLine
{
    public const QUICK = 'quick';

    public const LONG = 'long';

    public function __construct(private string $name)
    {
    }

    /** Takes the next task out of the line, for this process to work on. @return ?Task null when none can be begun */
    public function take(): ?Task
    {
        while (($id = $this->next()) !== null) {
            // Another process may have taken it meanwhile.
            $taken = Task::query()
                ->whereKey($id)
                ->where('state', 'waiting')
                ->increment('attempts', 1, [
                    'state' => 'working',
                    'worker' => Worker::me(),
                    'begun_at' => now()->format('Y-m-d H:i:s.u'),
                ]);
            if ($taken === 1) {
                return Task::query()->findOrFail($id);
            }
        }

        return null;
    }

    public function isEmpty(): bool
    {
        return ! Task::query()->where('state', 'waiting')->where('line', $this->name)->exists();
    }

    private function next(): ?int
    {
        $served = Task::query()
            ->toBase()
            ->selectRaw('MAX(begun_at)')
            ->from('tasks as earlier')
            ->whereColumn('earlier.user_id', 'tasks.user_id')
            ->where('earlier.line', $this->name);
        $id = Task::query()
            ->toBase()
            ->where('state', 'waiting')
            ->where('line', $this->name)
            // Work on one page is done one piece after the other: a second piece would only hold a worker.
            ->when(
                $this->name === self::LONG,
                fn (Builder $tasks) => $tasks->whereNotExists(
                    fn (Builder $busy) => $busy
                        ->selectRaw('1')
                        ->from('tasks as busy')
                        ->whereColumn('busy.page_id', 'tasks.page_id')
                        ->where('busy.line', self::LONG)
                        ->where('busy.state', 'working'),
                ),
            )
            ->orderBy($served)
            ->orderBy('id')
            ->value('id');

        return is_int($id) ? $id : null;
    }
}
