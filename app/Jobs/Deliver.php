<?php

declare(strict_types=1);

namespace App\Jobs;

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
use Awning\Core\Sheet\FlatsExport;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\StackBuilder;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/** Writes the page as a file to take away: always a new one, at full size. */
final class Deliver extends LongTask
{
    public const FORMATS = ['png', 'tiff', 'jpeg', 'ora', 'flats', 'flats-figures', 'flats-materials'];

    public static function line(): string
    {
        return TaskLine::QUICK;
    }

    protected function work(Task $task): void
    {
        $format = (string) $task->input['format'];
        $this->step($task, 5, 'Composing the page');
        $moment = PageMoment::of($task->onPage());
        $size = $moment->page->record(RecordKind::Page, PageSize::KEY);
        $dpi = $size instanceof PageSize ? $size->dpi : throw new OpRefused('The page is empty. Import a scan first.');
        if (str_starts_with($format, 'flats')) {
            $this->step($task, 40, 'Writing the flats');
            $this->flats($task, $moment, $format);

            return;
        }
        $paint = PagePicture::full($moment, fn (float $share) => $this->step($task, 5 + (int) (55 * $share), 'Composing the page'));
        $this->step($task, 65, 'Writing the file');
        if ($format !== 'ora') {
            $bytes = (new ImageWriter)->write($paint, $format, $dpi);
            $this->put($task, $moment, $bytes, strlen($bytes), $format);

            return;
        }
        $this->putFile($task, $moment, $format, fn (string $file) => (new LayeredFile($moment))->write($file, $paint, $dpi));
    }

    private function flats(Task $task, PageMoment $moment, string $format): void
    {
        $sheet = new Sheet($moment->page);
        $flats = new FlatsExport($sheet, (new StackBuilder)->build($sheet, $moment->palette));
        if ($format === 'flats') {
            $bytes = $flats->png();
            $this->put($task, $moment, $bytes, strlen($bytes), 'flats.png');
        } else {
            $this->putFile($task, $moment, "$format.ora", fn (string $file) => $format === 'flats-figures' ? $flats->figures($file, $moment->figures) : $flats->materials($file, $moment->materials));
        }
    }

    /** @param  callable(string): void  $write  into a file that is not there yet */
    private function putFile(Task $task, PageMoment $moment, string $ending, callable $write): void
    {
        $file = sys_get_temp_dir().'/awning-'.Str::random(20).'.ora';
        try {
            $write($file);
            $this->put($task, $moment, fopen($file, 'r') ?: throw new NotKept('The delivery could not be read again. Try once more.'), (int) filesize($file), $ending);
        } finally {
            @unlink($file);
        }
    }

    /** @param  resource|string  $contents */
    private function put(Task $task, PageMoment $moment, mixed $contents, int $size, string $ending): void
    {
        $path = $this->path($task->onPage(), $ending);
        (new WholeFile(Storage::disk('works')))->put($path, $contents, $size);
        $task->forceFill(['result_path' => $path, 'result_name' => $this->name($task->onPage(), $moment->revision, $ending)])->save();
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
