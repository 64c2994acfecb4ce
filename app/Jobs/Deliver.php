<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\LayeredFile;
use App\Desk\PagePicture;
use App\Models\Page;
use App\Models\Task;
use App\Store\PageStore;
use Awning\Core\Codec\ImageWriter;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\RecordKind;
use Awning\Core\Sheet\OpRefused;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/** Writes the page as a file to take away: always a new one, at full size. */
final class Deliver extends PageTask
{
    public const FORMATS = ['png', 'tiff', 'jpeg', 'ora'];

    protected function work(Task $task): void
    {
        $page = $task->page;
        $format = (string) $task->input['format'];
        $size = (new PageStore($page))->record(RecordKind::Page, PageSize::KEY);
        $dpi = $size instanceof PageSize ? $size->dpi : throw new OpRefused('The page is empty. Import a scan first.');
        $this->step($task, 5, 'Composing the page');
        $paint = (new PagePicture($page))->full(fn (float $share) => $this->step($task, 5 + (int) (55 * $share), 'Composing the page'));
        $this->step($task, 65, 'Writing the file');
        $path = sprintf('deliveries/%d/%s.%s', $page->id, Str::lower((string) Str::ulid()), $format);
        $disk = Storage::disk('works');
        if ($format === 'ora') {
            $file = sys_get_temp_dir().'/awning-'.Str::random(20).'.ora';
            try {
                (new LayeredFile($page))->write($file, $paint, $dpi);
                $disk->put($path, fopen($file, 'r'));
            } finally {
                @unlink($file);
            }
        } else {
            $disk->put($path, (new ImageWriter)->write($paint, $format, $dpi));
        }
        $task->forceFill(['result_path' => $path, 'result_name' => $this->name($page, $format)]);
    }

    private function name(Page $page, string $format): string
    {
        return sprintf('%s-p%02d-r%d.%s', Str::slug($page->series->name), $page->number, $page->revision, $format);
    }
}
