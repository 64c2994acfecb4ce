<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

use Awning\Core\Raster\Labels;

/**
 * How far each pixel is from the nearest pixel of another region, exactly (Euclidean). The picture's own rim is no
 * border: what leaves the page goes on outside.
 *
 * The two passes of Meijster, Roerdink and Hesselink (A general algorithm for computing distance transforms in linear
 * time, 2000), from memory; the second one column by column over stretches of one region, which the others' pixels
 * bound.
 */
final readonly class BorderDistance
{
    /** As far as anything is from a border that is not there. */
    private const FAR = 30_000;

    /**
     * @param  bool  $isNothing  whether label 0 is nothing, of which no distance is asked: it is left at 0
     * @return array<int, int> squared distance in px of each pixel to the nearest of another region, in reading order;
     *     FAR² at the most
     */
    public static function squared(Labels $labels, bool $isNothing = false): array
    {
        $along = self::alongRows($labels);
        $squared = array_fill(0, count($along), 0);
        for ($x = 0; $x < $labels->width; $x++) {
            self::column($labels, $along, $squared, $x, $isNothing);
        }

        return $squared;
    }

    /** @return list<int> distance along the row */
    private static function alongRows(Labels $labels): array
    {
        $along = [];
        for ($y = 0; $y < $labels->height; $y++) {
            foreach (
                Labels::spans(substr($labels->data, 2 * $y * $labels->width, 2 * $labels->width)) as [$from, $to]
            ) {
                $left = $from === 0 ? self::FAR : $from - 1;
                for ($x = $from; $x < $to; $x++) {
                    $before = $from === 0 ? self::FAR : $x - $left;
                    $after = $to === $labels->width ? self::FAR : $to - $x;
                    $along[] = min($before, $after);
                }
            }
        }

        return $along;
    }

    /**
     * @param  list<int>  $along
     * @param  array<int, int>  $squared
     */
    private static function column(Labels $labels, array $along, array &$squared, int $x, bool $isNothing): void
    {
        $width = $labels->width;
        $data = $labels->data;
        for ($from = 0; $from < $labels->height; $from = $to) {
            $at = 2 * ($from * $width + $x);
            $label = $data[$at].$data[$at + 1];
            if ($isNothing && $label === "\0\0") {
                for (
                    $to = $from + 1;
                    $to < $labels->height && $data[($at += 2 * $width)] === "\0" && $data[$at + 1] === "\0";
                    $to++
                ) {
                }

                continue;
            }
            $heights = $from === 0 ? [] : [[$from - 1, 0]];
            for ($to = $from; $to < $labels->height; $to++) {
                $at = 2 * ($to * $width + $x);
                if ($label !== $data[$at].$data[$at + 1]) {
                    break;
                }
                $far = $along[$to * $width + $x];
                $heights[] = [$to, $far * $far];
            }
            if ($to < $labels->height) {
                $heights[] = [$to, 0];
            }
            self::envelope($heights, $from, $to, $squared, $x, $width);
        }
    }

    /**
     * The lower envelope of parabolas, one over each place of a stretch, and its height at each pixel of it.
     *
     * @param  list<array{int, int}>  $heights  where each stands, and how high
     * @param  array<int, int>  $squared
     */
    private static function envelope(array $heights, int $from, int $to, array &$squared, int $x, int $width): void
    {
        $places = $bases = $starts = [];
        $top = -1;
        foreach ($heights as [$place, $base]) {
            $start = -INF;
            while ($top >= 0) {
                $start =
                    ($base - $bases[$top] + $place * $place - $places[$top] * $places[$top]) /
                    (2 * ($place - $places[$top]));
                if ($start > $starts[$top]) {
                    break;
                }
                $top--;
                $start = -INF;
            }
            $top++;
            [$places[$top], $bases[$top], $starts[$top]] = [$place, $base, $start];
        }
        for ($y = $from, $one = 0; $y < $to; $y++) {
            while ($one < $top && $starts[$one + 1] <= $y) {
                $one++;
            }
            $off = $y - $places[$one];
            $squared[$y * $width + $x] = $off * $off + $bases[$one];
        }
    }
}
