<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\PageDesk;
use App\Models\Original;
use App\Models\Task;
use App\Store\Originals;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\Picture;
use Awning\Core\Codec\UnreadableImage;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Sheet\Ops\LayInk;

/** Reads a scan, cleans it, finds the regions and lays both on the page as one op. */
final class ImportScan extends PageTask
{
    protected function work(Task $task): void
    {
        $original = Original::query()->where('page_id', $task->page_id)->findOrFail($task->input['original']);
        $this->step($task, 5, 'Reading the scan');
        $picture = $this->picture($original);
        $this->step($task, 25, 'Cleaning the lines');
        $scan = (new ScanCleaner)->clean($picture->channels());
        $dpi = $picture->dpi;
        unset($picture);
        $this->step($task, 55, 'Finding the regions');
        $flats = FlatsFinder::forDpi($dpi)->find($scan->ink);
        $this->step($task, 80, 'Laying them on the page');
        (new PageDesk)->apply($task->page, $task->user, new LayInk("Import {$original->name}", $scan, $flats, $dpi, $original->id));
    }

    private function picture(Original $original): Picture
    {
        $originals = new Originals;
        try {
            return $originals->withFile($original, fn (string $file): Picture => (new ImageReader)->read($file));
        } catch (UnreadableImage $error) {
            $originals->discard($original);
            throw $error;
        }
    }
}
