<?php

declare(strict_types=1);

namespace Awning\Core\Light\Shadow;

use Awning\Core\Light\Emission\KeyLight;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;

/**
 * What things throw on what lies behind them: everything they would pass over, moved away from the light by so much.
 * The formula is ours; that the length is the same for all is a draughtsman's simplification.
 */
final readonly class CastShadow
{
    /**
     * @param  Plane  $throwers  255 where something stands before
     * @param  float  $length  px
     * @param  float  $soft  px over which it fades toward its outline; under 1: not at all
     * @return Plane coverage where its shadow falls, smooth at its edges, itself left out; nothing when the light comes
     *     from the reader
     */
    public static function of(Plane $throwers, KeyLight $key, float $length, float $soft = 0.0): Plane
    {
        [$right, $up] = $key->direction;
        $across = hypot($right, $up);
        $shadow = $throwers->data;
        if ($across > 1e-6) {
            // Twice as far each time: all places on the way are covered.
            for ($done = 0.0, $step = 1.0; $done < $length; $done += $step, $step = min(2 * $step, $length - $done)) {
                $shadow |= self::shifted(
                    $shadow,
                    $throwers->width,
                    $throwers->height,
                    (int) round((-$right / $across) * $step),
                    (int) round(($up / $across) * $step),
                );
                if ($length - $done - $step < 0.5) {
                    break;
                }
            }
        }
        if ($soft < 1) {
            return new Plane(
                $throwers->width,
                $throwers->height,
                self::smooth($shadow & ~$throwers->data, $throwers->width, $throwers->height),
            );
        }
        // Up to what throws it a soft one is full: it fades together with that.
        $faded = FadedEdge::of(new Plane($throwers->width, $throwers->height, $shadow), $soft);

        return new Plane($throwers->width, $throwers->height, $faded->data & ~$throwers->data);
    }

    /**
     * Each pixel as many eighths as it has neighbours in the shadow: first those of a row are counted, then of three
     * rows, by tables.
     *
     * @param  string  $shadow  0 or 255 a pixel
     */
    private static function smooth(string $shadow, int $width, int $height): string
    {
        $only = fn (string $plane, int $bits): string => $plane & str_repeat(chr($bits), strlen($plane));
        $mapped = fn (string $plane, callable $to): string => strtr($plane, Bytes::identity(), Bytes::table($to));
        $row =
            $only($shadow, 1) |
            $only(self::shifted($shadow, $width, $height, 1, 0), 2) |
            $only(self::shifted($shadow, $width, $height, -1, 0), 4);
        $row = $mapped($row, fn (int $bits): int => ($bits & 1) + (($bits >> 1) & 1) + (($bits >> 2) & 1));
        $rows =
            $row |
            $only($shadow, 64) |
            $mapped(self::shifted($row, $width, $height, 0, 1), fn (int $count): int => ($count & 3) << 2) |
            $mapped(self::shifted($row, $width, $height, 0, -1), fn (int $count): int => ($count & 3) << 4);

        return $mapped(
            $rows,
            fn (int $counts): float => (255 *
                (($counts & 3) + (($counts >> 2) & 3) + (($counts >> 4) & 3) - (($counts >> 6) & 1))) /
                8,
        );
    }

    /** Moved to the right and down, by no more than the plane; what comes in is nothing. */
    private static function shifted(string $plane, int $width, int $height, int $right, int $down): string
    {
        if (abs($right) >= $width || abs($down) >= $height) {
            return str_repeat("\0", strlen($plane));
        }
        // As one string the rows run on into each other: what came over their ends is taken out.
        $gap = str_repeat("\0", abs($right));
        $moved = $plane;
        if ($right !== 0) {
            $moved = $right > 0 ? $gap.substr($plane, 0, -$right) : substr($plane, -$right).$gap;
            $kept = str_repeat("\xff", $width - abs($right));
            $moved &= str_repeat($right > 0 ? $gap.$kept : $kept.$gap, $height);
        }
        $rows = str_repeat("\0", abs($down) * $width);

        return $down >= 0
            ? $rows.substr($moved, 0, strlen($moved) - strlen($rows))
            : substr($moved, strlen($rows)).$rows;
    }
}
