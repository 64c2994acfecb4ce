<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Page\PageDesk;
use App\Models\Task;
use App\Store\PageStore;
use App\Values\Scalar;
use Awning\Core\Brush\TidyLines;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Ink\DrawInk;
use Awning\Core\Sheet\Sheet;

/**
 * Makes the lines that were drawn on a page meet: ends that reach too far are cut, ends that nearly touch are joined.
 */
final class TidyInk extends LongTask implements ClientTask
{
    /** How far lines may reach beyond another, and how far apart ends may lie, px. */
    public const RULES = ['overshoot' => 'required|numeric|between:0,200', 'gap' => 'required|numeric|between:0,200'];

    public static function kind(): string
    {
        return 'tidy';
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
        $input = $asked->checked(self::RULES);

        return ['overshoot' => $input->float('overshoot'), 'gap' => $input->float('gap')];
    }

    public static function line(): string
    {
        return TaskLine::LONG;
    }

    protected function work(Task $task): void
    {
        $this->step($task, 10, 'Looking at the lines');
        $lines = (new Sheet(new PageStore($task->onPage())))->all(InkStroke::class);
        $changed = TidyLines::proposed(
            $lines,
            Scalar::float($task->input['overshoot']),
            Scalar::float($task->input['gap']),
        );
        if ($changed === []) {
            throw new OpRefused('All lines meet already. Nothing was changed.');
        }
        $this->step($task, 30, sprintf('Drawing %d lines anew', count($changed)));
        (new PageDesk)->land($task, new DrawInk($changed));
    }
}
