<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\PageMoment;
use App\Desk\PagePicture;
use App\Desk\SeriesPalette;
use App\Models\Original;
use App\Models\Page;
use App\Models\ReferencePicture;
use App\Models\Series;
use App\Models\Task;
use App\Store\Originals;
use App\Store\WholeFile;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Codec\UnreadableImage;
use Awning\Core\Exchange\ImageColours;
use Awning\Core\Proof\PaletteMatch;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\OpRefused;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/** Holds a picture, or a page of ours, against the palette: which colours drift, by how much, and where. */
final class HoldAgainst extends LongTask
{
    public static function line(): string
    {
        return 'quick';
    }

    protected function work(Task $task): void
    {
        $series = $task->inSeries();
        $book = (new SeriesPalette($series))->book();
        if ($book->rows() === []) {
            throw new OpRefused('The palette is empty. Add a figure and a material first.');
        }
        $picture = isset($task->input['page']) ? $this->page($task, $series) : $this->file($task);
        $this->step($task, 60, 'Holding it against the palette');
        $drift = (new PaletteMatch(ImageColours::tones($book)))->match($picture);
        $this->step($task, 85, 'Drawing where it drifts');
        $path = sprintf('deliveries/series-%d/%s.png', $series->id, Str::lower((string) Str::ulid()));
        $png = (new PngWriter)->paint($drift->drift($picture));
        (new WholeFile(Storage::disk('works')))->put($path, $png, strlen($png));
        $task->forceFill([
            'result_path' => $path, 'result_name' => 'drift.png',
            'report' => ['name' => (string) $task->input['name'], 'width' => $picture->width, 'height' => $picture->height, 'rows' => $drift->toData()],
        ])->save();
        // It was sent only to be looked at.
        (new Originals)->forget($task);
    }

    private function page(Task $task, Series $series): Paint
    {
        $page = Page::query()->where('series_id', $series->id)->findOrFail($task->input['page']);
        if ($page->width === null) {
            throw new OpRefused('The page is empty. Import a scan first.');
        }

        return PagePicture::full(PageMoment::of($page), fn (float $share) => $this->step($task, 5 + (int) (50 * $share), 'Composing the page'));
    }

    private function file(Task $task): Paint
    {
        $original = isset($task->input['reference'])
            ? ReferencePicture::query()->where('series_id', $task->series_id)->findOrFail($task->input['reference'])->original
            : Original::query()->where('series_id', $task->series_id)->findOrFail($task->input['original'] ?? 0);
        try {
            return $this->decoded($task, $original, 10, 'Reading the picture')->paint;
        } catch (UnreadableImage $error) {
            (new Originals)->forget($task);
            throw $error;
        }
    }
}
