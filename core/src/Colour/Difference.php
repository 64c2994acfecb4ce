<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** How far apart two colours look. */
final class Difference
{
    /**
     * CIEDE2000 with unit weights: Sharma, Wu & Dalal, "The CIEDE2000 Color-Difference Formula", 2005.
     * About 1 is the least a trained eye sees side by side (common practice).
     */
    public static function ciede2000(Lab $first, Lab $second): float
    {
        $chroma = (hypot($first->a, $first->b) + hypot($second->a, $second->b)) / 2;
        $lift = 0.5 * (1 - sqrt($chroma ** 7 / ($chroma ** 7 + 25 ** 7)));
        [$a1, $a2] = [$first->a * (1 + $lift), $second->a * (1 + $lift)];
        [$c1, $c2] = [hypot($a1, $first->b), hypot($a2, $second->b)];
        [$h1, $h2] = [self::hue($a1, $first->b), self::hue($a2, $second->b)];

        $grey = $c1 * $c2 == 0.0;
        $turn = $h2 - $h1;
        $turn = $grey ? 0.0 : ($turn > 180 ? $turn - 360 : ($turn < -180 ? $turn + 360 : $turn));
        $dL = $second->l - $first->l;
        $dC = $c2 - $c1;
        $dH = 2 * sqrt($c1 * $c2) * sin(deg2rad($turn / 2));

        $l = ($first->l + $second->l) / 2;
        $c = ($c1 + $c2) / 2;
        $h = match (true) {
            $grey => $h1 + $h2,
            abs($h1 - $h2) <= 180 => ($h1 + $h2) / 2,
            $h1 + $h2 < 360 => ($h1 + $h2 + 360) / 2,
            default => ($h1 + $h2 - 360) / 2,
        };
        $t = 1 - 0.17 * cos(deg2rad($h - 30)) + 0.24 * cos(deg2rad(2 * $h))
            + 0.32 * cos(deg2rad(3 * $h + 6)) - 0.20 * cos(deg2rad(4 * $h - 63));
        $sl = 1 + 0.015 * ($l - 50) ** 2 / sqrt(20 + ($l - 50) ** 2);
        $sc = 1 + 0.045 * $c;
        $sh = 1 + 0.015 * $c * $t;
        $rotation = -2 * sqrt($c ** 7 / ($c ** 7 + 25 ** 7)) * sin(deg2rad(60 * exp(-(($h - 275) / 25) ** 2)));

        return sqrt(($dL / $sl) ** 2 + ($dC / $sc) ** 2 + ($dH / $sh) ** 2 + $rotation * ($dC / $sc) * ($dH / $sh));
    }

    private static function hue(float $a, float $b): float
    {
        if ($a == 0.0 && $b == 0.0) {
            return 0.0;
        }
        $hue = rad2deg(atan2($b, $a));

        return $hue < 0 ? $hue + 360 : $hue;
    }
}
