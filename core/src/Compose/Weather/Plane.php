<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Weather;

use Awning\Core\Raster\Rect;

/** The coverage of one weather: the same on every screen, and a part of the page has what the whole page has there. */
interface Plane
{
    /** @return string one byte a px of a rectangle of the page */
    public function in(Rect $rect): string;
}
