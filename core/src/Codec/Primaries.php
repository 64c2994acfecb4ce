<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Colour\LinearRgb;

/**
 * The colours that a picture's full red, green and blue stand for, where it says so by itself (PNG specification
 * 11.3.2.1) and not by a profile. Brought to sRGB by way of XYZ, with the white adapted as ICC.1 does it (Bradford).
 */
final readonly class Primaries
{
    /** sRGB's and its white, as x, y pairs: white, red, green, blue (IEC 61966-2-1). */
    private const SRGB = [[0.3127, 0.329], [0.64, 0.33], [0.3, 0.6], [0.15, 0.06]];

    /** Bradford's cone response, from memory of the ICC specification, annex E. */
    private const BRADFORD = [[0.8951, 0.2664, -0.1614], [-0.7502, 1.7135, 0.0367], [0.0389, -0.0685, 1.0296]];

    /** Nearer than this they are sRGB's, rounded. */
    private const SAME = 0.004;

    /** Steps of light that are told apart when it is brought to sRGB's curve. */
    private const STEPS = 4095;

    /** @param  list<list<float>>  $matrix  from this linear light to sRGB's */
    private function __construct(private array $matrix)
    {
    }

    /**
     * @param  list<array{float, float}>  $points  x and y of white, red, green and blue
     * @return ?self null when there is nothing to do, or they are no colours
     */
    public static function of(array $points): ?self
    {
        $apart = 0.0;
        foreach ($points as $i => [$x, $y]) {
            if ($y <= 0.0 || $x + $y > 1.0) {
                return null;
            }
            $apart = max($apart, abs($x - self::SRGB[$i][0]), abs($y - self::SRGB[$i][1]));
        }
        $there = self::toXyz($points);
        $srgb = self::toXyz(self::SRGB);
        $back = $srgb === null ? null : self::inverse($srgb);
        if ($apart < self::SAME || $there === null || $back === null) {
            return null;
        }

        return new self(self::times($back, self::times(self::adapted($points[0], self::SRGB[0]), $there)));
    }

    /**
     * @param  array{string, string, string}  $planes  on sRGB's curve
     * @return array{string, string, string}
     */
    public function toSrgb(array $planes): array
    {
        [$red, $green, $blue] = $planes;
        $light = array_map(fn (int $value): float => LinearRgb::decode($value / 255), range(0, 255));
        $curve = implode(
            '',
            array_map(
                fn (int $step): string => chr((int) round(255 * LinearRgb::encode($step / self::STEPS))),
                range(0, self::STEPS),
            ),
        );
        [[$a, $b, $c], [$d, $e, $f], [$g, $h, $i]] = $this->matrix;
        for ($at = 0, $count = strlen($red); $at < $count; $at++) {
            [$x, $y, $z] = [$light[ord($red[$at])], $light[ord($green[$at])], $light[ord($blue[$at])]];
            $red[$at] = $curve[(int) (self::STEPS * max(0.0, min(1.0, $a * $x + $b * $y + $c * $z)) + 0.5)];
            $green[$at] = $curve[(int) (self::STEPS * max(0.0, min(1.0, $d * $x + $e * $y + $f * $z)) + 0.5)];
            $blue[$at] = $curve[(int) (self::STEPS * max(0.0, min(1.0, $g * $x + $h * $y + $i * $z)) + 0.5)];
        }

        return [$red, $green, $blue];
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return ?list<list<float>>
     */
    private static function toXyz(array $points): ?array
    {
        $columns = array_map(self::xyz(...), array_slice($points, 1));
        $matrix = [];
        foreach ([0, 1, 2] as $row) {
            $matrix[] = array_column($columns, $row);
        }
        $inverse = self::inverse($matrix);
        if ($inverse === null) {
            return null;
        }
        $scale = self::vector($inverse, self::xyz($points[0]));

        return array_map(
            fn (array $row): array => [$row[0] * $scale[0], $row[1] * $scale[1], $row[2] * $scale[2]],
            $matrix,
        );
    }

    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @return list<list<float>>
     */
    private static function adapted(array $from, array $to): array
    {
        $a = self::vector(self::BRADFORD, self::xyz($from));
        $b = self::vector(self::BRADFORD, self::xyz($to));
        $scaled = array_map(
            fn (array $row, float $p, float $q): array => array_map(fn (float $v): float => ($v * $q) / $p, $row),
            self::BRADFORD,
            $a,
            $b,
        );

        return self::times(self::inverse(self::BRADFORD) ?? self::BRADFORD, $scaled);
    }

    /**
     * @param  array{float, float}  $point
     * @return list<float>
     */
    private static function xyz(array $point): array
    {
        [$x, $y] = $point;

        return [$x / $y, 1.0, (1 - $x - $y) / $y];
    }

    /**
     * @param  list<list<float>>  $m
     * @param  list<float>  $v
     * @return list<float>
     */
    private static function vector(array $m, array $v): array
    {
        return array_map(fn (array $row): float => $row[0] * $v[0] + $row[1] * $v[1] + $row[2] * $v[2], $m);
    }

    /**
     * @param  list<list<float>>  $a
     * @param  list<list<float>>  $b
     * @return list<list<float>>
     */
    private static function times(array $a, array $b): array
    {
        return array_map(
            fn (array $row): array => array_map(
                fn (int $c): float => $row[0] * $b[0][$c] + $row[1] * $b[1][$c] + $row[2] * $b[2][$c],
                [0, 1, 2],
            ),
            $a,
        );
    }

    /**
     * @param  list<list<float>>  $m
     * @return ?list<list<float>> null when there is none
     */
    private static function inverse(array $m): ?array
    {
        [[$a, $b, $c], [$d, $e, $f], [$g, $h, $i]] = $m;
        $det = $a * ($e * $i - $f * $h) - $b * ($d * $i - $f * $g) + $c * ($d * $h - $e * $g);
        if (abs($det) < 1e-9) {
            return null;
        }

        return [
            [($e * $i - $f * $h) / $det, ($c * $h - $b * $i) / $det, ($b * $f - $c * $e) / $det],
            [($f * $g - $d * $i) / $det, ($a * $i - $c * $g) / $det, ($c * $d - $a * $f) / $det],
            [($d * $h - $e * $g) / $det, ($b * $g - $a * $h) / $det, ($a * $e - $b * $d) / $det],
        ];
    }
}
