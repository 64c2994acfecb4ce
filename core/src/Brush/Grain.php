<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Raster\Bytes;

/**
 * The tooth of the paper: a pattern that lies still on the page and takes ink away where a dry line would skip. Made
 * from a hash of the place, smoothed over three pixels; the browser's resources/js/picture/grain.ts makes the same.
 */
final class Grain
{
    /** The pattern repeats after so many pixels. */
    private const SIDE = 128;

    /** How much of a fully grained line is gone, and over which part of the pattern's heights it fades, of 255. */
    private const GONE = 140;

    private const FADE = 40;

    private static string $tooth = '';

    /** @param  float  $amount  0: none; 1: as dry as it gets */
    public static function on(StrokeMask $mask, float $amount): StrokeMask
    {
        if ($amount <= 0.0) {
            return $mask;
        }
        $bounds = $mask->bounds;
        $kept = strtr(self::tooth(), Bytes::identity(), self::kept($amount));
        $data = '';
        for ($y = 0; $y < $bounds->height; $y++) {
            $row = substr($kept, self::SIDE * (($bounds->y + $y) % self::SIDE), self::SIDE);
            $from = $bounds->x % self::SIDE;
            $pattern = substr(str_repeat($row, intdiv($from + $bounds->width, self::SIDE) + 1), $from, $bounds->width);
            $data .= Bytes::product(substr($mask->data, $y * $bounds->width, $bounds->width), $pattern);
        }

        return new StrokeMask($bounds, $data);
    }

    /** How much ink stays, by the height of the paper's tooth. */
    private static function kept(float $amount): string
    {
        return Bytes::table(
            fn (int $height): float => (255 * ($height - self::GONE * $amount + self::FADE / 2)) / self::FADE,
        );
    }

    /** Heights of 0 to 255, row by row. */
    public static function tooth(): string
    {
        if (self::$tooth === '') {
            for ($y = 0; $y < self::SIDE; $y++) {
                for ($x = 0; $x < self::SIDE; $x++) {
                    self::$tooth .= chr(self::height($x, $y));
                }
            }
        }

        return self::$tooth;
    }

    /** The mean of nine places, the nearer counting more, drawn apart again as a mean lies near the middle. */
    private static function height(int $x, int $y): int
    {
        $sum = 0;
        for ($dy = -1; $dy <= 1; $dy++) {
            for ($dx = -1; $dx <= 1; $dx++) {
                $sum +=
                    (2 - abs($dx)) *
                    (2 - abs($dy)) *
                    self::hash(($x + $dx) & (self::SIDE - 1), ($y + $dy) & (self::SIDE - 1));
            }
        }

        return max(0, min(255, intdiv(5 * ($sum - 16 * 128), 32) + 128));
    }

    /** An integer hash of our own choosing: products with odd numbers, folded. */
    private static function hash(int $x, int $y): int
    {
        $mixed = ($x * 0x27D4EB2D + $y * 0x165667B1) & 0xFFFFFFFF;
        $mixed = (($mixed ^ ($mixed >> 15)) * 0x2C1B3C6D) & 0xFFFFFFFF;

        return ($mixed ^ ($mixed >> 13)) & 255;
    }
}
