<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

/**
 * The blend modes of W3C Compositing and Blending Level 1, and plus-lighter of Level 2. Formulas in section 9 there;
 * colours are plain sRGB values, not linear light.
 */
enum BlendMode: string
{
    case Normal = 'normal';
    case Multiply = 'multiply';
    case Screen = 'screen';
    case Overlay = 'overlay';
    case Darken = 'darken';
    case Lighten = 'lighten';
    case ColorDodge = 'color-dodge';
    case ColorBurn = 'color-burn';
    case HardLight = 'hard-light';
    case SoftLight = 'soft-light';
    case Difference = 'difference';
    case Exclusion = 'exclusion';
    case Hue = 'hue';
    case Saturation = 'saturation';
    case Color = 'color';
    case Luminosity = 'luminosity';
    case PlusLighter = 'plus-lighter';

    /** Whether each channel blends by itself. */
    public function isSeparable(): bool
    {
        return ! in_array($this, [self::Hue, self::Saturation, self::Color, self::Luminosity], true);
    }

    /**
     * B(cb, cs) of a separable mode for one channel. For plus-lighter this is the sum over an opaque backdrop at full
     * alpha; its alpha rule is the compositor's.
     *
     * @param  float  $b  backdrop, 0..1
     * @param  float  $s  source, 0..1
     *
     * @throws \LogicException for a mode that is not separable
     */
    public function channel(float $b, float $s): float
    {
        return match ($this) {
            self::Normal => $s,
            self::Multiply => $b * $s,
            self::Screen => $b + $s - $b * $s,
            self::Overlay => self::hardLight($s, $b),
            self::Darken => min($b, $s),
            self::Lighten => max($b, $s),
            self::ColorDodge => $b == 0.0 ? 0.0 : ($s >= 1.0 ? 1.0 : min(1.0, $b / (1 - $s))),
            self::ColorBurn => $b >= 1.0 ? 1.0 : ($s <= 0.0 ? 0.0 : 1 - min(1.0, (1 - $b) / $s)),
            self::HardLight => self::hardLight($b, $s),
            self::SoftLight => self::softLight($b, $s),
            self::Difference => abs($b - $s),
            self::Exclusion => $b + $s - 2 * $b * $s,
            self::PlusLighter => min(1.0, $b + $s),
            default => throw new \LogicException("{$this->value} needs all three channels."),
        };
    }

    /**
     * B(Cb, Cs) of any mode.
     *
     * @param  array{float, float, float}  $b  backdrop, 0..1
     * @param  array{float, float, float}  $s  source, 0..1
     * @return array{float, float, float}
     */
    public function blend(array $b, array $s): array
    {
        return match ($this) {
            self::Hue => NonSeparable::setLum(NonSeparable::setSat($s, NonSeparable::sat($b)), NonSeparable::lum($b)),
            self::Saturation => NonSeparable::setLum(NonSeparable::setSat($b, NonSeparable::sat($s)), NonSeparable::lum($b)),
            self::Color => NonSeparable::setLum($s, NonSeparable::lum($b)),
            self::Luminosity => NonSeparable::setLum($b, NonSeparable::lum($s)),
            default => [$this->channel($b[0], $s[0]), $this->channel($b[1], $s[1]), $this->channel($b[2], $s[2])],
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
