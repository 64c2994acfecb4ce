<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/** A closed outline, in pixels, and the pixels whose middles lie inside: where it crosses itself, every other time. */
final readonly class Outline
{
    /** @param  list<array{float, float}>  $corners  one after the other round the shape, either way */
    public function __construct(private array $corners)
    {
    }

    /** The smallest rectangle of whole pixels that holds the shape. */
    public function bounds(): Rect
    {
        $xs = array_column($this->corners, 0);
        $ys = array_column($this->corners, 1);

        return $xs === [] || $ys === [] ? new Rect(0, 0, 0, 0)
            : Rect::bounds((int) floor(min($xs)), (int) floor(min($ys)), (int) ceil(max($xs)), (int) ceil(max($ys)));
    }

    /** @return string 255 for each pixel of a part of the picture that is inside, else 0, row after row */
    public function mask(Rect $window): string
    {
        $mask = '';
        for ($y = $window->y; $y < $window->bottom(); $y++) {
            $end = $window->x;
            foreach ($this->spans($y, $window->x, $window->right()) as [$from, $to]) {
                $mask .= str_repeat("\0", $from - $end).str_repeat("\xff", $to - $from);
                $end = $to;
            }
            $mask .= str_repeat("\0", $window->right() - $end);
        }

        return $mask;
    }

    /** The plane with nothing outside the shape. */
    public function keep(Plane $plane): Plane
    {
        $data = '';
        for ($y = 0; $y < $plane->height; $y++) {
            $end = 0;
            foreach ($this->spans($y, 0, $plane->width) as [$from, $to]) {
                $data .= str_repeat("\0", $from - $end).substr($plane->data, $y * $plane->width + $from, $to - $from);
                $end = $to;
            }
            $data .= str_repeat("\0", $plane->width - $end);
        }

        return new Plane($plane->width, $plane->height, $data);
    }

    /**
     * What of a row is inside, between two of its pixels.
     *
     * @param  int  $right  the pixel after the last
     * @return list<array{int, int}> of each stretch the first pixel and the one after the last; it may have none
     */
    public function spans(int $row, int $left, int $right): array
    {
        $y = $row + 0.5;
        $crossings = [];
        foreach ($this->corners as $i => [$x0, $y0]) {
            [$x1, $y1] = $this->corners[$i + 1] ?? $this->corners[0];
            if (($y0 <= $y) !== ($y1 <= $y)) {
                $x = $x0 + ($y - $y0) / ($y1 - $y0) * ($x1 - $x0);
                $crossings[] = (int) max($left, min($right, ceil($x - 0.5)));
            }
        }
        sort($crossings);

        // It goes in as often as it goes out.
        $spans = [];
        for ($i = 1; $i < count($crossings); $i += 2) {
            $spans[] = [$crossings[$i - 1], $crossings[$i]];
        }

        return $spans;
    }
}
