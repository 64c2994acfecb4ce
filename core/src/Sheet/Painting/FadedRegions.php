<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Painting;

use Awning\Core\Light\Shadow\FadedEdge;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Coverage;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;

/** Regions of a page that fade toward their common border, and end there: nothing lies beside them. */
final readonly class FadedRegions implements Coverage
{
    /**
     * @param  RegionCoverage  $regions  whole
     * @param  float  $over  px inside their border over which they fade, at least 1
     */
    public function __construct(private RegionCoverage $regions, private float $over)
    {
    }

    public function bounds(): Rect
    {
        return $this->regions->bounds();
    }

    public function cut(Rect $rect): ?string
    {
        // The page's own rim is no border: what leaves it goes on outside.
        $around = FadedEdge::around($rect, $this->over)->intersect($this->bounds());
        $shape = $around->isEmpty() ? null : $this->regions->cut($around);
        if ($shape === null) {
            return null;
        }
        $faded = FadedEdge::of(new Plane($around->width, $around->height, $shape), $this->over);
        $cut = Bytes::crop(
            $faded->data,
            $around->width,
            $around->height,
            new Rect($rect->x - $around->x, $rect->y - $around->y, $rect->width, $rect->height),
            1,
        );

        return Bytes::isNothing($cut) ? null : $cut;
    }
}
