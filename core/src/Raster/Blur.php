<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/**
 * A bell-shaped blur, by three boxes in a row along rows and columns, whose widths are chosen so that their variances
 * add up to the bell's as nearly as whole pixels can (Kovesi, Fast almost-Gaussian filtering, 2010; from memory).
 */
final readonly class Blur
{
    private const BOXES = 3;

    /** @var list<int> px to either side of each box */
    private array $reaches;

    /** @param  float  $sigma  of the bell, px; under about 0.4 nothing happens */
    public function __construct(float $sigma)
    {
        $ideal = sqrt((12 * $sigma * $sigma) / self::BOXES + 1);
        $narrow = (int) floor($ideal);
        $narrow -= 1 - ($narrow % 2);
        $wide = $narrow + 2;
        $narrower = (int) round(
            (12 * $sigma * $sigma - self::BOXES * $narrow * $narrow - 4 * self::BOXES * $narrow - 3 * self::BOXES) /
                (-4 * $narrow - 4),
        );
        $this->reaches = array_map(
            fn (int $box): int => intdiv(($box < $narrower ? $narrow : $wide) - 1, 2),
            range(0, self::BOXES - 1),
        );
    }

    /** @return int px beside a pixel that count for it, at the most */
    public function reach(): int
    {
        return array_sum($this->reaches);
    }

    /**
     * @param  list<float>  $values  row after row; outside is 0
     * @return list<float>
     */
    public function of(array $values, int $width, int $height): array
    {
        foreach ($this->reaches as $reach) {
            if ($reach > 0) {
                $values = self::down(self::along($values, $width, $height, $reach), $width, $height, $reach);
            }
        }

        return $values;
    }

    /**
     * The same of bytes.
     *
     * @param  string  $plane  one byte a pixel, row after row; outside is 0
     * @param  float  $stronger  what comes of it is so many times as much
     * @param  float  $most  and no more than that
     */
    public function ofBytes(string $plane, int $width, int $height, float $stronger, float $most = 255.0): string
    {
        $values = [];
        foreach (str_split($plane) as $byte) {
            $values[] = (float) ord($byte);
        }
        $soft = '';
        foreach ($this->of($values, $width, $height) as $value) {
            $soft .= chr((int) min($most, $stronger * $value + 0.5));
        }

        return $soft;
    }

    /**
     * @param  list<float>  $values
     * @return list<float>
     */
    private static function along(array $values, int $width, int $height, int $reach): array
    {
        $part = 1 / (2 * $reach + 1);
        $out = [];
        for ($first = 0, $end = $width * $height; $first < $end; $first += $width) {
            $sum = 0.0;
            for ($x = 0, $most = min($reach, $width); $x < $most; $x++) {
                $sum += $values[$first + $x];
            }
            for ($x = 0; $x < $width; $x++) {
                if ($x + $reach < $width) {
                    $sum += $values[$first + $x + $reach];
                }
                $out[] = $sum * $part;
                if ($x >= $reach) {
                    $sum -= $values[$first + $x - $reach];
                }
            }
        }

        return $out;
    }

    /**
     * @param  list<float>  $values
     * @return list<float>
     */
    private static function down(array $values, int $width, int $height, int $reach): array
    {
        $part = 1 / (2 * $reach + 1);
        $sums = array_fill(0, $width, 0.0);
        for ($at = 0, $end = min($reach, $height) * $width; $at < $end; $at++) {
            $sums[$at % $width] += $values[$at];
        }
        $out = [];
        for ($y = 0; $y < $height; $y++) {
            $enters = ($y + $reach) * $width;
            $leaves = ($y - $reach) * $width;
            for ($x = 0; $x < $width; $x++) {
                if ($y + $reach < $height) {
                    $sums[$x] += $values[$enters + $x];
                }
                $out[] = $sums[$x] * $part;
                if ($leaves >= 0) {
                    $sums[$x] -= $values[$leaves + $x];
                }
            }
        }

        return $out;
    }
}
