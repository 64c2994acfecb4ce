<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/** Four corners of a convex shape, in pixels, and the pixels whose middles lie inside. */
final readonly class Quad
{
    /** @param  list<array{float, float}>  $corners  one after the other round the shape, either way */
    public function __construct(private array $corners)
    {
    }

    /** The plane with nothing outside the shape. */
    public function keep(Plane $plane): Plane
    {
        $data = '';
        for ($y = 0; $y < $plane->height; $y++) {
            [$from, $to] = $this->span($y, $plane->width);
            $data .= str_repeat("\0", $from).substr($plane->data, $y * $plane->width + $from, $to - $from).str_repeat("\0", $plane->width - $to);
        }

        return new Plane($plane->width, $plane->height, $data);
    }

    /** @return array{int, int} the first pixel of a row that is inside, and the one after the last; both 0 where none is */
    public function span(int $row, int $width): array
    {
        $y = $row + 0.5;
        [$least, $most] = [INF, -INF];
        foreach ($this->corners as $i => [$x0, $y0]) {
            [$x1, $y1] = $this->corners[($i + 1) % 4];
            if (($y0 <= $y) === ($y1 <= $y)) {
                continue;
            }
            $x = $x0 + ($y - $y0) / ($y1 - $y0) * ($x1 - $x0);
            [$least, $most] = [min($least, $x), max($most, $x)];
        }
        if ($least >= $most) {
            return [0, 0];
        }
        $from = (int) max(0, min($width, ceil($least - 0.5)));

        return [$from, max($from, (int) max(0, min($width, ceil($most - 0.5))))];
    }
}
