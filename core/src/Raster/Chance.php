<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/** Numbers that look random and are always the same; the browser's resources/js/picture/chance.ts has the same. */
final class Chance
{
    /**
     * @return float 0..1, by a seed and a number; an integer hash of our own choosing: products with odd numbers,
     *     folded
     */
    public static function at(int $seed, int $number): float
    {
        $mixed = ($number * 0x27D4EB2D + $seed * 0x165667B1) & 0xFFFFFFFF;
        $mixed = (($mixed ^ ($mixed >> 15)) * 0x2C1B3C6D) & 0xFFFFFFFF;

        return (($mixed ^ ($mixed >> 13)) & 0xFFFF) / 0xFFFF;
    }
}
