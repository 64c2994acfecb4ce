<?php

declare(strict_types=1);

namespace Awning\Core\Grade;

use Awning\Core\Page\Pass\Surroundings;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\BoxBlur;
use Awning\Core\Raster\Labels;

/**
 * Which regions lie behind and around each figure of a page, and how much each counts: by its pixels, the more the
 * nearer they lie, as a bell falls off from the figure. What stands before the figure does not count, nor what is
 * unfilled, nor paper that runs all round the page. That things take on the colour of what surrounds them is common
 * practice; the bell's width is ours.
 */
final readonly class AroundFigures
{
    /** Pixels that are looked at; larger planes are thinned. */
    private const WORK = 60_000;

    /** The bell's width, as a part of the square root of the figure's area. */
    private const REACH = 0.25;

    private Labels $small;

    /**
     * @param  array<array-key, Region>  $regions  by label
     * @param  array<int, int>  $depths  by figure; a higher one is nearer to the reader
     */
    public function __construct(Labels $labels, private array $regions, private array $depths)
    {
        $by = (int) max(1, ceil(sqrt(($labels->width * $labels->height) / self::WORK)));
        $this->small = $by === 1 ? $labels : $labels->thinned($by);
    }

    /** @return ?Surroundings null: the page has nothing of the figure, or nothing filled lies behind or around it */
    public function of(int $figure): ?Surroundings
    {
        $counts = $this->counting($figure);
        $mine = [];
        $area = 0;
        $spans = Labels::spans($this->small->data);
        foreach ($spans as [$from, $to, $label]) {
            $is = ($this->regions[$label]->figure ?? 0) === $figure ? 1.0 : 0.0;
            $area += $is > 0 ? $to - $from : 0;
            array_push($mine, ...array_fill(0, $to - $from, $is));
        }
        if ($area === 0 || $counts === []) {
            return null;
        }
        $bell = new BoxBlur(max(1.0, self::REACH * sqrt($area)));
        $near = $bell->of($mine, $this->small->width, $this->small->height);
        $weights = [];
        foreach ($spans as [$from, $to, $label]) {
            if (isset($counts[$label])) {
                $weights[$label] = ($weights[$label] ?? 0.0) + array_sum(array_slice($near, $from, $to - $from));
            }
        }

        return Surroundings::of($weights);
    }

    /** @return array<int, true> labels of what is filled, and lies no nearer to the reader than the figure */
    private function counting(int $figure): array
    {
        $counts = [];
        $paper = $this->small->aroundAll();
        $mine = $this->depths[$figure] ?? 0;
        foreach ($this->regions as $label => $region) {
            if (
                $region->isFilled() &&
                $region->figure !== $figure &&
                ($this->depths[$region->figure] ?? -1) <= $mine &&
                ! isset($paper[$label])
            ) {
                $counts[(int) $label] = true;
            }
        }

        return $counts;
    }
}
