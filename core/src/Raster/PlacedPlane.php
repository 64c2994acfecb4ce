<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/** A plane of coverage at a place of the page. */
final readonly class PlacedPlane implements Coverage
{
    public function __construct(private Plane $plane, private int $x, private int $y)
    {
    }

    public function bounds(): Rect
    {
        return new Rect($this->x, $this->y, $this->plane->width, $this->plane->height);
    }

    public function cut(Rect $rect): ?string
    {
        if ($rect->intersect($this->bounds())->isEmpty()) {
            return null;
        }
        $data = Bytes::crop($this->plane->data, $this->plane->width, $this->plane->height, new Rect($rect->x - $this->x, $rect->y - $this->y, $rect->width, $rect->height), 1);

        return strspn($data, "\0") === strlen($data) ? null : $data;
    }
}
