<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Page\PageDesk;
use App\Models\Task;
use App\Values\Scalar;
use Awning\Core\Sheet\Ops\Ink\EnlargePage as Enlarging;
use Illuminate\Validation\Rule;

/** Makes a page larger: all its layers are resampled. */
final class EnlargePage extends LongTask implements ClientTask
{
    public static function kind(): string
    {
        return 'enlarge';
    }

    public static function right(): string
    {
        return 'colour';
    }

    public static function holding(): Holding
    {
        return Holding::Held;
    }

    public static function asked(TaskInput $asked): array
    {
        $input = $asked->checked(['factor' => ['required', 'numeric', Rule::in(Enlarging::FACTORS)]]);

        return ['factor' => $input->float('factor')];
    }

    public static function line(): string
    {
        return TaskLine::LONG;
    }

    protected function work(Task $task): void
    {
        $this->step($task, 10, 'Enlarging every layer');
        (new PageDesk)->land($task, new Enlarging(Scalar::float($task->input['factor'])));
    }
}
