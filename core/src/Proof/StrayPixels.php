<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Raster\Labels;

/** Looks for pixels of a region that lie apart from the rest of it: pieces far smaller than its largest. */
final readonly class StrayPixels
{
    /** A piece is stray up to so many pixels, and up to this part of the largest piece. */
    private const MOST = 400;

    private const PART = 0.02;

    /** @return list<Finding> the largest first */
    public static function in(Labels $labels): array
    {
        $pieces = self::pieces($labels);
        $largest = [];
        foreach ($pieces as [$label, $area]) {
            $largest[$label] = max($largest[$label] ?? 0, $area);
        }
        $found = [];
        foreach ($pieces as [$label, $area, $at]) {
            if ($area < $largest[$label] && $area <= min(self::MOST, self::PART * $largest[$label])) {
                $found[] = new Finding(FindingKind::Stray, [$label], $at % $labels->width, intdiv($at, $labels->width), $area);
            }
        }
        usort($found, fn (Finding $a, Finding $b): int => $b->amount <=> $a->amount);

        return $found;
    }

    /** @return list<array{int, int, int}> of each 8-connected piece of one label: the label, its pixels, and one of them */
    private static function pieces(Labels $labels): array
    {
        $parent = $area = $label = $place = [];
        $above = [];
        for ($y = 0; $y < $labels->height; $y++) {
            $row = [];
            $next = 0;
            foreach (Labels::spans(substr($labels->data, 2 * $y * $labels->width, 2 * $labels->width)) as [$from, $to, $one]) {
                $piece = count($parent);
                $parent[] = $piece;
                $area[] = $to - $from;
                $label[] = $one;
                $place[] = $y * $labels->width + ($from + $to >> 1);
                // Runs of the row above that end before this one are behind all that follow.
                while ($next < count($above) && $above[$next][1] < $from) {
                    $next++;
                }
                for ($i = $next; $i < count($above) && $above[$i][0] <= $to; $i++) {
                    if ($label[$above[$i][2]] === $one) {
                        $parent[self::root($parent, $piece)] = self::root($parent, $above[$i][2]);
                    }
                }
                $row[] = [$from, $to, $piece];
            }
            $above = $row;
        }
        $pieces = [];
        foreach ($area as $piece => $pixels) {
            $root = self::root($parent, $piece);
            $pieces[$root] = [$label[$piece], ($pieces[$root][1] ?? 0) + $pixels, $place[$root]];
        }

        return array_values($pieces);
    }

    /** @param  array<int, int>  $parent */
    private static function root(array &$parent, int $piece): int
    {
        while ($parent[$piece] !== $piece) {
            $parent[$piece] = $parent[$parent[$piece]];
            $piece = $parent[$piece];
        }

        return $piece;
    }
}
