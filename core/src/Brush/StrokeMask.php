<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Coverage;
use Awning\Core\Raster\Rect;

/** A coverage that is worked out at once inside its bounds: that of a stroke, or of marks that are laid like one. */
final readonly class StrokeMask implements Coverage
{
    /** @param  string  $data  one byte a pixel of $bounds */
    public function __construct(public Rect $bounds, public string $data)
    {
    }

    public function bounds(): Rect
    {
        return $this->bounds;
    }

    public function cut(Rect $rect): ?string
    {
        if ($this->bounds->intersect($rect)->isEmpty()) {
            return null;
        }
        $here = new Rect($rect->x - $this->bounds->x, $rect->y - $this->bounds->y, $rect->width, $rect->height);
        $cut = Bytes::crop($this->data, $this->bounds->width, $this->bounds->height, $here, 1);

        return Bytes::isNothing($cut) ? null : $cut;
    }
}
