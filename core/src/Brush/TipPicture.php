<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Raster\Chance;

/**
 * What each kind of tip looks like, drawn by rule: how much it covers at a place of a square from -1 to 1, the stroke
 * running to the right. The browser's resources/js/picture/tip.ts draws the same.
 */
final class TipPicture
{
    /** Places along a side. */
    public const SIDE = 96;

    private const BRISTLES = 17;

    private const STRANDS = 7;

    private const DOTS = 14;

    /** Crumbs across the tip. */
    private const CRUMBS = 12;

    /** @var array<string, list<float>> */
    private static array $drawn = [];

    /** @return list<float> how much it covers, 0..1, row after row */
    public static function of(Tip $tip, float $hardness): array
    {
        $key =
            "{$tip->kind->value} $tip->seed $hardness ".
            ($tip->picture === null ? '' : md5($tip->picture->coverage));
        if (! isset(self::$drawn[$key])) {
            $cover = self::kind($tip, $hardness);
            $drawn = [];
            for ($y = 0; $y < self::SIDE; $y++) {
                for ($x = 0; $x < self::SIDE; $x++) {
                    $drawn[] = max(
                        0.0,
                        min(1.0, $cover((2 * ($x + 0.5)) / self::SIDE - 1, (2 * ($y + 0.5)) / self::SIDE - 1)),
                    );
                }
            }
            // A few brushes are in use at a time.
            self::$drawn = array_slice(self::$drawn, -12, null, true) + [$key => $drawn];
        }

        return self::$drawn[$key];
    }

    /** @return \Closure(float, float): float */
    private static function kind(Tip $tip, float $hardness): \Closure
    {
        $seed = $tip->seed;
        $edge = max(0.04, 1 - $hardness);
        $disc = function (float $u, float $v) use ($edge): float {
            $share = min(1.0, max(0.0, (1 - sqrt($u * $u + $v * $v)) / $edge));

            return $share * $share * (3 - 2 * $share);
        };

        return match ($tip->kind) {
            TipKind::Round => $disc,
            TipKind::Flat => fn (float $u, float $v): float => min((0.96 - abs($u)) / $edge, (0.3 - abs($v)) / $edge),
            TipKind::Bristle => fn (float $u, float $v): float => self::comb($seed, $u, $v, self::BRISTLES, 0.9, 0.2),
            TipKind::Strands => fn (float $u, float $v): float => self::comb($seed, $u, $v, self::STRANDS, 2.6, 0.12),
            TipKind::Grain => fn (float $u, float $v): float => $disc($u, $v) *
                (self::crumbs($seed, $u, $v) - 0.42) *
                4,
            TipKind::Splatter => fn (float $u, float $v): float => self::dots($seed, $u, $v),
            TipKind::Sparkle => fn (float $u, float $v): float => (1 - sqrt(abs($u)) - sqrt(abs($v))) / 0.18,
            TipKind::Picture => $tip->picture === null ? $disc : $tip->picture->at(...),
        };
    }

    /** Hairs across the stroke, each as strong as chance has it. */
    private static function comb(int $seed, float $u, float $v, int $hairs, float $thin, float $long): float
    {
        $cover = 0.0;
        for ($i = 0; $i < $hairs; $i++) {
            $at = (2 * $i + 1) / $hairs - 1 + (Chance::at($seed, 3 * $i) - 0.5) / $hairs;
            $strength = 0.35 + 0.65 * Chance::at($seed, 3 * $i + 1);
            $reach = $long + 0.3 * Chance::at($seed, 3 * $i + 2);
            if (abs($u) < $reach) {
                $cover = max($cover, $strength * (1 - abs($v - $at) * $hairs * $thin));
            }
        }

        return $cover;
    }

    /** Chance at the corners of a grid, and straight lines between. */
    private static function crumbs(int $seed, float $u, float $v): float
    {
        [$x, $y] = [(($u + 1) / 2) * self::CRUMBS, (($v + 1) / 2) * self::CRUMBS];
        [$column, $row] = [(int) $x, (int) $y];
        [$right, $down] = [$x - $column, $y - $row];
        $at = fn (int $dx, int $dy): float => Chance::at($seed, ($row + $dy) * 64 + $column + $dx);

        return ($at(0, 0) * (1 - $right) + $at(1, 0) * $right) * (1 - $down) +
            ($at(0, 1) * (1 - $right) + $at(1, 1) * $right) * $down;
    }

    private static function dots(int $seed, float $u, float $v): float
    {
        $cover = 0.0;
        for ($i = 0; $i < self::DOTS; $i++) {
            [$x, $y] = [1.6 * Chance::at($seed, 3 * $i) - 0.8, 1.6 * Chance::at($seed, 3 * $i + 1) - 0.8];
            $radius = 0.04 + 0.16 * Chance::at($seed, 3 * $i + 2) ** 2;
            $cover = max($cover, ($radius - sqrt(($u - $x) ** 2 + ($v - $y) ** 2)) / 0.05 + 0.5);
        }

        return $cover;
    }
}
