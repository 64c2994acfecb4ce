<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Raster\Paint;
use Imagick;

/** A picture at another size, smoothly: by the cubic filter of Mitchell and Netravali, each channel for itself. */
final class Resized
{
    public static function to(Paint $paint, int $width, int $height): Paint
    {
        $planes = array_map(fn (string $plane): string => self::plane($plane, $paint->width, $paint->height, $width, $height), [$paint->red, $paint->green, $paint->blue, $paint->alpha]);

        return new Paint($width, $height, ...$planes);
    }

    public static function plane(string $plane, int $width, int $height, int $toWidth, int $toHeight): string
    {
        if ($width === $toWidth && $height === $toHeight) {
            return $plane;
        }

        return GreyImage::through($plane, $width, $height, fn (Imagick $image): bool => $image->resizeImage($toWidth, $toHeight, Imagick::FILTER_MITCHELL, 1));
    }
}
