<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Raster\Paint;
use Imagick;

/** A small copy of a picture that fits a square; never larger than the picture. */
final readonly class Thumbnail
{
    public function __construct(private int $side)
    {
    }

    public function of(Paint $paint): Paint
    {
        [$width, $height] = $this->size($paint->width, $paint->height);
        $small = fn (string $plane): string => self::shrink($plane, $paint->width, $paint->height, $width, $height);
        $red = $small($paint->red);
        // Of a grey picture all three are the same plane.
        $green = $paint->green === $paint->red ? $red : $small($paint->green);
        $blue = $paint->blue === $paint->red ? $red : $small($paint->blue);

        return new Paint($width, $height, $red, $green, $blue, $small($paint->alpha));
    }

    /** @return array{positive-int, positive-int} width and height of the copy of a picture of that size */
    public function size(int $width, int $height): array
    {
        $scale = min(1.0, $this->side / max($width, $height));

        return [max(1, (int) round($width * $scale)), max(1, (int) round($height * $scale))];
    }

    /** One plane, averaged down. One that is the same everywhere, such as the alpha of most pictures, costs nothing. */
    public static function shrink(string $plane, int $width, int $height, int $toWidth, int $toHeight): string
    {
        if ($plane !== '' && strspn($plane, $plane[0]) === strlen($plane)) {
            return str_repeat($plane[0], $toWidth * $toHeight);
        }

        return GreyImage::through(
            $plane,
            $width,
            $height,
            fn (Imagick $image): bool => $image->scaleImage($toWidth, $toHeight),
        );
    }
}
