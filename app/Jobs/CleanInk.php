<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\PageDesk;
use App\Models\Task;
use App\Store\PageStore;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Ink\CleanScan;
use Awning\Core\Ink\Levels;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Page\LayerName;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\LayInk;
use Awning\Core\Sheet\Sheet;

/** Cleans the page's scan again at other levels and finds the regions anew. */
final class CleanInk extends PageTask
{
    public static function line(): string
    {
        return 'long';
    }

    protected function work(Task $task): void
    {
        $sheet = new Sheet(new PageStore($task->page));
        $grid = $sheet->grid();
        $dpi = $sheet->size()->dpi;
        $darkness = new Plane($grid->width, $grid->height, $sheet->layer(LayerName::scan()));
        if (strspn($darkness->data, "\0") === strlen($darkness->data)) {
            throw new OpRefused('The page has no scan to clean. Import one first.');
        }
        $this->step($task, 30, 'Cleaning the lines');
        $levels = new Levels((int) $task->input['paper'], (int) $task->input['ink']);
        $scan = new CleanScan($darkness, $levels, (new ScanCleaner)->ink($darkness, $levels));
        $this->step($task, 50, 'Finding the regions');
        $flats = FlatsFinder::forDpi($dpi)->find($scan->ink);
        $this->step($task, 80, 'Laying them on the page');
        (new PageDesk)->land($task, new LayInk('Clean the ink', $scan, $flats, $dpi));
    }
}
