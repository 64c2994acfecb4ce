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
        if ($paint->width === $width && $paint->height === $height) {
            return $paint;
        }
        $planes = array_map(fn (string $plane): string => self::plane($plane, $paint, $width, $height), [$paint->red, $paint->green, $paint->blue, $paint->alpha]);

        return new Paint($width, $height, ...$planes);
    }

    private static function plane(string $plane, Paint $of, int $width, int $height): string
    {
        $image = new Imagick;
        $image->setSize($of->width, $of->height);
        $image->setOption('depth', '8');
        $image->setFormat('gray');
        $image->readImageBlob($plane);
        $image->resizeImage($width, $height, Imagick::FILTER_MITCHELL, 1);
        $image->setImageFormat('gray');
        $image->setImageDepth(8);
        $bytes = $image->getImageBlob();
        $image->clear();

        return $bytes;
    }
}
