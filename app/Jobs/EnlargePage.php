<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Page\PageDesk;
use App\Models\Task;
use Awning\Core\Sheet\Ops\Ink\EnlargePage as Enlarging;

/** Makes a page larger: all its layers are resampled. */
final class EnlargePage extends LongTask
{
    public static function line(): string
    {
        return TaskLine::LONG;
    }

    protected function work(Task $task): void
    {
        $this->step($task, 10, 'Enlarging every layer');
        (new PageDesk)->land($task, new Enlarging((float) $task->input['factor']));
    }
}
