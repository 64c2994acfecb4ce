<?php

declare(strict_types=1);

namespace Awning\Core\Light\Shadow;

use Awning\Core\Light\Surface\BorderDistance;
use Awning\Core\Light\Surface\CoarseGrid;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;

/**
 * A shape that fades toward its outline and ends there: by the usual cubic of the distance inside it. It is soft, so
 * that it is worked out smaller.
 */
final class FadedEdge
{
    /** So many places across the fading edge are enough for it. */
    private const PLACES = 8;

    /**
     * @param  Plane  $shape  0 or 255 a pixel
     * @param  float  $over  px over which it fades
     */
    public static function of(Plane $shape, float $over): Plane
    {
        $by = self::step($over);
        $small = Labels::ofShape($shape)->thinned($by);
        $coverage = '';
        foreach (BorderDistance::squared($small, true) as $squared) {
            $part = min(1.0, (max(0.0, sqrt($squared) - 0.5) * $by) / $over);
            $coverage .= chr((int) round(255 * $part * $part * (3 - 2 * $part)));
        }
        $drawn = (new CoarseGrid($by))->drawn(
            [$coverage],
            new Rect(0, 0, $small->width, $small->height),
            new Rect(0, 0, $shape->width, $shape->height),
        );

        return new Plane($shape->width, $shape->height, $drawn[0] & $shape->data);
    }

    /**
     * What must be looked at to have a part of a page as it is in the whole; the filter that draws it larger asks for
     * less.
     */
    public static function around(Rect $part, float $over): Rect
    {
        $by = self::step($over);
        $far = (int) ceil($over);
        $down = fn (int $at): int => (int) floor(($at - $far) / $by) * $by;
        $up = fn (int $at): int => (int) ceil(($at + $far) / $by) * $by;

        return Rect::bounds($down($part->x), $down($part->y), $up($part->right()), $up($part->bottom()));
    }

    private static function step(float $over): int
    {
        return max(1, (int) round($over / self::PLACES));
    }
}
