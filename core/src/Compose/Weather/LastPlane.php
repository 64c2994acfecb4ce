<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Weather;

use Awning\Core\Raster\Rect;

/** The plane that was made last: a compositor asks for the same one for its survey and for each canvas. */
final class LastPlane
{
    private ?Rect $rect = null;

    private string $plane = '';

    /** @param  callable(Rect): string  $make  one byte a px of the rectangle, always the same */
    public function of(Rect $rect, callable $make): string
    {
        if ($this->rect != $rect) {
            $this->plane = $make($rect);
            $this->rect = $rect;
        }

        return $this->plane;
    }
}
