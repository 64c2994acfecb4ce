<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Raster\Rect;

/** Draws a line that is kept as points: its coverage, or where it goes and how wide it is there. */
final readonly class Nib
{
    /**
     * @param  Rect  $page  coverage outside is not made
     *
     * @throws \RangeException when it is more than is drawn in one go
     */
    public static function draw(InkStroke $stroke, Rect $page): StrokeMask
    {
        return Grain::on(
            (new StrokeRaster)->draw(new Path($stroke->tapered()), self::brush($stroke), $page),
            $stroke->grain,
        );
    }

    /** @return non-empty-list<array{float, float, float}> places of the calmed line, each with its radius in px */
    public static function course(InkStroke $stroke): array
    {
        $brush = self::brush($stroke);

        return array_map(
            fn (array $point): array => [$point[0], $point[1], StrokeRaster::radius($brush, $point[2])],
            (new Path($stroke->tapered()))->followed($brush),
        );
    }

    private static function brush(InkStroke $stroke): Brush
    {
        return new Brush($stroke->weight, 1.0, 1.0, $stroke->steady);
    }
}
