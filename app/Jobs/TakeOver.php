<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Page\PageDesk;
use App\Desk\Palette\SeriesPalette;
use App\Models\Task;
use App\Store\PageStore;
use Awning\Core\Colour\Rgb;
use Awning\Core\Flats\ColourRegions;
use Awning\Core\Flats\ColourTaker;
use Awning\Core\Flats\FlatsAlignment;
use Awning\Core\Flats\TakenColour;
use Awning\Core\Flats\TakenFlats;
use Awning\Core\Page\PageSize;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Flats\TakeFlats;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Palette;

/**
 * Takes over a picture of flat colours: finds the colours that are meant, lays them under the lines, matches them to
 * the palette, and tells of each what it was matched to, so that a person can settle the rest.
 *
 * @phpstan-import-type TakenRow from Task
 */
final class TakeOver extends LongTask implements ClientTask
{
    public static function kind(): string
    {
        return 'take';
    }

    public static function right(): string
    {
        return 'flat';
    }

    public static function holding(): Holding
    {
        return Holding::Held;
    }

    public static function asked(TaskInput $asked): array
    {
        return ['original' => $asked->file('flats')->id];
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
        $sheet = new Sheet(new PageStore($task->onPage()));
        $size = $sheet->size();
        $original = self::fileOf($task);
        $this->step($task, 5, 'Reading the flats');
        $picture = $this->decoded($task, $original, 5, 'Reading the flats');
        $this->step($task, 20, 'Finding their colours');
        $palette = SeriesPalette::of($task->onPage())->core();
        $bases = self::bases($palette);
        $taken = (new ColourTaker(array_values($bases)))->take($picture->paint);
        unset($picture);
        $this->step($task, 55, 'Laying them under the lines');
        $ink = $sheet->ink();
        [$taken, $right, $down] = self::placed($taken, $size, $ink);
        try {
            $areas = ColourRegions::of($taken, $ink);
        } catch (\RangeException $error) {
            throw new OpRefused($error->getMessage(), 0, $error);
        }
        $materials = array_map(fn (TakenColour $colour): ?int => self::materialOf($colour, $bases), $taken->colours);
        $regions = [];
        foreach ($areas->regions as $label => $region) {
            $material = $materials[$areas->colours[$label]];
            $regions[$label] = $material === null ? $region : $region->filled($palette->figureOf[$material], $material);
        }
        $task
            ->forceFill([
                'report' => [
                    'name' => $original->name,
                    'right' => $right,
                    'down' => $down,
                    'rows' => self::rows($taken, $materials, $areas),
                ],
            ])
            ->save();
        $this->step($task, 80, 'Putting them on the page');
        (new PageDesk)->land($task, new TakeFlats($original->name, $areas->labels, $regions));
    }

    /** @return array<int, Rgb> base colours by material */
    private static function bases(Palette $palette): array
    {
        return array_map(fn (array $tones): Rgb => Rgb::fromNumber($tones['base']), $palette->materials);
    }

    /**
     * In proportion to the page they are scaled to it; else they are moved to where their borders lie under the lines.
     *
     * @return array{TakenFlats, int, int} and how far right and down
     */
    private static function placed(TakenFlats $taken, PageSize $size, Plane $ink): array
    {
        if (
            $size->isInProportion($taken->width, $taken->height) &&
            ($taken->width !== $size->width || $taken->height !== $size->height)
        ) {
            $taken = $taken->scaled($size->width, $size->height);
        }
        [$right, $down] = (new FlatsAlignment)->find($taken, $ink);

        return [$taken->on($size->width, $size->height, $right, $down), $right, $down];
    }

    /** @param  array<int, Rgb>  $bases */
    private static function materialOf(TakenColour $colour, array $bases): ?int
    {
        if ($colour->verdict() === 'new') {
            return null;
        }
        foreach ($bases as $material => $base) {
            if ($base->number() === $colour->ours->number()) {
                return $material;
            }
        }

        return null;
    }

    /**
     * @param  array<int, ?int>  $materials  by colour
     * @return list<TakenRow>
     */
    private static function rows(TakenFlats $taken, array $materials, ColourRegions $areas): array
    {
        $labels = [];
        foreach ($areas->colours as $label => $colour) {
            $labels[$colour][] = $label;
        }
        $rows = [];
        foreach ($taken->colours as $number => $colour) {
            $rows[] = [
                'colour' => $colour->theirs->hex(),
                'share' => round($colour->share, 5),
                'verdict' => $colour->verdict(),
                'difference' => $colour->difference === null ? null : round($colour->difference, 2),
                'material' => $materials[$number],
                'labels' => $labels[$number] ?? [],
            ];
        }
        usort($rows, fn (array $a, array $b): int => $b['share'] <=> $a['share']);

        return $rows;
    }
}
