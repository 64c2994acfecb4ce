<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/** How much of each pixel of the page something covers, 0 to 255: a stroke, a shape, a ramp, regions. */
interface Coverage
{
    /** Nothing is covered outside of this. */
    public function bounds(): Rect;

    /** @return ?string one byte a pixel of the rectangle, row after row; null where nothing of it is covered */
    public function cut(Rect $rect): ?string;
}
