<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

/**
 * The names of the blend modes of W3C Compositing and Blending Level 1, and plus-lighter of Level 2. Their formulas are
 * in Compose\Blending.
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
}
