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
        $planes = [];
        foreach ([$paint->red, $paint->green, $paint->blue, $paint->alpha] as $plane) {
            $planes[] = self::shrink($plane, $paint->width, $paint->height, $width, $height);
        }

        return new Paint($width, $height, ...$planes);
    }

    /** @return array{positive-int, positive-int} width and height of the copy of a picture of that size */
    public function size(int $width, int $height): array
    {
        $scale = min(1.0, $this->side / max($width, $height));

        return [max(1, (int) round($width * $scale)), max(1, (int) round($height * $scale))];
    }

    /** One plane, averaged down. */
    public static function shrink(string $plane, int $width, int $height, int $toWidth, int $toHeight): string
    {
        return GreyImage::through($plane, $width, $height, fn (Imagick $image): bool => $image->scaleImage($toWidth, $toHeight));
    }
}
