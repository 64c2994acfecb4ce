<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;

/**
 * Makes lines thicker or thinner: grey dilation and erosion by an octagon.
 *
 * Coverage is written as a column of mercury, so many of eight bits as there is of it: then "or" of two planes is the
 * more and "and" the less of them, pixel by pixel, at the speed of strings. Greys of edges come in nine steps.
 */
final readonly class LineWeight
{
    private const STEPS = 8;

    /** @param  int  $pixels  on each side; below 0 lines become thinner */
    public function change(Plane $ink, int $pixels): Plane
    {
        if ($pixels === 0) {
            return $ink;
        }
        $columns = strtr(
            $ink->data,
            Bytes::identity(),
            Bytes::table(fn (int $value): int => (1 << (int) round(($value * self::STEPS) / 255)) - 1),
        );
        for ($i = 0; $i < abs($pixels); $i++) {
            $columns = $this->once($columns, $ink->width, $pixels > 0, $i % 2 === 1);
        }
        $steps = [];
        for ($i = 0; $i <= self::STEPS; $i++) {
            $steps[(1 << $i) - 1] = (int) round((255 * $i) / self::STEPS);
        }

        return new Plane(
            $ink->width,
            $ink->height,
            strtr($columns, Bytes::identity(), Bytes::table(fn (int $value): int => $steps[$value] ?? 0)),
        );
    }

    /** A pixel further up, down and sideways; every second time to the corners, too. */
    private function once(string $columns, int $width, bool $more, bool $corners): string
    {
        // Beyond the edges there is what never counts.
        $beyond = $more ? "\0" : "\xff";
        $left = substr($columns, 1).$beyond;
        $right = $beyond.substr($columns, 0, -1);
        $sideways = $more ? $columns | $left | $right : $columns & $left & $right;
        $from = $corners ? $sideways : $columns;
        $row = str_repeat($beyond, min($width, strlen($columns)));
        $up = substr($from, $width).$row;
        $down = $row.substr($from, 0, -$width);

        return $more ? $sideways | $up | $down : $sideways & $up & $down;
    }
}
