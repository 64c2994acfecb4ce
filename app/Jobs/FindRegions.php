<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Page\PageDesk;
use App\Desk\WorkerProcesses;
use App\Models\Task;
use App\Store\PageStore;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Sheet\InkLayers;
use Awning\Core\Sheet\Ops\Ink\LayInk;
use Awning\Core\Sheet\Sheet;

/** Finds the regions anew after lines were drawn or taken away. */
final class FindRegions extends LongTask implements ClientTask
{
    public static function kind(): string
    {
        return 'regions';
    }

    public static function right(): string
    {
        return 'flat';
    }

    public static function holding(): Holding
    {
        return Holding::Held;
    }

    public static function asked(TaskInput $asked): array
    {
        return [];
    }

    public static function line(): string
    {
        return TaskLine::LONG;
    }

    protected function work(Task $task): void
    {
        $sheet = new Sheet(new PageStore($task->onPage()));
        $this->step($task, 20, 'Finding the regions');
        $flats = FlatsFinder::forDpi($sheet->size()->dpi)->find(
            (new InkLayers($sheet))->whole(),
            array_values(LayInk::decided($sheet)),
            new WorkerProcesses(2),
        );
        $this->step($task, 80, 'Laying them on the page');
        $op = new LayInk('Find the regions', null, $flats);
        $report = $op->report($sheet);
        (new PageDesk)->land($task, $op);
        $task->say($report);
    }
}
