<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/** How many of something have each level of 0..255. */
final class Histogram
{
    /**
     * The level that a share of all does not exceed.
     *
     * @param  array<int, int>  $counts  by level, in order
     * @param  float  $share  0..1
     */
    public static function quantile(array $counts, float $share): int
    {
        $left = $share * array_sum($counts);
        foreach ($counts as $level => $count) {
            $left -= $count;
            if ($left <= 0) {
                return $level;
            }
        }

        return 255;
    }
}
