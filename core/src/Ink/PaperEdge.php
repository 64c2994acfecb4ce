<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Components;
use Awning\Core\Raster\Outline;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Runs;

/**
 * Where a sheet of paper ends that was photographed on a darker desk: a four-cornered bright area with something darker
 * all along it. The hull is Andrew's monotone chain (1979).
 */
final readonly class PaperEdge
{
    /**
     * A sheet is brighter than one of these parts of the brightest of the scan: the lower, the deeper a shadow on it.
     */
    private const BRIGHT = [0.55, 0.48, 0.42, 0.36, 0.3, 0.25];

    /** Of the scan, at the least and at the most. */
    private const SHARE = [0.2, 0.97];

    /**
     * So much of its hull a sheet fills, lines and shadows taken off; and so much of its four corners' area the hull.
     */
    private const FILLED = 0.9;

    /** So many of the four corners are to be seen: else it may be a shadow or a marked area that runs off the page. */
    private const CORNERS = 3;

    /** Bright grain of a desk is narrower than twice as many cells. */
    private const SPECK = 2;

    /**
     * Cells from a hull's side within which the rim counts, and how many of its points are enough to lay the side
     * along.
     */
    private const NEAR = 6.0;

    private const ENOUGH = 12;

    /** Of the largest sheet's area, to be compared with it. */
    private const AS_LARGE = 0.8;

    /** A narrower rim than this part of the scan is its edge, no desk. */
    private const RIM = 0.02;

    /** No brighter than this part of the paper, what lies around may as well be black ink on the sheet. */
    private const DARK_AS_INK = 0.15;

    /** Pixels inside the edge that are not looked at: its shadow, the paper's thickness, in cells. */
    private const MARGIN = 1.5;

    /**
     * @param  list<array{float, float}>  $corners  four of them in pixels, clockwise from the upper left
     * @param  bool  $isSure  false when what lies around is as dark as ink and may be drawn
     */
    public function __construct(public array $corners, public bool $isSure)
    {
    }

    /** @return ?self null when the paper reaches the edges of the scan */
    public static function of(PaperLight $light): ?self
    {
        $grid = $light->closed;
        $paper = $grid->brightestLevel();
        $corners = self::sheetIn($grid, $paper);
        $around = $corners === null ? [] : self::around($grid, $corners);
        if ($corners === null || count($around) < self::RIM * strlen($grid->levels)) {
            return null;
        }
        sort($around);
        $inside = array_map(
            fn (array $corner): array => [$corner[0] * $grid->cell, $corner[1] * $grid->cell],
            self::inset($corners),
        );

        return new self(self::ordered($inside), $around[intdiv(count($around), 2)] > self::DARK_AS_INK * $paper);
    }

    /**
     * The one that is filled best of those about as large as the largest: of a sheet with a shadow across it, the lit
     * part may look like a sheet, too; and a little of the desk may hang on.
     *
     * @return ?list<array{float, float}> four corners in cells, null when there is none that lies in the picture
     */
    private static function sheetIn(LevelGrid $grid, int $paper): ?array
    {
        $open = $grid->lowest(self::SPECK)->highest(self::SPECK);
        $sheets = array_values(
            array_filter(
                array_map(fn (float $part): ?array => self::brighterThan((int) ($part * $paper), $open), self::BRIGHT),
            ),
        );
        $largest = array_reduce(
            $sheets,
            fn (float $most, array $sheet): float => max($most, self::areaOf($sheet[0])),
            0.0,
        );
        $best = null;
        foreach ($sheets as $sheet) {
            if (self::areaOf($sheet[0]) >= self::AS_LARGE * $largest && ($best === null || $sheet[1] > $best[1])) {
                $best = $sheet;
            }
        }

        return $best[0] ?? null;
    }

    /** @return ?array{list<array{float, float}>, float} the corners of a sheet, and how much of them is filled */
    private static function brighterThan(int $level, LevelGrid $grid): ?array
    {
        $bright = strtr($grid->levels, Bytes::identity(), Bytes::threshold($level + 1));
        [$points, $area] = self::largest($bright, $grid);
        $share = $area / strlen($bright);
        if ($share < self::SHARE[0] || $share > self::SHARE[1]) {
            return null;
        }
        $hull = self::hull($points);
        $corners = self::fourCorners($hull);
        $isSheet =
            $corners !== null &&
            $area >= self::FILLED * self::areaOf($hull) &&
            self::areaOf($hull) >= self::FILLED * self::areaOf($corners);
        if (
            ! $isSheet ||
            count(array_filter($corners, fn (array $corner): bool => self::liesWithin($corner, $grid))) < self::CORNERS
        ) {
            return null;
        }

        $corners = self::fitted($corners, $points);

        return [$corners, $area / self::areaOf($corners)];
    }

    /**
     * Each side laid along the rim that is near it: a hull's sides hang on what sticks out the farthest.
     *
     * @param  list<array{float, float}>  $corners
     * @param  list<array{float, float}>  $rim
     * @return list<array{float, float}>
     */
    private static function fitted(array $corners, array $rim): array
    {
        $sides = [];
        for ($i = 0; $i < 4; $i++) {
            $sides[] = self::alongRim($corners[$i], $corners[($i + 1) % 4], $rim);
        }
        $fitted = [];
        for ($i = 0; $i < 4; $i++) {
            [[$ax, $ay], [$ux, $uy]] = $sides[($i + 3) % 4];
            [[$bx, $by], [$vx, $vy]] = $sides[$i];
            $cross = $ux * $vy - $uy * $vx;
            $t = abs($cross) < 1e-6 ? 0.0 : (($bx - $ax) * $vy - ($by - $ay) * $vx) / $cross;
            $fitted[] = abs($cross) < 1e-6 ? $corners[$i] : [$ax + $t * $ux, $ay + $t * $uy];
        }

        return $fitted;
    }

    /**
     * A line through the rim's points near a side, by least squares of their distances; the side itself where they are
     * few.
     *
     * @param  array{float, float}  $a
     * @param  array{float, float}  $b
     * @param  list<array{float, float}>  $rim
     * @return array{array{float, float}, array{float, float}} a place on it and its direction
     */
    private static function alongRim(array $a, array $b, array $rim): array
    {
        [$dx, $dy] = [$b[0] - $a[0], $b[1] - $a[1]];
        $length = max(1e-6, hypot($dx, $dy));
        $near = [];
        foreach ($rim as [$x, $y]) {
            $along = (($x - $a[0]) * $dx + ($y - $a[1]) * $dy) / $length;
            $off = (($x - $a[0]) * $dy - ($y - $a[1]) * $dx) / $length;
            if (abs($off) < self::NEAR && $along > 0.08 * $length && $along < 0.92 * $length) {
                $near[] = [$along, $off];
            }
        }
        $count = count($near);
        if ($count < self::ENOUGH) {
            return [$a, [$dx, $dy]];
        }
        [$middle, $shift] = [array_sum(array_column($near, 0)) / $count, array_sum(array_column($near, 1)) / $count];
        $squares = $products = 0.0;
        foreach ($near as [$along, $off]) {
            $squares += ($along - $middle) ** 2;
            $products += ($along - $middle) * ($off - $shift);
        }
        $slope = $products / max(1e-6, $squares);
        [$ux, $uy] = [$dx / $length, $dy / $length];

        return [
            [$a[0] + $middle * $ux + $shift * $uy, $a[1] + $middle * $uy - $shift * $ux],
            [$ux + $slope * $uy, $uy - $slope * $ux],
        ];
    }

    /** @param  array{float, float}  $corner */
    private static function liesWithin(array $corner, LevelGrid $grid): bool
    {
        $margin = max(1.0, 0.005 * max($grid->columns, $grid->rows));

        return $corner[0] > $margin &&
            $corner[1] > $margin &&
            $corner[0] < $grid->columns - $margin &&
            $corner[1] < $grid->rows - $margin;
    }

    /** @return Plane the same, with nothing outside the sheet */
    public function keep(Plane $darkness): Plane
    {
        return (new Outline($this->corners))->keep($darkness);
    }

    /** @return array{list<array{float, float}>, int} the ends of the runs of the largest bright area, and its cells */
    private static function largest(string $marks, LevelGrid $grid): array
    {
        $runs = Runs::ofMarks($marks, $grid->columns, $grid->rows, "\xff");
        if ($runs->count() === 0) {
            return [[], 0];
        }
        $areas = Components::of($runs);
        $most = (int) array_search(max([0, ...$areas->area]), $areas->area, true);
        $points = [];
        foreach ($areas->of as $run => $area) {
            if ($area === $most) {
                $row = intdiv($runs->from[$run], $grid->columns);
                [$left, $right] = [
                    (float) ($runs->from[$run] % $grid->columns),
                    (float) ($runs->to[$run] - $row * $grid->columns),
                ];
                array_push(
                    $points,
                    [$left, (float) $row],
                    [$right, (float) $row],
                    [$left, $row + 1.0],
                    [$right, $row + 1.0],
                );
            }
        }

        return [$points, $areas->area[$most]];
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return list<array{float, float}> the convex hull, in order
     */
    private static function hull(array $points): array
    {
        sort($points);

        return [...self::half($points), ...self::half(array_reverse($points))];
    }

    /**
     * @param  list<array{float, float}>  $points  sorted
     * @return list<array{float, float}> one side of their hull, without its last point
     */
    private static function half(array $points): array
    {
        $hull = [];
        foreach ($points as $point) {
            while (($n = count($hull)) > 1 && self::turn($hull[$n - 2], $hull[$n - 1], $point) <= 0) {
                array_pop($hull);
            }
            $hull[] = $point;
        }
        array_pop($hull);

        return $hull;
    }

    /**
     * Sides are taken off a hull, each time the one whose neighbours, made longer, add the least, until four are left.
     *
     * @param  list<array{float, float}>  $hull
     * @return ?list<array{float, float}>
     */
    private static function fourCorners(array $hull): ?array
    {
        while (($n = count($hull)) > 4) {
            $least = INF;
            $best = null;
            for ($i = 0; $i < $n; $i++) {
                [$a, $b, $c, $d] = [$hull[($i + $n - 1) % $n], $hull[$i], $hull[($i + 1) % $n], $hull[($i + 2) % $n]];
                $meet = self::meeting($a, $b, $d, $c);
                $added = $meet === null ? INF : abs(self::turn($b, $meet, $c)) / 2;
                if ($meet !== null && $added < $least) {
                    [$least, $best] = [$added, [$i, $meet]];
                }
            }
            if ($best === null) {
                return null;
            }
            [$i, $meet] = $best;
            $hull[$i] = $meet;
            array_splice($hull, ($i + 1) % $n, 1);
        }

        return $n === 4 ? array_values($hull) : null;
    }

    /**
     * Where two lines meet beyond $b and beyond $d.
     *
     * @param  array{float, float}  $a
     * @param  array{float, float}  $b
     * @param  array{float, float}  $c
     * @param  array{float, float}  $d
     * @return ?array{float, float} null when they do not
     */
    private static function meeting(array $a, array $b, array $c, array $d): ?array
    {
        [$ux, $uy, $vx, $vy] = [$b[0] - $a[0], $b[1] - $a[1], $d[0] - $c[0], $d[1] - $c[1]];
        $cross = $ux * $vy - $uy * $vx;
        if (abs($cross) < 1e-9) {
            return null;
        }
        $t = (($c[0] - $a[0]) * $vy - ($c[1] - $a[1]) * $vx) / $cross;

        return $t < 1 - 1e-9 ? null : [$a[0] + $t * $ux, $a[1] + $t * $uy];
    }

    /**
     * @param  array{float, float}  $a
     * @param  array{float, float}  $b
     * @param  array{float, float}  $c
     */
    private static function turn(array $a, array $b, array $c): float
    {
        return ($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]);
    }

    /** @param  list<array{float, float}>  $outline */
    private static function areaOf(array $outline): float
    {
        $sum = 0.0;
        foreach ($outline as $i => [$x, $y]) {
            [$nextX, $nextY] = $outline[($i + 1) % count($outline)];
            $sum += $x * $nextY - $nextX * $y;
        }

        return abs($sum) / 2;
    }

    /**
     * @param  list<array{float, float}>  $corners
     * @return list<array{float, float}> each moved inward, along both sides
     */
    private static function inset(array $corners): array
    {
        [$mx, $my] = [array_sum(array_column($corners, 0)) / 4, array_sum(array_column($corners, 1)) / 4];

        return array_map(
            fn (array $corner): array => [
                $corner[0] + self::MARGIN * ($mx <=> $corner[0]),
                $corner[1] + self::MARGIN * ($my <=> $corner[1]),
            ],
            $corners,
        );
    }

    /**
     * @param  list<array{float, float}>  $corners
     * @return list<array{float, float}> clockwise from the upper left
     */
    private static function ordered(array $corners): array
    {
        [$mx, $my] = [array_sum(array_column($corners, 0)) / 4, array_sum(array_column($corners, 1)) / 4];
        usort(
            $corners,
            fn (array $a, array $b): int => atan2($a[1] - $my, $a[0] - $mx) <=> atan2($b[1] - $my, $b[0] - $mx),
        );

        return $corners;
    }

    /**
     * @param  list<array{float, float}>  $corners
     * @return list<int> levels of the cells outside, but for those at the edge
     */
    private static function around(LevelGrid $grid, array $corners): array
    {
        $levels = [];
        $sheet = new Outline($corners);
        for ($row = 0; $row < $grid->rows; $row++) {
            [$from, $to] = $sheet->spans($row, 0, $grid->columns)[0] ?? [0, 0];
            for ($column = 0; $column < $grid->columns; $column++) {
                if ($column < $from - 2 || $column > $to + 2) {
                    $levels[] = ord($grid->levels[$row * $grid->columns + $column]);
                }
            }
        }

        return $levels;
    }
}
