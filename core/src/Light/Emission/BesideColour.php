<?php

declare(strict_types=1);

namespace Awning\Core\Light\Emission;

use Awning\Core\Colour\Oklab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Raster\Labels;

/**
 * The colour light has when it comes back from what lies beside a figure, where the figure turns from the light: the
 * mean in OKLab of the colours it meets there, pixel by pixel of its outline. That bounced light has the colour of what
 * throws it back is common practice.
 */
final class BesideColour
{
    /** Pixels that are looked at; larger planes are thinned. */
    private const WORK = 150_000;

    /** How far beyond its outline the neighbour is looked for, px of the thinned plane. */
    private const AWAY = 2;

    /**
     * @param  array<int, true>  $mine  labels of the figure
     * @param  array<int, Rgb>  $colours  by label, of what is filled
     * @return ?Rgb null when nothing filled lies there
     */
    public static function of(Labels $labels, array $mine, array $colours, KeyLight $key): ?Rgb
    {
        $small = $labels->thinned((int) max(1, ceil(sqrt(($labels->width * $labels->height) / self::WORK))));
        [$right, $down] = self::awayFrom($key);
        $weighted = [];
        foreach (self::met($small, $mine, $right, $down) as $label => $times) {
            if (isset($colours[$label])) {
                $weighted[] = [$colours[$label], $times];
            }
        }

        return Oklab::mean($weighted);
    }

    /** @return array{int, int} right and down; straight down when the light comes from the reader */
    private static function awayFrom(KeyLight $key): array
    {
        [$x, $y] = $key->direction;
        $length = hypot($x, $y);

        return $length < 1e-3
            ? [0, self::AWAY]
            : [(int) round((-$x / $length) * self::AWAY), (int) round(($y / $length) * self::AWAY)];
    }

    /**
     * @param  array<int, true>  $mine
     * @return array<int, int> by label of others, how many pixels of the figure meet it
     */
    private static function met(Labels $labels, array $mine, int $right, int $down): array
    {
        $met = [];
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            for ($at = isset($mine[$label]) ? $from : $to; $at < $to; $at++) {
                [$x, $y] = [($at % $labels->width) + $right, intdiv($at, $labels->width) + $down];
                $other = $x < 0 || $y < 0 || $x >= $labels->width || $y >= $labels->height ? 0 : $labels->at($x, $y);
                if ($other !== 0 && ! isset($mine[$other])) {
                    $met[$other] = ($met[$other] ?? 0) + 1;
                }
            }
        }

        return $met;
    }
}
