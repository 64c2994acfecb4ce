<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

/**
 * The formulas of W3C Compositing and Blending Level 1 (sections 5, 9 and 10; plus-lighter of Level 2), written down a
 * second time from the recommendation and in floating point, for tests to compare with. Colours and alpha are 0..1; a
 * pixel is [r, g, b, alpha], not premultiplied.
 */
final class Formula
{
    /**
     * @param  array{float, float, float, float}  $b  backdrop
     * @param  array{float, float, float}  $cs  source
     * @return array{float, float, float, float}
     */
    public static function over(array $b, array $cs, float $as, string $mode): array
    {
        $ab = $b[3];
        if ($mode === 'plus-lighter') {
            $ao = min(1.0, $as + $ab);

            return $ao <= 0
                ? [0.0, 0.0, 0.0, 0.0]
                : [...array_map(fn (int $i): float => min(1.0, $as * $cs[$i] + $ab * $b[$i]) / $ao, [0, 1, 2]), $ao];
        }
        $blended = self::blend($mode, [$b[0], $b[1], $b[2]], $cs);
        $ao = $as + $ab * (1 - $as);
        if ($ao <= 0) {
            return [0.0, 0.0, 0.0, 0.0];
        }

        return [
            ...array_map(
                fn (int $i): float => ($as * (1 - $ab) * $cs[$i] +
                    $as * $ab * $blended[$i] +
                    (1 - $as) * $ab * $b[$i]) /
                    $ao,
                [0, 1, 2],
            ),
            $ao,
        ];
    }

    /**
     * @param  array{float, float, float, float}  $before
     * @param  array{float, float, float, float}  $after
     * @return array{float, float, float, float}
     */
    public static function faded(array $before, array $after, float $share): array
    {
        $a = $before[3] * (1 - $share);
        $b = $after[3] * $share;

        return $a + $b <= 0
            ? $after
            : [
                ...array_map(fn (int $i): float => ($before[$i] * $a + $after[$i] * $b) / ($a + $b), [0, 1, 2]),
                $a + $b,
            ];
    }

    /**
     * @param  array{float, float, float}  $b
     * @param  array{float, float, float}  $s
     * @return array{float, float, float}
     */
    public static function blend(string $mode, array $b, array $s): array
    {
        return match ($mode) {
            'hue' => self::withLum(self::withSat($s, max($b) - min($b)), self::lum($b)),
            'saturation' => self::withLum(self::withSat($b, max($s) - min($s)), self::lum($b)),
            'color' => self::withLum($s, self::lum($b)),
            'luminosity' => self::withLum($b, self::lum($s)),
            default => array_map(fn (float $cb, float $cs): float => self::channel($mode, $cb, $cs), $b, $s),
        };
    }

    private static function channel(string $mode, float $cb, float $cs): float
    {
        switch ($mode) {
            case 'normal':
                return $cs;
            case 'multiply':
                return $cb * $cs;
            case 'screen':
                return 1 - (1 - $cb) * (1 - $cs);
            case 'overlay':
                return $cb <= 0.5 ? 2 * $cb * $cs : 1 - 2 * (1 - $cb) * (1 - $cs);
            case 'hard-light':
                return $cs <= 0.5 ? 2 * $cb * $cs : 1 - 2 * (1 - $cb) * (1 - $cs);
            case 'darken':
                return min($cb, $cs);
            case 'lighten':
                return max($cb, $cs);
            case 'color-dodge':
                return $cb <= 0 ? 0.0 : ($cs >= 1 ? 1.0 : min(1.0, $cb / (1 - $cs)));
            case 'color-burn':
                return $cb >= 1 ? 1.0 : ($cs <= 0 ? 0.0 : 1 - min(1.0, (1 - $cb) / $cs));
            case 'difference':
                return abs($cb - $cs);
            case 'exclusion':
                return $cb + $cs - 2 * $cb * $cs;
            case 'soft-light':
                $d = $cb <= 0.25 ? ((16 * $cb - 12) * $cb + 4) * $cb : sqrt($cb);

                return $cs <= 0.5 ? $cb - (1 - 2 * $cs) * $cb * (1 - $cb) : $cb + (2 * $cs - 1) * ($d - $cb);
        }
        throw new \LogicException($mode);
    }

    /** @param  array{float, float, float}  $c */
    private static function lum(array $c): float
    {
        return 0.3 * $c[0] + 0.59 * $c[1] + 0.11 * $c[2];
    }

    private static function withLum(array $c, float $l): array
    {
        $d = $l - self::lum($c);
        $c = array_map(fn (float $v): float => $v + $d, $c);
        $l = self::lum($c);
        [$n, $x] = [min($c), max($c)];
        if ($n < 0) {
            $c = array_map(fn (float $v): float => $l + (($v - $l) * $l) / ($l - $n), $c);
        }
        if ($x > 1) {
            $c = array_map(fn (float $v): float => $l + (($v - $l) * (1 - $l)) / ($x - $l), $c);
        }

        return $c;
    }

    private static function withSat(array $c, float $s): array
    {
        [$min, $max] = [min($c), max($c)];

        return $max <= $min
            ? [0.0, 0.0, 0.0]
            : array_map(fn (float $v): float => (($v - $min) * $s) / ($max - $min), $c);
    }
}
