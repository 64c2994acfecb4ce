<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\FlatsFile;
use App\Desk\LayeredFile;
use App\Desk\PageMoment;
use App\Desk\PagePicture;
use App\Models\Page;
use App\Models\Task;
use App\Store\NotKept;
use App\Store\WholeFile;
use Awning\Core\Codec\ImageWriter;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\RecordKind;
use Awning\Core\Sheet\OpRefused;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/** Writes the page as a file to take away: always a new one, at full size. */
final class Deliver extends PageTask
{
    public const FORMATS = ['png', 'tiff', 'jpeg', 'ora', 'flats'];

    public static function line(): string
    {
        return 'quick';
    }

    protected function work(Task $task): void
    {
        $format = (string) $task->input['format'];
        $this->step($task, 5, 'Composing the page');
        $moment = PageMoment::of($task->page);
        $size = $moment->page->record(RecordKind::Page, PageSize::KEY);
        $dpi = $size instanceof PageSize ? $size->dpi : throw new OpRefused('The page is empty. Import a scan first.');
        if ($format === 'flats') {
            $this->step($task, 40, 'Writing the flats');
            $bytes = (new FlatsFile($moment))->png();
            $this->put($task, $moment, $bytes, strlen($bytes), 'flats.png');

            return;
        }
        $paint = PagePicture::full($moment, fn (float $share) => $this->step($task, 5 + (int) (55 * $share), 'Composing the page'));
        $this->step($task, 65, 'Writing the file');
        if ($format !== 'ora') {
            $bytes = (new ImageWriter)->write($paint, $format, $dpi);
            $this->put($task, $moment, $bytes, strlen($bytes), $format);

            return;
        }
        $file = sys_get_temp_dir().'/awning-'.Str::random(20).'.ora';
        try {
            (new LayeredFile($moment))->write($file, $paint, $dpi);
            $this->put($task, $moment, fopen($file, 'r') ?: throw new NotKept('The delivery could not be read again. Try once more.'), (int) filesize($file), $format);
        } finally {
            @unlink($file);
        }
    }

    /** @param  resource|string  $contents */
    private function put(Task $task, PageMoment $moment, mixed $contents, int $size, string $ending): void
    {
        $path = $this->path($task->page, $ending);
        (new WholeFile(Storage::disk('works')))->put($path, $contents, $size);
        $task->forceFill(['result_path' => $path, 'result_name' => $this->name($task->page, $moment->revision, $ending)])->save();
    }

    private function path(Page $page, string $ending): string
    {
        return sprintf('deliveries/%d/%s.%s', $page->id, Str::lower((string) Str::ulid()), $ending);
    }

    private function name(Page $page, int $revision, string $format): string
    {
        return sprintf('%s-p%02d-r%d.%s', Str::slug($page->series->name), $page->number, $revision, $format);
    }
}
