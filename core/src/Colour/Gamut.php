<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** Brings colours that sRGB cannot show into what it can: by less chroma, never by cutting a channel. */
final class Gamut
{
    private const STEPS = 16;

    /** @param  callable(float): LinearRgb  $at  the colour with a share of its chroma, 0..1 */
    public static function fitted(callable $at): Rgb
    {
        if ($at(1.0)->inGamut()) {
            return $at(1.0)->toRgb();
        }
        [$low, $high] = [0.0, 1.0];
        for ($step = 0; $step < self::STEPS; $step++) {
            $middle = ($low + $high) / 2;
            if ($at($middle)->inGamut()) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return $at($low)->toRgb();
    }
}
