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
     * ink from the middle of those nearer ink. The split between them is Otsu's (1979).
     */
    public static function measure(Plane $darkness): self
    {
        $histogram = $darkness->histogram();
        $split = self::otsu($histogram);
        $light = array_sum(array_slice($histogram, 0, $split, true));
        $dark = array_sum($histogram) - $light;
        if ($dark === 0 || $split < 12) {
            return new self(40, 160);
        }
        $paper = self::quantile($histogram, 0, (int) (0.97 * $light));
        $ink = self::quantile($histogram, $split, intdiv($dark, 2));
        $paper = max(16, min((int) (0.35 * $ink), $paper + 8));

        return new self($paper, (int) max($paper + 40, 0.82 * $ink));
    }

    /** @return string 256 bytes: darkness to coverage */
    public function table(): string
    {
        return Bytes::table(fn (int $value): float => 255 * ($value - $this->paper) / ($this->ink - $this->paper));
    }

    /** @param  array<int, int>  $histogram */
    private static function otsu(array $histogram): int
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

    /** @param  array<int, int>  $histogram */
    private static function quantile(array $histogram, int $from, int $count): int
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
