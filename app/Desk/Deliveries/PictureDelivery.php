<?php

declare(strict_types=1);

namespace App\Desk\Deliveries;

use App\Desk\Page\PageMoment;
use Awning\Core\Codec\ImageWriter;
use Awning\Core\Raster\Paint;

/** The finished picture as one flat image. */
abstract class PictureDelivery implements Delivery
{
    final public static function ending(): string
    {
        return static::format();
    }

    final public static function needsPicture(): bool
    {
        return true;
    }

    final public function write(string $file, PageMoment $moment, ?Paint $picture, float $dpi): void
    {
        file_put_contents(
            $file,
            (new ImageWriter)->write(
                $picture ?? throw new \LogicException('The picture is missing.'),
                static::format(),
                $dpi,
            ),
        );
    }
}
