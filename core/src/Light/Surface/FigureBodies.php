<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

use Awning\Core\Flats\RegionGraph;
use Awning\Core\Page\Region\Region;

/**
 * Which regions of a figure are one body for the light: those of one material, and what lies on it. A mouth, a button
 * or a patch is no hole in the face or the coat around it.
 */
final class FigureBodies
{
    /** What lies on another is at most so large a part of it, and has so much of its border with it. */
    private const SMALL = 0.12;

    private const AROUND = 0.6;

    /**
     * @param  array<array-key, Region>  $regions  of the page, by label
     * @param  RegionGraph  $graph  which lie beside which
     * @return array<int, int> by label the first label of its body
     */
    public static function of(array $regions, RegionGraph $graph, int $figure): array
    {
        $mine = array_filter($regions, fn (Region $region): bool => $region->figure === $figure);
        $first = $bodies = [];
        foreach ($mine as $label => $region) {
            $bodies[(int) $label] = $first[$region->material] ??= (int) $label;
        }
        // The largest first: what lies on something that lies on something is of the lowest.
        uasort($mine, fn (Region $a, Region $b): int => $b->area <=> $a->area);
        foreach (array_keys($mine) as $label) {
            $below = self::below((int) $label, $mine, $graph);
            $bodies[(int) $label] = $below === null ? $bodies[(int) $label] : $bodies[$below];
        }

        return $bodies;
    }

    /**
     * @param  array<array-key, Region>  $mine
     * @return ?int what a region lies on
     */
    private static function below(int $label, array $mine, RegionGraph $graph): ?int
    {
        $border = array_intersect_key($graph->neighbours($label), $mine);
        arsort($border);
        $around = array_key_first($border);

        return $around !== null &&
            $border[$around] >= self::AROUND * $graph->perimeter($label) &&
            $mine[$label]->area <= self::SMALL * $mine[$around]->area
            ? $around
            : null;
    }
}
