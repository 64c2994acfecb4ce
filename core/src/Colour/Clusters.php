<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/**
 * Lloyd's algorithm (k-means) over weighted colours in Oklab. Nothing is drawn by lot: the same colours give the same
 * clusters.
 */
final class Clusters
{
    private const MOST_ROUNDS = 100;

    /**
     * Places to begin from: the heaviest colour, then again and again the one that has the most to gain, by weight and
     * squared distance from the nearest there is.
     *
     * @param  non-empty-list<Oklab>  $points
     * @param  non-empty-list<float>  $weights
     * @return non-empty-list<Oklab> fewer where there are fewer colours
     */
    public static function seeds(array $points, array $weights, int $count): array
    {
        $next = (int) array_search(max($weights), $weights, true);
        $far = array_fill(0, count($points), INF);
        $seeds = [];
        do {
            $seeds[] = $seed = $points[$next];
            $gain = 0.0;
            foreach ($points as $i => $point) {
                $far[$i] = min($far[$i], self::squared($point, $seed));
                if ($gain < $far[$i] * $weights[$i]) {
                    [$gain, $next] = [$far[$i] * $weights[$i], $i];
                }
            }
        } while ($gain > 0 && count($seeds) < $count);

        return $seeds;
    }

    /**
     * @param  list<Oklab>  $points
     * @param  list<float>  $weights
     * @param  non-empty-array<int, Oklab>  $centres  to begin from; one that nothing is nearest to stays where it is
     * @return array{non-empty-array<int, Oklab>, list<int>} where they settle, and which one each point belongs to
     */
    public static function settled(array $points, array $weights, array $centres): array
    {
        $of = [];
        for ($round = 0; $round < self::MOST_ROUNDS; $round++) {
            $before = $of;
            $of = array_map(fn (Oklab $point): int => self::nearest($point, $centres), $points);
            if ($of === $before) {
                break;
            }
            $sums = array_fill(0, count($centres), [0.0, 0.0, 0.0, 0.0]);
            foreach ($points as $i => $point) {
                [$weight, $sum] = [$weights[$i], $sums[$of[$i]]];
                $sums[$of[$i]] = [
                    $sum[0] + $weight,
                    $sum[1] + $weight * $point->l,
                    $sum[2] + $weight * $point->a,
                    $sum[3] + $weight * $point->b,
                ];
            }
            foreach ($sums as $i => [$weight, $l, $a, $b]) {
                if ($weight > 0) {
                    $centres[$i] = new Oklab($l / $weight, $a / $weight, $b / $weight);
                }
            }
        }

        return [$centres, $of];
    }

    /** @param  non-empty-array<int, Oklab>  $centres */
    private static function nearest(Oklab $point, array $centres): int
    {
        $least = INF;
        $nearest = 0;
        foreach ($centres as $i => $centre) {
            $squared = self::squared($point, $centre);
            if ($squared < $least) {
                [$least, $nearest] = [$squared, $i];
            }
        }

        return $nearest;
    }

    private static function squared(Oklab $a, Oklab $b): float
    {
        return ($a->l - $b->l) ** 2 + ($a->a - $b->a) ** 2 + ($a->b - $b->b) ** 2;
    }
}
