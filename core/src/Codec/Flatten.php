<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Raster\Paint;

/** Lays a see-through picture on white paper, for formats without alpha. */
final class Flatten
{
    public function onWhite(Paint $paint): Paint
    {
        if ($paint->isOpaque()) {
            return $paint;
        }
        [$red, $green, $blue] = array_map(fn ($plane): string => $plane->data, (new Picture($paint, false, 0))->channels());

        return new Paint($paint->width, $paint->height, $red, $green, $blue, str_repeat("\xff", strlen($red)));
    }
}
