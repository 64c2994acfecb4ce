<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/**
 * A bell-shaped blur of any width, by four boxes in a row whose ends count in part, so that their variances add up to
 * the bell's exactly (extended box filters: Gwosdek, Grewenig, Bruhn, Weickert, Theoretical foundations of Gaussian
 * convolution by extended box filtering, 2011; from memory, and checked by the variance in the tests). What lies at the
 * edge counts for what lies beside it. The browser's resources/js/picture/boxBlur.ts does the same.
 */
final readonly class BoxBlur
{
    private const BOXES = 4;

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
        return $this->turned($this->turned($values, $width, $height), $height, $width);
    }

    /**
     * Each row blurred, with its ends repeated as far as that reaches, and laid down as a column.
     *
     * @param  array<int, float>  $values
     * @return array<int, float>
     */
    private function turned(array $values, int $width, int $height): array
    {
        [$side, $end, $reach] = [$this->whole, $this->end, $this->reach()];
        $part = 1 / (2 * $side + 1 + 2 * $end);
        $out = array_fill(0, $width * $height, 0.0);
        for ($y = 0; $y < $height; $y++) {
            $first = $y * $width;
            $line = [
                ...array_fill(0, $reach, $values[$first]),
                ...array_slice($values, $first, $width),
                ...array_fill(0, $reach, $values[$first + $width - 1]),
            ];
            // Each box leaves out of the line what it cannot see both sides of: at the end the row itself is left.
            for ($box = 0, $count = $width + 2 * $reach; $box < self::BOXES; $box++) {
                $count -= 2 * ($side + 1);
                $sum = 0.0;
                for ($at = 1; $at <= 2 * $side + 1; $at++) {
                    $sum += $line[$at];
                }
                $next = [];
                for ($at = 0; $at < $count; $at++) {
                    $after = $line[$at + 2 * $side + 2];
                    $next[] = ($sum + $end * ($line[$at] + $after)) * $part;
                    $sum += $after - $line[$at + 1];
                }
                $line = $next;
            }
            for ($x = 0, $at = $y; $x < $width; $x++, $at += $height) {
                $out[$at] = $line[$x];
            }
        }

        return $out;
    }
}
