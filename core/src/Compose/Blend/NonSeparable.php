<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Blend;

/** Lum, Sat, SetLum, SetSat and ClipColor of W3C Compositing and Blending Level 1, section 9.2. */
final class NonSeparable
{
    /** A colour whose parts differ by less is grey: a fraction of a step of 255, left over from rounding. */
    public const GREY = 1e-4;

    /** @param  array{float, float, float}  $c */
    public static function lum(array $c): float
    {
        return 0.3 * $c[0] + 0.59 * $c[1] + 0.11 * $c[2];
    }

    /** @param  array{float, float, float}  $c */
    public static function sat(array $c): float
    {
        return max($c) - min($c);
    }

    /**
     * @param  array{float, float, float}  $c
     * @return array{float, float, float}
     */
    public static function setLum(array $c, float $lum): array
    {
        $d = $lum - self::lum($c);
        [$r, $g, $b] = [$c[0] + $d, $c[1] + $d, $c[2] + $d];
        $low = min($r, $g, $b);
        $high = max($r, $g, $b);
        if ($low < 0) {
            $scale = $lum / ($lum - $low);
            [$r, $g, $b] = [$lum + ($r - $lum) * $scale, $lum + ($g - $lum) * $scale, $lum + ($b - $lum) * $scale];
        }
        if ($high > 1) {
            $scale = (1 - $lum) / ($high - $lum);
            [$r, $g, $b] = [$lum + ($r - $lum) * $scale, $lum + ($g - $lum) * $scale, $lum + ($b - $lum) * $scale];
        }

        return [$r, $g, $b];
    }

    /**
     * @param  array{float, float, float}  $c
     * @return array{float, float, float}
     */
    public static function setSat(array $c, float $sat): array
    {
        $low = min($c);
        $range = max($c) - $low;
        if ($range < self::GREY) {
            return [0.0, 0.0, 0.0];
        }

        return [($c[0] - $low) * $sat / $range, ($c[1] - $low) * $sat / $range, ($c[2] - $low) * $sat / $range];
    }
}
