<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Weather;

use Awning\Core\Raster\Rect;

/** Keeps what was made last: a compositor asks for the same rectangle for its survey and for each canvas. */
final class LastPlane implements Plane
{
    private ?Rect $rect = null;

    private string $bytes = '';

    public function __construct(private readonly Plane $plane)
    {
    }

    public function in(Rect $rect): string
    {
        if ($this->rect != $rect) {
            $this->bytes = $this->plane->in($rect);
            $this->rect = $rect;
        }

        return $this->bytes;
    }
}
