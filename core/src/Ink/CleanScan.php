<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Raster\Plane;

/** A cleaned scan: the darkness it was cleaned from is kept, so that the levels can be moved again. */
final readonly class CleanScan
{
    public function __construct(public Plane $darkness, public Levels $levels, public Plane $ink)
    {
    }
}
