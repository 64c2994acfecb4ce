<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Page\PageDesk;
use App\Desk\Palette\SeriesPalette;
use App\Models\Task;
use App\Store\Originals;
use App\Store\PageStore;
use App\Values\Scalar;
use Awning\Core\Codec\Resized;
use Awning\Core\Exchange\ImageColours;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\PageSize;
use Awning\Core\Proof\PaletteMatch;
use Awning\Core\Proof\PaletteSnap;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Paint\LayPicture;
use Awning\Core\Sheet\Sheet;
use Illuminate\Support\Str;

/** Lays a page that somebody else coloured over a page of ours, with its colours moved onto the palette. */
final class SnapPicture extends LongTask implements ClientTask
{
    public static function kind(): string
    {
        return 'snap';
    }

    public static function right(): string
    {
        return 'colour';
    }

    public static function holding(): Holding
    {
        return Holding::Free;
    }

    public static function asked(TaskInput $asked): array
    {
        return $asked->picture();
    }

    public static function forgetsFile(): bool
    {
        return true;
    }

    public static function line(): string
    {
        return TaskLine::LONG;
    }

    protected function work(Task $task): void
    {
        $page = $task->onPage();
        $size = (new Sheet(new PageStore($page)))->size();
        $picture = self::fitted($this->decoded($task, self::fileOf($task), 10, 'Reading the picture')->paint, $size);
        $this->step($task, 30, 'Holding it against the palette');
        $drift = (new PaletteMatch(ImageColours::tones((new SeriesPalette($page->series))->book())))->match($picture);
        $snapped = PaletteSnap::of(
            $picture,
            $drift,
            fn (float $share) => $this->step($task, 40 + (int) (45 * $share), 'Moving its colours'),
        );
        $this->step($task, 90, 'Laying it on the page');
        (new PageDesk)->land(
            $task,
            new LayPicture(
                Str::lower(Str::random(12)),
                Bounds::nameOf(Scalar::string($task->input['name']), 'Picture'),
                $snapped,
            ),
        );
        (new Originals)->forget($task);
    }

    private static function fitted(Paint $picture, PageSize $size): Paint
    {
        if (! $size->isInProportion($picture->width, $picture->height)) {
            throw new OpRefused(
                "The picture has $picture->width × $picture->height px, the page $size->width × $size->height. Cut it to the page's proportions and send it again.",
            );
        }

        return Resized::to($picture, $size->width, $size->height);
    }
}
