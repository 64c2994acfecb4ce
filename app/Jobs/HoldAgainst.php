<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Page\PageMoment;
use App\Desk\Page\PagePicture;
use App\Desk\Palette\SeriesPalette;
use App\Models\Page;
use App\Models\Series;
use App\Models\Task;
use App\Store\Originals;
use App\Store\WholeFile;
use App\Values\Scalar;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Codec\Thumbnail;
use Awning\Core\Exchange\ImageColours;
use Awning\Core\Proof\PaletteMatch;
use Awning\Core\Proof\PaletteSnap;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\OpRefused;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/** Holds a picture, or a page of ours, against the palette: which colours drift, by how much, and where. */
final class HoldAgainst extends LongTask implements ClientTask
{
    /** Beside the drift lie pictures of no more than this side: as it is, and as it would be on the palette. */
    public const PARTS = ['before', 'snapped'];

    private const PREVIEW = 1200;

    public static function kind(): string
    {
        return 'match';
    }

    public static function isOfSeries(): bool
    {
        return true;
    }

    public static function right(): string
    {
        return 'view';
    }

    public static function holding(): Holding
    {
        return Holding::Any;
    }

    public static function asked(TaskInput $asked): array
    {
        if (! $asked->has('page')) {
            return $asked->picture();
        }
        $page = $asked->series->page($asked->checked(['page' => 'integer'])->integer('page'));

        return ['page' => $page->id, 'name' => "$page->number. $page->title"];
    }

    public static function forgetsFile(): bool
    {
        return true;
    }

    public static function line(): string
    {
        return TaskLine::QUICK;
    }

    protected function work(Task $task): void
    {
        $series = $task->inSeries();
        $book = (new SeriesPalette($series))->book();
        if ($book->rows() === []) {
            throw new OpRefused('The palette is empty. Add a figure and a material first.');
        }
        $picture = isset($task->input['page'])
            ? $this->page($task, $series)
            : $this->decoded($task, self::fileOf($task), 10, 'Reading the picture')->paint;
        $this->step($task, 60, 'Holding it against the palette');
        $match = new PaletteMatch(ImageColours::tones($book));
        $drift = $match->match($picture);
        $this->step($task, 80, 'Drawing where it drifts');
        $folder = sprintf('deliveries/series-%d/%s', $series->id, Str::lower((string) Str::ulid()));
        self::put("$folder/drift.png", $drift->drift($picture));
        $this->step($task, 90, 'Trying it on the palette');
        $small = (new Thumbnail(self::PREVIEW))->of($picture);
        self::put("$folder/before.png", $small);
        self::put("$folder/snapped.png", PaletteSnap::of($small, $match->match($small)));
        $task
            ->forceFill([
                'result_path' => "$folder/drift.png",
                'result_name' => 'drift.png',
                'report' => [
                    'name' => Scalar::string($task->input['name']),
                    'width' => $picture->width,
                    'height' => $picture->height,
                    'rows' => $drift->toData(),
                ],
            ])
            ->save();
        // It was sent only to be looked at.
        (new Originals)->forget($task);
    }

    private static function put(string $path, Paint $picture): void
    {
        $png = (new PngWriter)->paint($picture);
        (new WholeFile(Storage::disk('works')))->put($path, $png, strlen($png));
    }

    private function page(Task $task, Series $series): Paint
    {
        $page = Page::query()->where('series_id', $series->id)->findOrFail(Scalar::int($task->input['page']));
        if ($page->width === null) {
            throw new OpRefused('The page is empty. Import a scan first.');
        }

        return PagePicture::full(
            PageMoment::of($page),
            fn (float $share) => $this->step($task, 5 + (int) (50 * $share), 'Composing the page'),
        );
    }
}
