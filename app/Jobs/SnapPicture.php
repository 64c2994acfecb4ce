<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\PageDesk;
use App\Desk\SeriesPalette;
use App\Models\Original;
use App\Models\ReferencePicture;
use App\Models\Task;
use App\Store\Originals;
use App\Store\PageStore;
use Awning\Core\Codec\Resized;
use Awning\Core\Exchange\ImageColours;
use Awning\Core\Page\PageSize;
use Awning\Core\Proof\PaletteMatch;
use Awning\Core\Proof\PaletteSnap;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\LayPicture;
use Awning\Core\Sheet\Sheet;
use Illuminate\Support\Str;

/** Lays a page that somebody else coloured over a page of ours, with its colours moved onto the palette. */
final class SnapPicture extends LongTask
{
    /** Pictures whose sides are in proportion to the page's within this are scaled to it. */
    private const PROPORTION = 0.01;

    public static function line(): string
    {
        return 'long';
    }

    protected function work(Task $task): void
    {
        $page = $task->onPage();
        $size = (new Sheet(new PageStore($page)))->size();
        $picture = $this->fitted($this->picture($task), $size);
        $this->step($task, 30, 'Holding it against the palette');
        $drift = (new PaletteMatch(ImageColours::tones((new SeriesPalette($page->series))->book())))->match($picture);
        $snapped = PaletteSnap::of($picture, $drift, fn (float $share) => $this->step($task, 40 + (int) (45 * $share), 'Moving its colours'));
        $this->step($task, 90, 'Laying it on the page');
        (new PageDesk)->land($task, new LayPicture(Str::lower(Str::random(12)), mb_substr((string) $task->input['name'], 0, 80), $snapped));
        (new Originals)->forget($task);
    }

    private function fitted(Paint $picture, PageSize $size): Paint
    {
        if (abs($picture->width * $size->height / ($picture->height * $size->width) - 1) > self::PROPORTION) {
            throw new OpRefused("The picture has $picture->width × $picture->height px, the page $size->width × $size->height. Cut it to the page's proportions and send it again.");
        }

        return Resized::to($picture, $size->width, $size->height);
    }

    private function picture(Task $task): Paint
    {
        $page = $task->onPage();
        $original = isset($task->input['reference'])
            ? ReferencePicture::query()->where('series_id', $page->series_id)->findOrFail($task->input['reference'])->original
            : Original::query()->where('page_id', $page->id)->findOrFail($task->input['original'] ?? 0);

        return $this->decoded($task, $original, 10, 'Reading the picture')->paint;
    }
}
