<?php

declare(strict_types=1);

namespace Awning\Core\Light\Shadow;

use Awning\Core\Light\Emission\KeyLight;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;

/** What throws shadows on a figure: nearer figures, and what of itself stands before the rest of it. */
final readonly class ShadowCasters
{
    /** What stands before the rest is closer to it than another figure: its shadow is so many times as long. */
    private const CLOSE = 0.4;

    /**
     * @param  Plane  $nearer  of the whole page; 255 where something nearer stands
     * @param  Plane  $before  255 where something of the figure stands before it: a brim, a plait, an arm
     * @param  ?GroundShadow  $ground  what stands on the figure; null: that throws nothing more
     */
    public function __construct(private Plane $nearer, private Plane $before, private ?GroundShadow $ground = null)
    {
    }

    /**
     * @param  float  $length  of the shadow of a nearer figure, px
     * @param  float  $soft  px over which shadows fade toward their outline
     * @return ?Plane the shadows on one place of the page; null: none falls there
     */
    public function on(Rect $where, KeyLight $key, float $length, float $soft = 0.0): ?Plane
    {
        $shadows = array_filter([
            self::shadow($this->nearer, $where, $key, $length, $soft),
            self::shadow($this->before, $where, $key, self::CLOSE * $length, self::CLOSE * $soft),
            $this->ground?->on($where),
        ]);

        return array_reduce(
            $shadows,
            fn (?Plane $all, Plane $one): Plane => $all === null
                ? $one
                : new Plane($where->width, $where->height, Bytes::most($all->data, $one->data)),
        );
    }

    /** Whatever throws into the place from around it is looked at, too. */
    private static function shadow(Plane $throwers, Rect $where, KeyLight $key, float $length, float $soft): ?Plane
    {
        if ($length < 1) {
            return null;
        }
        // And one more: the edge of a shadow is smoothed by its neighbours.
        $far = (int) ceil($length) + 1;
        $around = ($soft < 1 ? $where->grown($far) : FadedEdge::around($where->grown($far), $soft))->intersect(
            new Rect(0, 0, $throwers->width, $throwers->height),
        );
        $here = $throwers->crop($around);

        return Bytes::isNothing($here->data)
            ? null
            : CastShadow::of($here, $key, $length, $soft)->crop(
                new Rect($where->x - $around->x, $where->y - $around->y, $where->width, $where->height),
            );
    }
}
