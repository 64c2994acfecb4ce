<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Raster\Plane;

/** A scan whose paper and light are divided out. */
final readonly class FlatScan
{
    /** @param  Plane  $darkness  0 is paper, 255 black */
    public function __construct(
        public Plane $darkness,
        public ?PaperEdge $edge,
        public InkColours $colours = new InkColours,
    ) {
    }
}
