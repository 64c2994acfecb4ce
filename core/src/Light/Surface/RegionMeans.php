<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

use Awning\Core\Raster\Labels;

/**
 * Smooths values over a plane, each region within itself: means along rows and then columns, twice, which is nearly a
 * bell. A mean reaches as far to one side as to the other, so that a slope stays one up to the border.
 */
final readonly class RegionMeans
{
    /** Shorter stretches have no middle to smooth. */
    private const SHORTEST = 3;

    /**
     * @param  list<array{int, int, int}>  $lines  first pixel, step, how many: rows before columns, each within one
     *     region
     */
    private function __construct(private array $lines)
    {
    }

    /** @param  list<int>  $of  labels; 0 is nothing and is left as it is */
    public static function within(array $of, int $width, int $height): self
    {
        $lines = [];
        for ($y = 0; $y < $height; $y++) {
            self::part($of, $y * $width, 1, $width, $lines);
        }
        for ($x = 0; $x < $width; $x++) {
            self::part($of, $x, $width, $height, $lines);
        }

        return new self($lines);
    }

    /**
     * @param  list<int>  $of
     * @param  list<array{int, int, int}>  $lines
     */
    private static function part(array $of, int $from, int $step, int $count, array &$lines): void
    {
        $end = $from + $count * $step;
        for ($at = $from; $at < $end; $at = $next) {
            $label = $of[$at];
            for ($next = $at + $step; $next < $end && $of[$next] === $label; $next += $step) {
            }
            $length = intdiv($next - $at, $step);
            if ($label !== 0 && $length >= self::SHORTEST) {
                $lines[] = [$at, $step, $length];
            }
        }
    }

    /**
     * @param  array<int, float>  $values
     * @param  int  $reach  px to either side
     * @return array<int, float>
     */
    public function of(array $values, int $reach): array
    {
        foreach ([$this->lines, $this->lines] as $lines) {
            foreach ($lines as [$from, $step, $length]) {
                $sums = [($sum = 0.0)];
                for ($i = 0, $at = $from; $i < $length; $i++, $at += $step) {
                    $sums[] = $sum += $values[$at];
                }
                // The ends are their own means.
                $last = $length - 1;
                for ($i = 1, $at = $from + $step; $i < $last; $i++, $at += $step) {
                    $far = $i < $reach ? $i : $reach;
                    $far = $last - $i < $far ? $last - $i : $far;
                    $values[$at] = ($sums[$i + $far + 1] - $sums[$i - $far]) / (2 * $far + 1);
                }
            }
        }

        return $values;
    }
}
