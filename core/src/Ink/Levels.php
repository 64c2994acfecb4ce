<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;

/**
 * Where paper ends and where full ink begins, both as darkness of 0..255. Between the two the grey of the line's edge
 * is kept, stretched to the whole range.
 */
final readonly class Levels
{
    /** Paper may be so dark where it is grainy. */
    private const NOISE = 16;

    /** Fewer dark pixels are no drawing. */
    private const FEWEST = 30;

    public int $paper;

    public int $ink;

    /** Bounds that cross or leave the range are brought to the nearest that do not. */
    public function __construct(int $paper, int $ink)
    {
        $this->paper = max(0, min(254, $paper));
        $this->ink = max($this->paper + 1, min(255, $ink));
    }

    /**
     * Measured: the paper's noise from the darkness that 99.5 % of the pixels nearer paper than ink stay under, full
     * ink from the middle of those nearer ink. The split between them is Otsu's (1979) where the lines are enough to
     * show.
     */
    public static function measure(Plane $darkness): self
    {
        $histogram = $darkness->histogram();
        $split = self::darkFrom($histogram);
        $light = array_sum(array_slice($histogram, 0, $split, true));
        $dark = array_sum($histogram) - $light;
        if ($dark < self::FEWEST) {
            return new self(40, 160);
        }
        $paper = self::quantile($histogram, 0, (int) (0.97 * $light));
        $ink = self::quantile($histogram, $split, intdiv($dark, 2));
        $paper = max(16, min((int) (0.35 * $ink), $paper + 8));

        return new self($paper, (int) max($paper + 40, 0.82 * $ink));
    }

    /**
     * From where on it is no longer paper. A page with so few lines that they do not show in the whole is divided by
     * its paper's noise.
     *
     * @param  array<int, int>  $histogram  of darkness
     */
    public static function darkFrom(array $histogram): int
    {
        $split = self::split($histogram);
        if ($split >= self::NOISE) {
            return $split;
        }

        return max(self::NOISE, 3 * self::quantile($histogram, 0, (int) (0.9 * array_sum($histogram))));
    }

    /** @return string 256 bytes: darkness to coverage */
    public function table(): string
    {
        return Bytes::table(fn (int $value): float => 255 * ($value - $this->paper) / ($this->ink - $this->paper));
    }

    /**
     * Where a histogram falls best into two (Otsu 1979).
     *
     * @param  array<int, int>  $histogram
     */
    public static function split(array $histogram): int
    {
        $total = array_sum($histogram);
        $sum = 0;
        foreach ($histogram as $value => $count) {
            $sum += $value * $count;
        }
        $best = -1.0;
        $split = 128;
        $below = $belowSum = 0;
        foreach ($histogram as $value => $count) {
            if ($below > 0 && $below < $total) {
                $difference = $belowSum / $below - ($sum - $belowSum) / ($total - $below);
                $between = $below * ($total - $below) * $difference * $difference;
                if ($between > $best) {
                    $best = $between;
                    $split = $value;
                }
            }
            $below += $count;
            $belowSum += $value * $count;
        }

        return $split;
    }

    /**
     * The value by which so many are counted, from a value on.
     *
     * @param  array<int, int>  $histogram
     */
    public static function quantile(array $histogram, int $from, int $count): int
    {
        for ($value = $from; $value < 255; $value++) {
            $count -= $histogram[$value];
            if ($count < 0) {
                break;
            }
        }

        return $value;
    }
}
