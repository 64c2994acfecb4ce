<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/**
 * A plane seen through a projection: each pixel of the result looks back to where it comes from and mixes the four
 * pixels round that place (bilinear). Where it becomes smaller, it is halved by averages first, so that thin lines
 * stay. Places where there is nothing are not looked at.
 */
final readonly class Warp
{
    /** The plane is searched for emptiness in squares of this side. */
    private const CELL = 16;

    /**
     * @param  Projection  $there  from the plane to the result, in pixels
     * @param  int  $width  of the result; what does not reach into it is lost
     */
    public static function plane(Plane $plane, Projection $there, int $width, int $height): Plane
    {
        while ($there->growth($plane->width / 2, $plane->height / 2) < 0.6 && min($plane->width, $plane->height) > 1) {
            $half = self::halved($plane);
            $there = Projection::scale($plane->width / $half->width, $plane->height / $half->height)->then($there);
            $plane = $half;
        }
        $back = $there->inverse();
        $occupied = self::occupied($plane);
        $columns = intdiv($plane->width, self::CELL) + 3;
        $data = '';
        $empty = str_repeat("\0", self::CELL);
        for ($top = 0; $top < $height; $top += self::CELL) {
            $lines = min(self::CELL, $height - $top);
            $rows = array_fill(0, $lines, '');
            for ($left = 0; $left < $width; $left += self::CELL) {
                $side = min(self::CELL, $width - $left);
                if (self::isEmpty($back, $left, $top, $occupied, $columns, $plane)) {
                    foreach ($rows as $i => $row) {
                        $rows[$i] = $row.($side === self::CELL ? $empty : str_repeat("\0", $side));
                    }

                    continue;
                }
                foreach ($rows as $i => $row) {
                    $rows[$i] = $row.self::stretch($plane, $back, $left, $top + $i, $side);
                }
            }
            $data .= implode('', $rows);
        }

        return new Plane($width, $height, $data);
    }

    /** A few pixels along a row of the result. */
    private static function stretch(Plane $plane, Projection $back, int $left, int $y, int $count): string
    {
        [$fromX, $fromY, $stepX, $stepY] = self::along($back, $left, $y, $count);
        [$endX, $endY] = [$fromX + $stepX * ($count - 1), $fromY + $stepY * ($count - 1)];
        $isInside =
            min($fromX, $endX) >= 0 &&
            min($fromY, $endY) >= 0 &&
            max($fromX, $endX) < $plane->width - 1 &&
            max($fromY, $endY) < $plane->height - 1;

        return $isInside
            ? self::inside($plane->data, $plane->width, $fromX, $fromY, $stepX, $stepY, $count)
            : self::atEdge($plane, $fromX, $fromY, $stepX, $stepY, $count);
    }

    /**
     * Where a stretch comes from: its first place, from the middle of the plane's first pixel, and the step from one to
     * the next. Over so few pixels a projection is a straight line, evenly gone along (an error below a hundredth of a
     * pixel for a sheet seen from aside).
     *
     * @return array{float, float, float, float}
     */
    private static function along(Projection $back, int $left, int $y, int $count): array
    {
        [$x0, $y0] = $back->at($left + 0.5, $y + 0.5);
        [$x1, $y1] = $back->at($left + $count - 0.5, $y + 0.5);
        $steps = max(1, $count - 1);

        return [$x0 - 0.5, $y0 - 0.5, ($x1 - $x0) / $steps, ($y1 - $y0) / $steps];
    }

    private static function inside(
        string $data,
        int $width,
        float $x,
        float $y,
        float $stepX,
        float $stepY,
        int $count,
    ): string {
        $out = str_repeat("\0", $count);
        for ($i = 0; $i < $count; $i++, $x += $stepX, $y += $stepY) {
            $ix = (int) $x;
            $iy = (int) $y;
            $at = $iy * $width + $ix;
            $fx = $x - $ix;
            $above = ord($data[$at]);
            $above += (ord($data[$at + 1]) - $above) * $fx;
            $below = ord($data[$at + $width]);
            $below += (ord($data[$at + $width + 1]) - $below) * $fx;
            $out[$i] = chr((int) ($above + ($below - $above) * ($y - $iy) + 0.5));
        }

        return $out;
    }

    private static function atEdge(Plane $plane, float $x, float $y, float $stepX, float $stepY, int $count): string
    {
        [$data, $width, $height] = [$plane->data, $plane->width, $plane->height];
        $out = str_repeat("\0", $count);
        for ($i = 0; $i < $count; $i++, $x += $stepX, $y += $stepY) {
            if ($x <= -1 || $y <= -1 || $x >= $width || $y >= $height) {
                continue;
            }
            $ix = (int) floor($x);
            $iy = (int) floor($y);
            $fx = $x - $ix;
            $at = $iy * $width + $ix;
            $isLeft = $ix >= 0;
            $isRight = $ix + 1 < $width;
            $above =
                $iy >= 0 ? ($isLeft ? ord($data[$at]) * (1 - $fx) : 0) + ($isRight ? ord($data[$at + 1]) * $fx : 0) : 0;
            $below =
                $iy + 1 < $height
                    ? ($isLeft ? ord($data[$at + $width]) * (1 - $fx) : 0) +
                        ($isRight ? ord($data[$at + $width + 1]) * $fx : 0)
                    : 0;
            $out[$i] = chr((int) ($above + ($below - $above) * ($y - $iy) + 0.5));
        }

        return $out;
    }

    /** @param  string  $occupied  a byte a square, with an empty one all round */
    private static function isEmpty(
        Projection $back,
        int $left,
        int $top,
        string $occupied,
        int $columns,
        Plane $plane,
    ): bool {
        $rows = intdiv(strlen($occupied), $columns);
        [$leastX, $leastY, $mostX, $mostY] = [INF, INF, -INF, -INF];
        foreach ([[0, 0], [self::CELL, 0], [0, self::CELL], [self::CELL, self::CELL]] as [$right, $down]) {
            [$x, $y] = $back->at($left + $right, $top + $down);
            [$leastX, $leastY, $mostX, $mostY] = [min($leastX, $x), min($leastY, $y), max($mostX, $x), max($mostY, $y)];
        }
        if ($mostX < -1 || $mostY < -1 || $leastX > $plane->width + 1 || $leastY > $plane->height + 1) {
            return true;
        }
        $from = max(0, (int) floor(($leastX - 1) / self::CELL) + 1);
        $to = min($columns - 1, (int) floor(($mostX + 1) / self::CELL) + 1);
        for (
            $row = max(0, (int) floor(($leastY - 1) / self::CELL) + 1),
            $last = min($rows - 1, (int) floor(($mostY + 1) / self::CELL) + 1);
            $row <= $last;
            $row++
        ) {
            if ($from <= $to && strspn($occupied, "\0", $row * $columns + $from, $to - $from + 1) < $to - $from + 1) {
                return false;
            }
        }

        return true;
    }

    private static function occupied(Plane $plane): string
    {
        $columns = intdiv($plane->width, self::CELL) + 3;
        $empty = str_repeat("\0", $columns);
        $occupied = $empty;
        for ($top = 0; $top < $plane->height; $top += self::CELL) {
            $row = $empty;
            for ($y = $top, $bottom = min($plane->height, $top + self::CELL); $y < $bottom; $y++) {
                $end = ($y + 1) * $plane->width;
                for ($at = $y * $plane->width; ($at += strspn($plane->data, "\0", $at, $end - $at)) < $end;) {
                    $column = intdiv($at - $y * $plane->width, self::CELL);
                    $row[$column + 1] = "\x01";
                    $at = min($end, $y * $plane->width + ($column + 1) * self::CELL);
                }
            }
            $occupied .= $row;
        }

        return $occupied.str_repeat($empty, 2);
    }

    /** Half as wide and high, each pixel the mean of four. */
    public static function halved(Plane $plane): Plane
    {
        [$data, $width] = [$plane->data, $plane->width];
        $columns = max(1, intdiv($width, 2));
        $rows = max(1, intdiv($plane->height, 2));
        $right = $width > 1 ? 1 : 0;
        $down = $plane->height > 1 ? $width : 0;
        $out = str_repeat("\0", $columns * $rows);
        for ($y = 0, $to = 0; $y < $rows; $y++) {
            for ($x = 0, $at = 2 * $y * $width; $x < $columns; $x++, $at += 2, $to++) {
                $out[$to] = chr(
                    (ord($data[$at]) +
                        ord($data[$at + $right]) +
                        ord($data[$at + $down]) +
                        ord($data[$at + $right + $down]) +
                        2) >>
                        2,
                );
            }
        }

        return new Plane($columns, $rows, $out);
    }
}
