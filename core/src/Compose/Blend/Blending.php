<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Blend;

use Awning\Core\Page\Pass\BlendMode;

/**
 * The formulas of the blend modes: section 9 of the recommendation. Colours are plain sRGB values, not linear light.
 */
final class Blending
{
    /**
     * B(cb, cs) of a separable mode for one channel. For plus-lighter this is the sum over an opaque backdrop at full
     * alpha; its alpha rule is the compositor's.
     *
     * @param  float  $b  backdrop, 0..1
     * @param  float  $s  source, 0..1
     *
     * @throws \LogicException for a mode that is not separable
     */
    public static function channel(BlendMode $mode, float $b, float $s): float
    {
        return match ($mode) {
            BlendMode::Normal => $s,
            BlendMode::Multiply => $b * $s,
            BlendMode::Screen => $b + $s - $b * $s,
            BlendMode::Overlay => self::hardLight($s, $b),
            BlendMode::Darken => min($b, $s),
            BlendMode::Lighten => max($b, $s),
            BlendMode::ColorDodge => $b == 0.0 ? 0.0 : ($s >= 1.0 ? 1.0 : min(1.0, $b / (1 - $s))),
            BlendMode::ColorBurn => $b >= 1.0 ? 1.0 : ($s <= 0.0 ? 0.0 : 1 - min(1.0, (1 - $b) / $s)),
            BlendMode::HardLight => self::hardLight($b, $s),
            BlendMode::SoftLight => self::softLight($b, $s),
            BlendMode::Difference => abs($b - $s),
            BlendMode::Exclusion => $b + $s - 2 * $b * $s,
            BlendMode::PlusLighter => min(1.0, $b + $s),
            default => throw new \LogicException("{$mode->value} needs all three channels."),
        };
    }

    /**
     * B(Cb, Cs) of any mode.
     *
     * @param  array{float, float, float}  $b  backdrop, 0..1
     * @param  array{float, float, float}  $s  source, 0..1
     * @return array{float, float, float}
     */
    public static function blend(BlendMode $mode, array $b, array $s): array
    {
        return match ($mode) {
            BlendMode::Hue => NonSeparable::setLum(
                NonSeparable::setSat($s, NonSeparable::sat($b)),
                NonSeparable::lum($b),
            ),
            BlendMode::Saturation => NonSeparable::setLum(
                NonSeparable::setSat($b, NonSeparable::sat($s)),
                NonSeparable::lum($b),
            ),
            BlendMode::Color => NonSeparable::setLum($s, NonSeparable::lum($b)),
            BlendMode::Luminosity => NonSeparable::setLum($b, NonSeparable::lum($s)),
            default => [
                self::channel($mode, $b[0], $s[0]),
                self::channel($mode, $b[1], $s[1]),
                self::channel($mode, $b[2], $s[2]),
            ],
        };
    }

    private static function hardLight(float $b, float $s): float
    {
        return $s <= 0.5 ? $b * 2 * $s : $b + (2 * $s - 1) - $b * (2 * $s - 1);
    }

    private static function softLight(float $b, float $s): float
    {
        if ($s <= 0.5) {
            return $b - (1 - 2 * $s) * $b * (1 - $b);
        }
        $d = $b <= 0.25 ? ((16 * $b - 12) * $b + 4) * $b : sqrt($b);

        return $b + (2 * $s - 1) * ($d - $b);
    }
}
