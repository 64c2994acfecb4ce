<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/**
 * A bell-shaped blur of any width, by three boxes in a row whose ends count in part, so that their variances add up to
 * the bell's exactly (extended box filters: Gwosdek, Grewenig, Bruhn, Weickert, Theoretical foundations of Gaussian
 * convolution by extended box filtering, 2011; from memory, and checked by the variance in the tests). What lies at the
 * edge counts for what lies beside it. The browser's resources/js/picture/boxBlur.ts does the same.
 */
final readonly class BoxBlur
{
    private const BOXES = 3;

    /** Whole pixels to either side of each box. */
    private int $whole;

    /** How much the pixel after them counts, 0..1. */
    private float $end;

    /** @param  float  $sigma  of the bell, px; above 0 */
    public function __construct(float $sigma)
    {
        $variance = $sigma * $sigma / self::BOXES;
        $this->whole = (int) floor((sqrt(12 * $variance + 1) - 1) / 2);
        $side = $this->whole;
        $this->end = (2 * $side + 1) * ($side * ($side + 1) - 3 * $variance) / (6 * ($variance - ($side + 1) ** 2));
    }

    /** @return int px beside a pixel that count for it, at the most */
    public function reach(): int
    {
        return self::BOXES * ($this->whole + 1);
    }

    /**
     * @param  array<int, float>  $values  row after row
     * @return array<int, float>
     */
    public function of(array $values, int $width, int $height): array
    {
        for ($box = 0; $box < self::BOXES; $box++) {
            $values = $this->down($this->along($values, $width, $height), $width, $height);
        }

        return $values;
    }

    /**
     * @param  array<int, float>  $values
     * @return list<float>
     */
    private function along(array $values, int $width, int $height): array
    {
        [$side, $end] = [$this->whole, $this->end];
        $part = 1 / (2 * $side + 1 + 2 * $end);
        $last = $width - 1;
        $out = [];
        for ($first = 0, $after = $width * $height; $first < $after; $first += $width) {
            $sum = 0.0;
            for ($x = -$side; $x <= $side; $x++) {
                $sum += $values[$first + max(0, min($last, $x))];
            }
            for ($x = 0; $x < $width; $x++) {
                $before = $values[$first + max(0, $x - $side - 1)];
                $next = $values[$first + min($last, $x + $side + 1)];
                $out[] = ($sum + $end * ($before + $next)) * $part;
                $sum += $next - $values[$first + max(0, $x - $side)];
            }
        }

        return $out;
    }

    /**
     * @param  array<int, float>  $values
     * @return list<float>
     */
    private function down(array $values, int $width, int $height): array
    {
        [$side, $end] = [$this->whole, $this->end];
        $part = 1 / (2 * $side + 1 + 2 * $end);
        $last = $height - 1;
        $sums = array_fill(0, $width, 0.0);
        for ($y = -$side; $y <= $side; $y++) {
            $row = $width * max(0, min($last, $y));
            for ($x = 0; $x < $width; $x++) {
                $sums[$x] += $values[$row + $x];
            }
        }
        $out = [];
        for ($y = 0; $y < $height; $y++) {
            $before = $width * max(0, $y - $side - 1);
            $next = $width * min($last, $y + $side + 1);
            $leaves = $width * max(0, $y - $side);
            for ($x = 0; $x < $width; $x++) {
                $out[] = ($sums[$x] + $end * ($values[$before + $x] + $values[$next + $x])) * $part;
                $sums[$x] += $values[$next + $x] - $values[$leaves + $x];
            }
        }

        return $out;
    }
}
