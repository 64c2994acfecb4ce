<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\PageDesk;
use App\Models\Original;
use App\Models\Task;
use App\Store\ChildDecoder;
use App\Store\Originals;
use Awning\Core\Codec\CutShort;
use Awning\Core\Codec\Picture;
use Awning\Core\Codec\UnreadableImage;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Sheet\Ops\LayInk;

/** Reads a scan, cleans it, finds the regions and lays both on the page as one op. */
final class ImportScan extends PageTask
{
    public static function line(): string
    {
        return 'long';
    }

    protected function work(Task $task): void
    {
        $original = Original::query()->where('page_id', $task->page_id)->findOrFail($task->input['original']);
        $this->step($task, 5, 'Reading the scan');
        $picture = $this->picture($task, $original);
        $this->step($task, 25, 'Cleaning the lines');
        $scan = (new ScanCleaner)->clean($picture->channels());
        $dpi = $picture->dpi;
        unset($picture);
        $this->step($task, 55, 'Finding the regions');
        $flats = FlatsFinder::forDpi($dpi)->find($scan->ink);
        $this->step($task, 80, 'Laying them on the page');
        (new PageDesk)->land($task, new LayInk("Import {$original->name}", $scan, $flats, $dpi, $original->id));
    }

    private function picture(Task $task, Original $original): Picture
    {
        $originals = new Originals;
        try {
            return $originals->withFile($original, fn (string $file): Picture => (new ChildDecoder)->read(
                $file, fn () => $this->step($task, 5, 'Reading the scan'), (bool) ($task->input['cut'] ?? false),
            ));
        } catch (CutShort $error) {
            // Kept: the person may say that what is there will do.
            $task->forceFill(['question' => ['kind' => 'cut', 'share' => (int) floor(100 * $error->share), 'original' => $original->id]]);
            throw $error;
        } catch (UnreadableImage $error) {
            $originals->discard($original);
            throw $error;
        }
    }
}
