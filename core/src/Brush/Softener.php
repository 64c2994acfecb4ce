<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Raster\Blur;
use Awning\Core\Raster\Rect;

/**
 * Softens what is in a shape without looking beyond it: the blur of what is there, divided by the blur of the shape
 * (normalised convolution, Knutsson and Westin 1993; from memory). So an edge inside grows soft, and where the paint
 * touches the shape's own border it stays as strong as it was.
 *
 * Wide blurs are worked out on means of squares, whose corners lie on a grid of the page: pieces beside each other
 * agree.
 */
final readonly class Softener
{
    /** Px of a hard edge to either side, in sigmas: there a 20th of the step is left. */
    private const EDGE = 2.0;

    /** Squares are so large that the bell keeps about so many of them to its sigma. */
    private const FINE = 2.0;

    private int $side;

    private Blur $blur;

    /** @param  float  $by  px that a hard edge takes to either side afterwards, 0.5 to 400 */
    public function __construct(float $by)
    {
        $sigma = $by / self::EDGE;
        $this->side = 2 ** (int) max(0, floor(log($sigma / self::FINE, 2)));
        $this->blur = new Blur($sigma / $this->side);
    }

    /** A place with as much around it as counts for it. */
    public function around(Rect $place): Rect
    {
        $room = ($this->blur->reach() + 2) * $this->side;
        $left = intdiv($place->x, $this->side) * $this->side - $room;
        $top = intdiv($place->y, $this->side) * $this->side - $room;
        $right = intdiv($place->right() + $this->side - 1, $this->side) * $this->side + $room;
        $bottom = intdiv($place->bottom() + $this->side - 1, $this->side) * $this->side + $room;

        return Rect::bounds($left, $top, $right, $bottom);
    }

    /**
     * @param  list<string>  $planes  what is there around the place: one byte a pixel; of several the last one weighs
     *     the others, as alpha does colours
     * @param  string  $inside  255 where the shape is, 0 elsewhere
     * @return list<string> the planes in the place alone
     */
    public function soften(array $planes, string $inside, Rect $place): array
    {
        $around = $this->around($place);
        $weights = array_pop($planes);
        assert($weights !== null);
        $weighing = $inside & $weights;
        $within = $this->blurred($inside, null, $around);
        $weight = $this->blurred($weighing, null, $around);
        $soft = [];
        foreach ($planes as $plane) {
            $soft[] = $this->ratio($this->blurred($weighing, $plane, $around), $weight, $around, $place, $plane);
        }
        $soft[] = $this->ratio($weight, $within, $around, $place, $weights);

        return $soft;
    }

    /**
     * @param  ?string  $of  what is weighed; null: the weights themselves
     * @return list<float> by squares
     */
    private function blurred(string $weights, ?string $of, Rect $around): array
    {
        $columns = intdiv($around->width, $this->side);
        $means = array_fill(0, $columns * intdiv($around->height, $this->side), 0.0);
        if ($of === null && strspn($weights, "\xff") === strlen($weights)) {
            return array_fill(0, count($means), 255.0 * $this->side * $this->side);
        }
        $shift = (int) log($this->side, 2);
        for ($y = 0; $y < $around->height; $y++) {
            $line = ($y >> $shift) * $columns;
            $row = $y * $around->width;
            for ($x = strspn($weights, "\0", $row, $around->width); $x < $around->width; $x++) {
                $weight = ord($weights[$row + $x]);
                if ($weight > 0) {
                    $means[$line + ($x >> $shift)] += $of === null ? $weight : ($weight * ord($of[$row + $x])) / 255;
                }
            }
        }

        return $this->blur->of(array_values($means), $columns, intdiv($around->height, $this->side));
    }

    /**
     * One blur divided by another at each pixel of a place, on straight lines between the middles of squares.
     *
     * @param  list<float>  $above
     * @param  list<float>  $below
     * @param  string  $otherwise  where the one below is nothing
     */
    private function ratio(array $above, array $below, Rect $around, Rect $place, string $otherwise): string
    {
        $columns = intdiv($around->width, $this->side);
        $data = '';
        for ($y = $place->y; $y < $place->bottom(); $y++) {
            $v = ($y + 0.5 - $around->y) / $this->side - 0.5;
            $row = (int) $v;
            $down = $v - $row;
            for ($x = $place->x; $x < $place->right(); $x++) {
                $u = ($x + 0.5 - $around->x) / $this->side - 0.5;
                $at = (int) $u;
                $right = $u - $at;
                $at += $row * $columns;
                [$a, $b, $c, $d] = [
                    (1 - $right) * (1 - $down),
                    $right * (1 - $down),
                    (1 - $right) * $down,
                    $right * $down,
                ];
                $divisor =
                    $a * $below[$at] +
                    $b * $below[$at + 1] +
                    $c * $below[$at + $columns] +
                    $d * $below[$at + $columns + 1];
                $data .=
                    $divisor < 1e-3
                        ? $otherwise[($y - $around->y) * $around->width + $x - $around->x]
                        : chr(
                            (int) min(
                                255.0,
                                (255 *
                                    ($a * $above[$at] +
                                        $b * $above[$at + 1] +
                                        $c * $above[$at + $columns] +
                                        $d * $above[$at + $columns + 1])) /
                                    $divisor +
                                    0.5,
                            ),
                        );
            }
        }

        return $data;
    }
}
