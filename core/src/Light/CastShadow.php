<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;

/**
 * What things throw on what lies behind them: everything they would pass over, moved away from the light by so much. The
 * formula is ours; that the length is the same for all is a draughtsman's simplification.
 */
final readonly class CastShadow
{
    private const NEIGHBOURS = [[1, 0], [-1, 0], [0, 1], [0, -1], [1, 1], [1, -1], [-1, 1], [-1, -1]];

    /**
     * @param  Plane  $throwers  255 where something stands before
     * @param  float  $length  px
     * @return Plane coverage where its shadow falls, smooth at its edges, itself left out; nothing when the light comes from the reader
     */
    public static function of(Plane $throwers, KeyLight $key, float $length): Plane
    {
        [$right, $up] = $key->direction;
        $across = hypot($right, $up);
        $shadow = $throwers->data;
        if ($across > 1e-6) {
            // Twice as far each time: all places on the way are covered.
            for ($done = 0.0, $step = 1.0; $done < $length; $done += $step, $step = min(2 * $step, $length - $done)) {
                $shadow |= self::shifted($shadow, $throwers->width, $throwers->height, (int) round(-$right / $across * $step), (int) round($up / $across * $step));
                if ($length - $done - $step < 0.5) {
                    break;
                }
            }
        }

        return new Plane($throwers->width, $throwers->height, self::smooth($shadow & ~$throwers->data, $throwers->width, $throwers->height));
    }

    /** Each pixel as many eighths as it has neighbours in the shadow: each of them is a bit of one byte, counted by a table. */
    private static function smooth(string $shadow, int $width, int $height): string
    {
        $bits = str_repeat("\0", strlen($shadow));
        foreach (self::NEIGHBOURS as $bit => [$right, $down]) {
            $bits |= self::shifted($shadow, $width, $height, $right, $down) & str_repeat(chr(1 << $bit), strlen($shadow));
        }

        return strtr($bits, Bytes::identity(), Bytes::table(fn (int $set): float => 255 * substr_count(decbin($set), '1') / 8));
    }

    /** Moved to the right and down, by no more than the plane; what comes in is nothing. */
    private static function shifted(string $plane, int $width, int $height, int $right, int $down): string
    {
        if (abs($right) >= $width || abs($down) >= $height) {
            return str_repeat("\0", strlen($plane));
        }
        $gap = str_repeat("\0", abs($right));
        $moved = '';
        foreach (str_split($plane, max(1, $width)) as $row) {
            $moved .= $right >= 0 ? $gap.substr($row, 0, $width - $right) : substr($row, -$right).$gap;
        }
        $rows = str_repeat("\0", abs($down) * $width);

        return $down >= 0 ? $rows.substr($moved, 0, strlen($moved) - strlen($rows)) : substr($moved, strlen($rows)).$rows;
    }
}
