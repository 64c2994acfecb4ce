<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/**
 * Soft patches that look random and follow from a seed: random values in the corners of a square grid, and between them
 * a smooth step (value noise; common practice). The browser's resources/js/picture/valueNoise.ts makes the same.
 */
final readonly class ValueNoise
{
    /** Corners of one row of the grid; far more than a page has. */
    private const ROW = 1 << 13;

    /** @param  float  $size  px from corner to corner */
    public function __construct(private int $seed, private float $size)
    {
    }

    /** @return list<float> row after row, 0..1 each */
    public function in(Rect $rect): array
    {
        [$columns, $across] = $this->corners($rect->x, $rect->width);
        [$rows, $down] = $this->corners($rect->y, $rect->height);
        $values = [];
        for ($y = 0; $y < $rect->height; $y++) {
            $upper = $rows[$y] * self::ROW;
            $row = [];
            $left = $step = 0.0;
            for ($x = 0, $last = -1; $x < $rect->width; $x++) {
                if ($columns[$x] !== $last) {
                    $last = $columns[$x];
                    $left = $this->mixed($upper + $last, $down[$y]);
                    $step = $this->mixed($upper + $last + 1, $down[$y]) - $left;
                }
                $row[] = $left + $step * $across[$x];
            }
            array_push($values, ...$row);
        }

        return $values;
    }

    /** Between a corner and the one below it. */
    private function mixed(int $corner, float $part): float
    {
        $upper = Chance::at($this->seed, $corner);

        return $upper + (Chance::at($this->seed, $corner + self::ROW) - $upper) * $part;
    }

    /**
     * @return array{list<int>, list<float>} for each pixel the corner before its middle, and how far it is on the way
     *     to the next
     */
    private function corners(int $from, int $count): array
    {
        $corners = $parts = [];
        for ($i = 0; $i < $count; $i++) {
            $at = ($from + $i + 0.5) / $this->size;
            $corners[] = (int) floor($at);
            $part = $at - floor($at);
            $parts[] = $part * $part * (3 - 2 * $part);
        }

        return [$corners, $parts];
    }
}
