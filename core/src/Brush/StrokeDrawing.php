<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Raster\Rect;

/** A stroke that is drawn once, whoever asks first. */
final class StrokeDrawing
{
    private ?Rect $page = null;

    private ?StrokeMask $mask = null;

    public function __construct(private readonly Path $path, private readonly Brush $brush)
    {
    }

    /** @throws \RangeException when it is more than is drawn in one go */
    public function on(Rect $page): StrokeMask
    {
        if ($this->mask === null || $page != $this->page) {
            $tip = $this->brush->tip;
            $this->mask =
                $tip === null
                    ? (new StrokeRaster)->draw($this->path, $this->brush, $page)
                    : DabRaster::draw($this->path, $this->brush, $tip, $page);
            $this->page = $page;
        }

        return $this->mask;
    }
}
