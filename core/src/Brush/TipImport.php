<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Codec\Resized;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Paint;

/**
 * Makes a brush tip of a picture: what is dark covers, what is white or see-through does not; colours count by their
 * luma.
 */
final class TipImport
{
    /** Rec. 601, as grey pictures are usually made (from memory). */
    private const LUMA = [0.299, 0.587, 0.114];

    /** A tip that covers less cannot be seen. */
    private const FAINTEST = 16;

    /** @throws \InvalidArgumentException when nothing in it covers anything */
    public static function of(Paint $picture): BroughtTip
    {
        $side = max($picture->width, $picture->height);
        $left = intdiv($side - $picture->width, 2);
        $square = str_repeat("\0", $side * intdiv($side - $picture->height, 2));
        for ($y = 0; $y < $picture->height; $y++) {
            $square .=
                str_repeat("\0", $left).self::row($picture, $y).str_repeat("\0", $side - $left - $picture->width);
        }
        $tip = new BroughtTip(
            Resized::plane(str_pad($square, $side ** 2, "\0"), $side, $side, BroughtTip::SIDE, BroughtTip::SIDE),
        );

        return strspn($tip->coverage, Bytes::of(range(0, self::FAINTEST - 1))) ===
            strlen($tip->coverage)
            ? throw new \InvalidArgumentException(
                'Nothing in this picture is dark. A tip is drawn dark on white, or on nothing.',
            )
            : $tip;
    }

    private static function row(Paint $picture, int $y): string
    {
        $row = '';
        for ($x = 0; $x < $picture->width; $x++) {
            [$red, $green, $blue, $alpha] = $picture->at($x, $y);
            $row .= chr(
                (int) round(
                    ((255 - self::LUMA[0] * $red - self::LUMA[1] * $green - self::LUMA[2] * $blue) * $alpha) / 255,
                ),
            );
        }

        return $row;
    }
}
