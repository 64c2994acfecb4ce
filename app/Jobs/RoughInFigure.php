<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\FigureLight;
use App\Desk\PageDesk;
use App\Models\Figure;
use App\Models\Task;
use App\Store\PageStore;
use Awning\Core\Light\LightPlan;
use Awning\Core\Page\Data;
use Awning\Core\Sheet\Sheet;

/** Works out a first light on a figure of a page. */
final class RoughInFigure extends LongTask
{
    public static function line(): string
    {
        return 'long';
    }

    protected function work(Task $task): void
    {
        $page = $task->onPage();
        $figure = Figure::query()->where('series_id', $page->series_id)->findOrFail($task->input['figure'] ?? 0);
        /** @var array{plan?: array<string, mixed>, only?: list<int>} $input */
        $input = $task->input;
        $this->step($task, 5, 'Looking at the shapes');
        $light = new FigureLight(new Sheet(new PageStore($page)), $figure);
        $op = $light->by(LightPlan::fromData(new Data($input['plan'] ?? [])), $input['only'] ?? [], fn (float $done) => $this->step($task, 15 + (int) (60 * $done), 'Working out the light'));
        $this->step($task, 75, 'Laying it on the page');
        (new PageDesk)->land($task, $op);
    }
}
