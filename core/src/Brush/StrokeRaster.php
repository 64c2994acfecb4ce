<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Raster\Rect;

/**
 * Turns a stroke into coverage. What a pixel gets depends on how far it is from the path, the nearest part counting, so
 * a stroke that crosses itself does not build up. The edge falls off over (1 - hardness) of the radius, never over less
 * than a pixel.
 *
 * The cost grows with the area that is painted, not with the number of points times the size of the brush: squares are
 * halved, and each is asked only of those segments that can be the ones that count in it. Where one surely covers all,
 * or none comes, it is done.
 */
final class StrokeRaster
{
    /** Thinnest a line gets at no pressure, in parts of the brush. */
    private const THIN = 0.12;

    /** Squares that are not halved again, in places that are looked at. */
    private const PLACES = 8;

    /** Narrower fall-offs than this are worked out pixel by pixel. */
    private const WIDE = 120;

    /**
     * In a wide fall-off only some pixels are looked at, with straight lines between. The curve alone is off by less
     * than a quarter of a step of 255 when they lie no further apart than this part of its width.
     */
    private const FURTHEST = 1 / 30;

    /**
     * Where two parts of a stroke meet is a crease, each falling by up to 1.5 * 255 / width a pixel. Pixels no further
     * apart than this part of the width cut its corner by up to 765 / 400 = 1.9 steps, and that is let be.
     */
    private const NEAREST = 1 / 100;

    /**
     * Steps by which a looked-at pixel may differ from the mean of its neighbours, where they lie further apart: a
     * crease inside the square cuts its corner by as much at the most, one beside its rim by up to twice that.
     */
    private const EVEN = 1.0;

    private const FULL = true;

    /** Rounds to 255. */
    private const AS_GOOD_AS_FULL = 254.5 / 255;

    /** Parts of a step of coverage that ramps begin and end at: an eighth of a step off at the most. */
    private const FINE = 4;

    /**
     * @var array<int, array{?string, int, int}> what is not empty, by row and first column: a square or null for full,
     *     its side, where in it
     */
    private array $cells = [];

    /** @var array<int, string> by how many pixels, from where, to where */
    private array $ramps = [];

    /** Places times segments that are looked at for one stroke: a second's work, or a little more. */
    private const MOST_WORK = 40_000_000;

    private int $columns = 0;

    private int $work = 0;

    /**
     * @param  Rect  $page  coverage outside is not made
     *
     * @throws \RangeException when it goes to and fro so much with so large and soft a brush that it is not drawn
     */
    public function draw(Path $path, Brush $brush, Rect $page): StrokeMask
    {
        $points = $path->followed($brush);
        $bounds = Path::around($points, $brush->size / 2 + 1)->intersect($page);
        if ($bounds->isEmpty()) {
            return new StrokeMask($bounds, '');
        }
        $this->cells = [];
        $this->work = 0;
        $this->columns = (int) ceil($bounds->width / self::PLACES);
        $across = self::PLACES;
        while ($across < max($bounds->width, $bounds->height)) {
            $across *= 2;
        }
        $this->fill($bounds, 0, 0, $across, $this->segments($points, $brush));

        return new StrokeMask($bounds, $this->joined($bounds));
    }

    /**
     * @param  non-empty-list<array{float, float, float}>  $points
     * @return non-empty-list<Segment>
     */
    private function segments(array $points, Brush $brush): array
    {
        $segments = [];
        $soft = 1 - $brush->hardness;
        $from = $points[0];
        foreach (array_slice($points, 1) ?: [$from] as $to) {
            $segments[] = new Segment(
                ax: $from[0],
                ay: $from[1],
                ra: self::radius($brush, $from[2]),
                bx: $to[0],
                by: $to[1],
                rb: self::radius($brush, $to[2]),
                soft: $soft,
            );
            $from = $to;
        }

        return $segments;
    }

    /**
     * @param  int  $x  of the square's corner, from the corner of the bounds
     * @param  list<Segment>  $segments  those that may count here
     */
    private function fill(Rect $bounds, int $x, int $y, int $side, array $segments): void
    {
        if ($x >= $bounds->width || $y >= $bounds->height) {
            return;
        }
        $segments = $this->counting(
            $bounds->x + $x + $side / 2,
            $bounds->y + $y + $side / 2,
            $side * M_SQRT1_2,
            $segments,
        );
        if ($segments === []) {
            return;
        }
        if ($segments === self::FULL) {
            $this->worked(1);
            $this->put($bounds, $x, $y, $side, null);

            return;
        }
        $square = $this->square($bounds->x + $x, $bounds->y + $y, $side, $segments);
        if ($square !== null) {
            $this->put($bounds, $x, $y, $side, $square);

            return;
        }
        $half = intdiv($side, 2);
        foreach ([[0, 0], [$half, 0], [0, $half], [$half, $half]] as [$right, $down]) {
            $this->fill($bounds, $x + $right, $y + $down, $half, $segments);
        }
    }

    private function worked(int $places): void
    {
        $this->work += $places;
        if ($this->work > self::MOST_WORK) {
            throw new \RangeException(
                'This stroke goes to and fro too much for so large and soft a brush. Lift the pen once in a while.',
            );
        }
    }

    /** @param  non-empty-list<Segment>  $segments */
    private static function narrowest(array $segments): float
    {
        $width = INF;
        foreach ($segments as $segment) {
            $width = min($width, $segment->width);
        }

        return $width;
    }

    /**
     * @param  non-empty-list<Segment>  $segments
     * @return ?string null where it is to be halved first
     */
    private function square(int $left, int $top, int $side, array $segments): ?string
    {
        if ($side === self::PLACES) {
            $this->worked(count($segments) * self::PLACES ** 2);
            $square = str_repeat("\0", $side * $side);
            foreach ($segments as $segment) {
                $square = $segment->over($square, $left, $top, $side);
            }

            return $square;
        }
        $stride = intdiv($side, self::PLACES);
        $width = self::narrowest($segments);
        if ($width < self::WIDE || $stride > $width * self::FURTHEST) {
            $this->worked(count($segments) * 4);

            return null;
        }
        $this->worked(count($segments) * self::PLACES ** 2);
        $grid = $this->grid($left, $top, $stride, $segments);

        return $stride <= $width * self::NEAREST || self::isEven($grid) ? $this->between($grid, $stride) : null;
    }

    /**
     * Coverage, in parts of a step, of places in a square and on its rims.
     *
     * @param  non-empty-list<Segment>  $segments
     * @return list<float>
     */
    private function grid(int $left, int $top, int $stride, array $segments): array
    {
        $count = self::PLACES + 1;
        $shares = array_fill(0, $count * $count, 0.0);
        foreach ($segments as $segment) {
            $shares = $segment->overGrid($shares, $left, $top, $stride, $count);
        }
        $grid = [];
        foreach ($shares as $share) {
            $grid[] = self::FINE * 255 * ($share >= 1 ? 1.0 : $share * $share * (3 - 2 * $share));
        }

        return $grid;
    }

    /** @param  list<float>  $grid */
    private static function isEven(array $grid): bool
    {
        $count = self::PLACES + 1;
        $most = 2 * self::FINE * self::EVEN;
        for ($y = 0, $at = 0; $y < $count; $y++) {
            for ($x = 0; $x < $count; $x++, $at++) {
                if (
                    ($x > 0 && $x < self::PLACES && abs($grid[$at - 1] + $grid[$at + 1] - 2 * $grid[$at]) > $most) ||
                    ($y > 0 &&
                        $y < self::PLACES &&
                        abs($grid[$at - $count] + $grid[$at + $count] - 2 * $grid[$at]) > $most)
                ) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * All pixels of a square, on straight lines between those looked at.
     *
     * @param  list<float>  $grid
     */
    private function between(array $grid, int $stride): string
    {
        $count = self::PLACES + 1;
        $square = '';
        for ($y = 0, $side = self::PLACES * $stride; $y < $side; $y++) {
            $square .= $this->row($grid, intdiv($y, $stride) * $count, $count, ($y % $stride) / $stride, $stride);
        }

        return $square;
    }

    /**
     * One row of pixels between two rows of a grid.
     *
     * @param  list<float>  $grid  coverage in parts of a step
     * @param  int  $above  where the upper row begins in the grid
     * @param  float  $down  how far below the upper row, 0..1
     */
    private function row(array $grid, int $above, int $count, float $down, int $stride): string
    {
        $row = '';
        $to = (int) ($grid[$above] + ($grid[$above + $count] - $grid[$above]) * $down + 0.5);
        for ($place = $above + 1, $last = $above + $count; $place < $last; $place++) {
            $from = $to;
            $to = (int) ($grid[$place] + ($grid[$place + $count] - $grid[$place]) * $down + 0.5);
            $row .= $this->ramps[($stride << 24) | ($from << 12) | $to] ??= self::ramp($from, $to, $stride);
        }

        return $row;
    }

    /**
     * @param  int  $from  coverage in parts of a step
     * @param  int  $to  what it would be one pixel after the last
     */
    private static function ramp(int $from, int $to, int $pixels): string
    {
        $ramp = '';
        for ($i = 0; $i < $pixels; $i++) {
            $ramp .= chr((int) (($from + (($to - $from) * $i) / $pixels) / self::FINE + 0.5));
        }

        return $ramp;
    }

    /**
     * Of some segments those that may lay the most on some pixel near a place.
     *
     * @param  list<Segment>  $segments
     * @return list<Segment>|true true when one of them surely covers all
     */
    private function counting(float $x, float $y, float $within, array $segments): array|bool
    {
        $best = 0.0;
        $highest = [];
        foreach ($segments as $i => $segment) {
            [$low, $high] = $segment->between($x, $y, $within);
            if ($low >= self::AS_GOOD_AS_FULL) {
                return self::FULL;
            }
            if ($high > 0) {
                $highest[$i] = $high;
                $best = $low > $best ? $low : $best;
            }
        }
        $counting = [];
        foreach ($highest as $i => $high) {
            if ($high >= $best) {
                $counting[] = $segments[$i];
            }
        }

        return $counting;
    }

    /** @param  ?string  $square  null when all of it is full */
    private function put(Rect $bounds, int $x, int $y, int $side, ?string $square): void
    {
        for ($down = 0; $down < $side && $y + $down < $bounds->height; $down += self::PLACES) {
            $cell = intdiv($y + $down, self::PLACES) * $this->columns + intdiv($x, self::PLACES);
            $this->cells[$cell] = [$square, $side, $down * $side];
        }
    }

    private function joined(Rect $bounds): string
    {
        $none = str_repeat("\0", self::PLACES);
        $data = '';
        for ($y = 0; $y < $bounds->height; $y++) {
            $first = intdiv($y, self::PLACES) * $this->columns;
            $down = $y % self::PLACES;
            $row = '';
            for ($at = $first, $end = $first + $this->columns; $at < $end;) {
                $cell = $this->cells[$at] ?? null;
                if ($cell === null) {
                    $row .= $none;
                    $at++;

                    continue;
                }
                [$square, $side, $from] = $cell;
                $row .= $square === null ? str_repeat("\xff", $side) : substr($square, $from + $down * $side, $side);
                $at += intdiv($side, self::PLACES);
            }
            $data .= strlen($row) === $bounds->width ? $row : substr($row, 0, $bounds->width);
        }
        $this->cells = [];

        return $data;
    }

    /** @return float px from the middle of the line to its edge, at a pressure of 0..1 */
    public static function radius(Brush $brush, float $pressure): float
    {
        return max(0.5, ($brush->size / 2) * (self::THIN + (1 - self::THIN) * $pressure));
    }
}
