<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Raster\Paint;
use Imagick;

/** A picture at another size, smoothly: by the cubic filter of Mitchell and Netravali, each channel for itself. */
final class Resized
{
    /** What one picture carries at a time: it is made larger as three channels as fast as one. */
    private const TOGETHER = 3;

    public static function to(Paint $paint, int $width, int $height): Paint
    {
        return new Paint(
            $width,
            $height,
            ...self::planes(
                [$paint->red, $paint->green, $paint->blue, $paint->alpha],
                $paint->width,
                $paint->height,
                $width,
                $height,
            ),
        );
    }

    public static function plane(string $plane, int $width, int $height, int $toWidth, int $toHeight): string
    {
        return self::planes([$plane], $width, $height, $toWidth, $toHeight)[0];
    }

    /**
     * @param  list<string>  $planes  one byte a pixel, all of one size
     * @return list<string> each as if it were alone
     */
    public static function planes(array $planes, int $width, int $height, int $toWidth, int $toHeight): array
    {
        if ($width === $toWidth && $height === $toHeight) {
            return $planes;
        }
        $resized = [];
        foreach (array_chunk($planes, self::TOGETHER) as $some) {
            array_push(
                $resized,
                ...count($some) === 1
                    ? [self::alone($some[0], $width, $height, $toWidth, $toHeight)]
                    : self::together($some, $width, $height, $toWidth, $toHeight),
            );
        }

        return $resized;
    }

    private static function alone(string $plane, int $width, int $height, int $toWidth, int $toHeight): string
    {
        return GreyImage::through(
            $plane,
            $width,
            $height,
            fn (Imagick $image): bool => self::resize($image, $toWidth, $toHeight),
        );
    }

    /**
     * As the channels of one picture, which do not mix.
     *
     * @param  non-empty-list<string>  $some
     * @return list<string>
     */
    private static function together(array $some, int $width, int $height, int $toWidth, int $toHeight): array
    {
        $image = new Imagick;
        $image->setSize($width, $height);
        $image->setOption('depth', '8');
        $image->setFormat('rgb');
        $image->setInterlaceScheme(Imagick::INTERLACE_PLANE);
        $image->readImageBlob(implode('', array_pad($some, self::TOGETHER, $some[0])));
        self::resize($image, $toWidth, $toHeight);
        $image->setImageFormat('rgb');
        $image->setImageDepth(8);
        $image->setInterlaceScheme(Imagick::INTERLACE_PLANE);
        $bytes = $image->getImageBlob();
        $image->clear();

        return array_map(
            fn (int $i): string => substr($bytes, $i * $toWidth * $toHeight, $toWidth * $toHeight),
            array_keys($some),
        );
    }

    private static function resize(Imagick $image, int $width, int $height): bool
    {
        return $image->resizeImage($width, $height, Imagick::FILTER_MITCHELL, 1);
    }
}
