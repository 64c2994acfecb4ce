<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Raster\Components;

/**
 * Hatching, cross-hatching and screen tone cut the paper into slits and cells that nobody wants to fill one by one.
 * They are told by being narrow and by being many beside each other, and become one region. It stays apart from its
 * neighbours: which of them is shaded, their borders do not tell, and a wrong guess would flood. A narrow shape alone,
 * the white of an eye, stays its own.
 */
final readonly class Hatching
{
    /** Mean width up to which a slit is narrow, and a cell: so many times a line's, and so many pixels. */
    private const NARROW_SLIT = 2.1;

    private const NARROW_CELL = 1.2;

    private const AND_PIXELS = 2;

    /**
     * Square of the border before the area from which on a shape is long: that of a square is 16, askew in pixels 32.
     */
    private const LONG = 45;

    /** So many slits beside each other are no accident, and so many slits and cells: a net or a window has fewer. */
    private const MANY_SLITS = 12;

    private const MANY = 60;

    /** The widths of the middle half of a crowd differ by no more than this. */
    private const EVEN = 2.0;

    /** Part of the smaller one's border that two of them share at least. */
    private const BESIDE = 0.15;

    /** Looking closer takes a while: it is done where so many may be slits, a little wider ones counted. */
    private const MANY_LIKELY = 24;

    private const LIKELY = 1.5;

    public function __construct(private float $lineWidth)
    {
    }

    /** Whether there are enough slits to look closer: narrow across or down. */
    public function isLikely(Components $components): bool
    {
        $stretches = array_count_values($components->of);
        $narrow = 0;
        foreach ($components->area as $component => $area) {
            $narrow +=
                min($stretches[$component], $area / $stretches[$component]) <=
                self::LIKELY * (self::NARROW_SLIT * $this->lineWidth + self::AND_PIXELS)
                    ? 1
                    : 0;
        }

        return $narrow >= self::MANY_LIKELY;
    }

    /**
     * @param  array<int, int>  $areas  free pixels of each region
     * @return array<int, int> region => the one it becomes a part of
     */
    public function joins(array $areas, RegionGraph $graph): array
    {
        $perimeters = $widths = $long = [];
        foreach ($areas as $region => $area) {
            $perimeter = $graph->perimeter($region);
            // Regions reach to the middle of the lines round them; the free part ends half a line before.
            $free = max(1.0, $perimeter - 4 * $this->lineWidth);
            $width = (2 * $area) / $free;
            $isLong = $free ** 2 >= self::LONG * $area;
            if ($width <= ($isLong ? self::NARROW_SLIT : self::NARROW_CELL) * $this->lineWidth + self::AND_PIXELS) {
                $perimeters[$region] = $perimeter;
                $widths[$region] = $width;
            }
            if ($isLong) {
                $long[$region] = true;
            }
        }
        $joins = [];
        foreach ($this->crowds($perimeters, $long, $graph) as $crowd) {
            if (! self::isEven(array_map(fn (int $region): float => $widths[$region], $crowd))) {
                continue;
            }
            $first = min($crowd);
            $joins += array_fill_keys(array_diff($crowd, [$first]), $first);
        }

        return $joins;
    }

    /**
     * Whether slits are about as wide as each other, as a hand that shades makes them: splinters between lines that
     * cross at random are not.
     *
     * @param  non-empty-list<float>  $widths
     */
    private static function isEven(array $widths): bool
    {
        sort($widths);
        $last = count($widths) - 1;

        return $widths[intdiv(3 * $last, 4)] <= self::EVEN * $widths[intdiv($last, 4)];
    }

    /**
     * @param  array<int, int>  $perimeters  of the narrow regions
     * @param  array<int, true>  $long  those that are slits
     * @return list<non-empty-list<int>>
     */
    private function crowds(array $perimeters, array $long, RegionGraph $graph): array
    {
        $crowds = $seen = [];
        foreach (array_keys($perimeters) as $first) {
            if (isset($seen[$first])) {
                continue;
            }
            $seen[$first] = true;
            $crowd = [$first];
            for ($i = 0; $i < count($crowd); $i++) {
                foreach ($graph->neighbours($crowd[$i]) as $other => $border) {
                    if (
                        isset($perimeters[$other]) &&
                        ! isset($seen[$other]) &&
                        $border >= self::BESIDE * min($perimeters[$crowd[$i]], $perimeters[$other])
                    ) {
                        $seen[$other] = true;
                        $crowd[] = $other;
                    }
                }
            }
            if (
                count($crowd) >= self::MANY ||
                count(array_intersect_key($long, array_flip($crowd))) >= self::MANY_SLITS
            ) {
                $crowds[] = $crowd;
            }
        }

        return $crowds;
    }
}
