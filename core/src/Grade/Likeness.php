<?php

declare(strict_types=1);

namespace Awning\Core\Grade;

use Awning\Core\Colour\ColourBalance;
use Awning\Core\Colour\LinearRgb;
use Awning\Core\Colour\Oklab;
use Awning\Core\Page\Pass\BalanceContent;
use Awning\Core\Page\Pass\CurveContent;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;

/**
 * Two layers that bring one picture near another: a curve for its lightness, a balance for its colours.
 *
 * The curve is histogram specification (Gonzalez and Woods, Digital Image Processing) at a few shares of the pixels,
 * with its slope bounded. The balance brings the mean a and b of Oklab of darks, middle and lights to those of the
 * other
 * picture: first-order statistics in a decorrelated space as in Reinhard, Ashikhmin, Gooch and Shirley, Color Transfer
 * between Images (IEEE Computer Graphics and Applications, 2001). Both are cited from memory.
 */
final class Likeness
{
    /** Shares of the pixels at which both pictures are to be as light as each other. */
    private const SHARES = [0.01, 0.05, 0.15, 0.3, 0.5, 0.7, 0.85, 0.95, 0.99];

    /** Steeper, the curve would band what is smooth; flatter, it would drown what differs. */
    private const STEEPEST = 3.0;

    private const FLATTEST = 0.1;

    /** Points of the curve are so far apart at the least. */
    private const APART = 0.02;

    /** A band of the other picture that has less of it tells little: it takes so much from the picture as a whole. */
    private const LITTLE = 0.05;

    /** Keeps the solution small where two bands are nearly as light as each other. */
    private const DAMPING = 0.002;

    private const MOST = 0.6;

    private const ROUNDS = 3;

    /**
     * @param  float  $strength  0..1: the opacity of both layers
     * @return array{PassSpec, PassSpec} over the whole page, bottom up
     */
    public static function layers(PictureTones $from, PictureTones $to, float $strength = 1.0): array
    {
        [$is, $wanted] = [$from->lightnessAt(self::SHARES), $to->lightnessAt(self::SHARES)];
        $aim = $wanted;
        // Colours that are added make things lighter or darker: the curve makes up for that.
        for ($round = 1; ; $round++) {
            $curve = new CurveContent(self::curve($is, $aim));
            $lit = $from->through($curve->alteration());
            $balance = self::balance($lit->bands(), $to->bands());
            if ($round === self::ROUNDS) {
                break;
            }
            foreach ($lit->through($balance->alteration())->lightnessAt(self::SHARES) as $i => $light) {
                $aim[$i] = max(0.0, min(1.0, $aim[$i] + $wanted[$i] - $light));
            }
        }
        $layer = fn (string $name, CurveContent|BalanceContent $content): PassSpec => new PassSpec(
            name: $name,
            figure: 0,
            content: $content,
            scope: Scope::page(),
            opacity: $strength,
        );

        return [
            $layer('Lightness of the picture', $curve),
            $layer('Colours of the picture', $balance),
        ];
    }

    /**
     * @param  list<float>  $from  lightness at each share, 0..1, rising
     * @param  array<int, float>  $to
     * @return non-empty-list<array{float, float}>
     */
    private static function curve(array $from, array $to): array
    {
        $x = $y = [];
        foreach ($from as $i => $light) {
            if ($light >= ($x[count($x) - 1] ?? 0.0) + self::APART && $light <= 1 - self::APART) {
                $x[] = $light;
                $y[] = $to[$i];
            }
        }
        if ($x === []) {
            return [[0.0, 0.0], [1.0, 1.0]];
        }
        // From the middle outward: what the bounds of the slope take away, the darkest and the lightest lose.
        $middle = intdiv(count($x), 2);
        for ($i = $middle + 1; $i < count($x); $i++) {
            $y[$i] = min(1.0, $y[$i - 1] + self::sloped($x[$i] - $x[$i - 1], $y[$i] - $y[$i - 1]));
        }
        for ($i = $middle - 1; $i >= 0; $i--) {
            $y[$i] = max(0.0, $y[$i + 1] - self::sloped($x[$i + 1] - $x[$i], $y[$i + 1] - $y[$i]));
        }
        $points = array_map(fn (float $from, float $to): array => [$from, $to], $x, $y);
        // Beyond what is there the curve runs on toward black and white, without being pulled there.
        [$first, $last] = [$points[0], $points[count($points) - 1]];
        $down = min(1.0, $first[1] / $first[0]);
        $up = min(1.0, (1 - $last[1]) / (1 - $last[0]));

        return [
            [0.0, max(0.0, $first[1] - $down * $first[0])],
            ...$points,
            [1.0, min(1.0, $last[1] + $up * (1 - $last[0]))],
        ];
    }

    /** How high a step is so that it is neither too steep nor too flat. */
    private static function sloped(float $wide, float $high): float
    {
        return max(self::FLATTEST * $wide, min(self::STEEPEST * $wide, $high));
    }

    /**
     * @param  array{Band, Band, Band}  $from
     * @param  array{Band, Band, Band}  $to
     */
    private static function balance(array $from, array $to): BalanceContent
    {
        $all = self::mean($to);
        $is = $wanted = [];
        foreach ($from as $i => $band) {
            $trust = min(1.0, $to[$i]->share / self::LITTLE);
            $colour = $band->colour;
            $is[] = self::coded($colour);
            $wanted[] = self::coded(
                new Oklab(
                    $colour->l,
                    $trust * $to[$i]->colour->a + (1 - $trust) * $all->a,
                    $trust * $to[$i]->colour->b + (1 - $trust) * $all->b,
                ),
            );
        }
        $added = [];
        for ($channel = 0; $channel < 3; $channel++) {
            $rows = $differences = [];
            foreach ($is as $i => $colour) {
                $rows[] = ColourBalance::weights(max(0.0, min(1.0, $colour[$channel])));
                $differences[] = $wanted[$i][$channel] - $colour[$channel];
            }
            $added[] = self::solved($rows, $differences);
        }
        $of = fn (int $band): array => [
            self::bounded($added[0][$band]),
            self::bounded($added[1][$band]),
            self::bounded($added[2][$band]),
        ];

        return new BalanceContent($of(0), $of(1), $of(2));
    }

    private static function bounded(float $value): float
    {
        return round(max(-self::MOST, min(self::MOST, $value)), 4);
    }

    /** @param  array{Band, Band, Band}  $bands */
    private static function mean(array $bands): Oklab
    {
        $l = $a = $b = 0.0;
        foreach ($bands as $band) {
            $l += $band->share * $band->colour->l;
            $a += $band->share * $band->colour->a;
            $b += $band->share * $band->colour->b;
        }

        return new Oklab($l, $a, $b);
    }

    /** @return array{float, float, float} as sRGB codes it, beyond 0..1 where the colour lies beyond the gamut */
    private static function coded(Oklab $colour): array
    {
        $light = $colour->toLinear();

        return [
            LinearRgb::encode($light->red),
            LinearRgb::encode($light->green),
            LinearRgb::encode($light->blue),
        ];
    }

    /**
     * Damped least squares by the normal equations: three unknowns, three bands.
     *
     * @param  non-empty-list<array{float, float, float}>  $rows
     * @param  non-empty-list<float>  $values
     * @return array{float, float, float}
     */
    private static function solved(array $rows, array $values): array
    {
        $columns = [[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]];
        $right = [0.0, 0.0, 0.0];
        foreach ($rows as $at => $row) {
            foreach ($row as $i => $value) {
                $right[$i] += $value * $values[$at];
                foreach ($row as $j => $other) {
                    $columns[$i][$j] += $value * $other;
                }
            }
        }
        foreach ([0, 1, 2] as $i) {
            $columns[$i][$i] += self::DAMPING;
        }
        [$a, $b, $c] = $columns;
        $whole = self::determinant($a, $b, $c);

        // Cramer's rule; the matrix is its own transpose.
        return [
            self::determinant($right, $b, $c) / $whole,
            self::determinant($a, $right, $c) / $whole,
            self::determinant($a, $b, $right) / $whole,
        ];
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @param  array{float, float, float}  $c
     */
    private static function determinant(array $a, array $b, array $c): float
    {
        return $a[0] * ($b[1] * $c[2] - $b[2] * $c[1])
            - $b[0] * ($a[1] * $c[2] - $a[2] * $c[1])
            + $c[0] * ($a[1] * $b[2] - $a[2] * $b[1]);
    }
}
