<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Blend;

use Awning\Core\Page\Pass\BlendMode;

/**
 * How much a blend mode can enlarge a small error of the backdrop: the largest slope of B(cb, cs) over cb, worked out
 * from the recommendation's formulas. At most 1 for modes that only darken, lighten or mix.
 */
final class BlendGain
{
    /**
     * For a source of one colour.
     *
     * @param  int  $colour  0xRRGGBB
     * @param  float  $opacity  0..1
     */
    public static function ofColour(BlendMode $mode, int $colour, float $opacity): float
    {
        $most = 0.0;
        foreach ([16, 8, 0] as $shift) {
            $most = max($most, self::slope($mode, ($colour >> $shift & 255) / 255));
        }

        return self::faded($most, $opacity);
    }

    /** For a source of any colours. */
    public static function ofAny(BlendMode $mode, float $opacity): float
    {
        return self::faded(max(self::slope($mode, 0.0), self::slope($mode, 1.0)), $opacity);
    }

    private static function faded(float $slope, float $opacity): float
    {
        return $slope <= 1 ? 1.0 : 1 + ($slope - 1) * $opacity;
    }

    private static function slope(BlendMode $mode, float $s): float
    {
        return match ($mode) {
            BlendMode::Overlay => 2 * max($s, 1 - $s),
            BlendMode::SoftLight => $s <= 0.5 ? 2 - 2 * $s : 1 + 3 * (2 * $s - 1),
            BlendMode::ColorDodge => $s >= 1 ? INF : 1 / (1 - $s),
            BlendMode::ColorBurn => $s <= 0 ? INF : 1 / $s,
            BlendMode::Hue, BlendMode::Saturation, BlendMode::Color, BlendMode::Luminosity => INF,
            default => 1.0,
        };
    }
}
