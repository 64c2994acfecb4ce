<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

use Awning\Core\Raster\Paint;

/** The few colours that stand for a picture, by clustering in Oklab. */
final class MainColours
{
    public const FEWEST = 3;

    public const MOST = 12;

    /** Pixels that are looked at, about; spread evenly. */
    private const LOOKS = 600_000;

    /** Colours are counted in cubes of so many steps a channel. */
    private const SHIFT = 3;

    private const SEEN_FROM = 128;

    /**
     * @return list<ColourShare> the largest share first; fewer where the picture has fewer colours, none where nothing
     *     is opaque
     */
    public static function of(Paint $picture, int $count): array
    {
        $cubes = self::cubes($picture);
        if ($cubes === []) {
            return [];
        }
        $points = $weights = [];
        foreach ($cubes as [$n, $red, $green, $blue]) {
            $points[] = Oklab::of(Rgb::fromUnit($red / $n / 255, $green / $n / 255, $blue / $n / 255));
            $weights[] = (float) $n;
        }
        [$centres, $of] = Clusters::settled($points, $weights, Clusters::seeds($points, $weights, $count));
        $shares = array_fill(0, count($centres), 0.0);
        foreach ($of as $i => $cluster) {
            $shares[$cluster] += $weights[$i] / array_sum($weights);
        }
        arsort($shares);
        $colours = [];
        foreach (array_filter($shares) as $cluster => $share) {
            $colours[] = new ColourShare($centres[$cluster]->fitted(), $share);
        }

        return $colours;
    }

    /**
     * @return array<int, array{int, int, int, int}> pixels and the sums of their channels, by cube, in the order of its
     *     number
     */
    private static function cubes(Paint $picture): array
    {
        $cubes = [];
        $step = (int) max(1, round(sqrt(strlen($picture->red) / self::LOOKS)));
        for ($y = intdiv($step, 2); $y < $picture->height; $y += $step) {
            for (
                $at = $y * $picture->width + intdiv($step, 2), $end = ($y + 1) * $picture->width;
                $at < $end;
                $at += $step
            ) {
                if (ord($picture->alpha[$at]) >= self::SEEN_FROM) {
                    [$red, $green, $blue] = [
                        ord($picture->red[$at]),
                        ord($picture->green[$at]),
                        ord($picture->blue[$at]),
                    ];
                    $cube = (($red >> self::SHIFT) << 10) | (($green >> self::SHIFT) << 5) | ($blue >> self::SHIFT);
                    $sum = $cubes[$cube] ?? [0, 0, 0, 0];
                    $cubes[$cube] = [$sum[0] + 1, $sum[1] + $red, $sum[2] + $green, $sum[3] + $blue];
                }
            }
        }
        ksort($cubes);

        return $cubes;
    }
}
