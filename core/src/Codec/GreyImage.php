<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Imagick;

/** One plane as an image, for what a C library does better. */
final class GreyImage
{
    /**
     * @param  callable(Imagick): mixed  $work
     * @return string the plane it has become, one byte a pixel
     */
    public static function through(string $plane, int $width, int $height, callable $work): string
    {
        $image = new Imagick;
        $image->setSize($width, $height);
        $image->setOption('depth', '8');
        $image->setFormat('gray');
        $image->readImageBlob($plane);
        $work($image);
        $image->setImageFormat('gray');
        $image->setImageDepth(8);
        $bytes = $image->getImageBlob();
        $image->clear();

        return $bytes;
    }
}
