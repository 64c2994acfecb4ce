<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;

/** What throws shadows on a figure: nearer figures, and what of itself stands before the rest of it. */
final readonly class Throwers
{
    /** What stands before the rest is closer to it than another figure: its shadow is so many times as long. */
    private const CLOSE = 0.4;

    /**
     * @param  Plane  $nearer  of the whole page; 255 where something nearer stands
     * @param  Plane  $before  255 where something of the figure stands before it: a brim, a plait, an arm
     */
    public function __construct(private Plane $nearer, private Plane $before)
    {
    }

    /**
     * @param  float  $length  of the shadow of a nearer figure, px
     * @return ?Plane the shadows on one place of the page; null: none falls there
     */
    public function on(Rect $where, KeyLight $key, float $length): ?Plane
    {
        $far = self::shadow($this->nearer, $where, $key, $length);
        $close = self::shadow($this->before, $where, $key, self::CLOSE * $length);

        return $far === null || $close === null ? $far ?? $close : new Plane($where->width, $where->height, Bytes::most($far->data, $close->data));
    }

    /** Whatever throws into the place from around it is looked at, too. */
    private static function shadow(Plane $throwers, Rect $where, KeyLight $key, float $length): ?Plane
    {
        if ($length < 1) {
            return null;
        }
        // And one more: the edge of a shadow is smoothed by its neighbours.
        $far = (int) ceil($length) + 1;
        $around = $where->grown($far)->intersect(new Rect(0, 0, $throwers->width, $throwers->height));
        $here = $throwers->crop($around);

        return Bytes::isNothing($here->data) ? null
            : CastShadow::of($here, $key, $length)->crop(new Rect($where->x - $around->x, $where->y - $around->y, $where->width, $where->height));
    }
}
