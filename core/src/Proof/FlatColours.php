<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\LinearRgb;
use Awning\Core\Colour\Rgb;
use Awning\Core\Flats\TrapGrowth;

/**
 * The flat colours of a picture in blocks. The most frequent colour takes in all that are too near to be others, then
 * the most frequent of those left. What lies scattered or in thin lines only is noise, or an edge, and goes to its
 * neighbours.
 */
final readonly class FlatColours
{
    /** Colours are counted in cubes of so many steps a channel. */
    private const SHIFT = 1;

    /** Nearer than this, CIEDE2000, a colour is the other with noise on it. */
    private const SAME = 1.3;

    /**
     * Colours that lie mixed are one with noise on it, though they differ by more: up to so much, and when so large a
     * part of the sides of one's blocks is towards others that are so near.
     */
    private const MIXED = 6.0;

    private const SIDES = 0.4;

    /** Means nearer than this are one colour. */
    private const ONE = 1.0;

    /** Lightnesses further apart than this need not be compared: the difference is larger than SAME. */
    private const APART = 2.5;

    /**
     * A colour is meant when so many blocks of it have it on all four sides: at the least, and as a part of its blocks.
     */
    private const INSIDE = 3;

    private const COHERENT = 0.2;

    /** Of more colours a picture is painted, not flat: the largest count. */
    private const MOST = 400;

    /**
     * @param  list<array{float, float, float}>  $colours  parts of 0..255
     * @param  string  $of  two bytes a block: number of its colour, from 1
     */
    private function __construct(public array $colours, public string $of)
    {
    }

    public static function in(FlatBlocks $blocks): self
    {
        $keys = self::keys($blocks);
        [$number, $labs] = self::numbered($keys);
        $of = array_map(fn (?int $key): int => $key === null ? 0 : $number[$key], $keys);
        $of = self::coherent(self::unmixed($of, $labs, $blocks), $blocks);
        $of = self::joined($of, self::means($of, $blocks));
        $colours = self::means($of, $blocks);
        if ($colours === []) {
            return new self(
                array_values(self::means(array_fill(0, count($of), 1), $blocks)),
                str_repeat("\0\1", count($of)),
            );
        }
        $place = [0 => "\0\0"];
        foreach (array_keys($colours) as $i => $one) {
            $place[$one] = chr(($i + 1) >> 8).chr(($i + 1) & 255);
        }
        $labels = $open = '';
        foreach ($of as $one) {
            $labels .= $place[$one];
            $open .= $one === 0 ? "\xff" : "\0";
        }
        (new TrapGrowth)->grow($labels, $open, $blocks->columns, $blocks->rows);

        return new self(array_values($colours), $labels);
    }

    /** @return list<?int> the cube of each block, smoothed with its neighbours; null where it is not flat */
    private static function keys(FlatBlocks $blocks): array
    {
        [$red, $green, $blue] = $blocks->means;
        $keys = [];
        $columns = $blocks->columns;
        $last = $columns * $blocks->rows - 1;
        for ($at = 0; $at <= $last; $at++) {
            if ($blocks->flat[$at] === "\0") {
                $keys[] = null;

                continue;
            }
            [$n, $r, $g, $b] = [1, ord($red[$at]), ord($green[$at]), ord($blue[$at])];
            foreach ([-1, 1, -$columns, $columns] as $step) {
                $beside = $at + $step;
                if ($beside >= 0 && $beside <= $last && $blocks->flat[$beside] === "\xff") {
                    [$n, $r, $g, $b] = [
                        $n + 1,
                        $r + ord($red[$beside]),
                        $g + ord($green[$beside]),
                        $b + ord($blue[$beside]),
                    ];
                }
            }
            $keys[] =
                (((int) ($r / $n + 0.5) >> self::SHIFT) << 16) |
                (((int) ($g / $n + 0.5) >> self::SHIFT) << 8) |
                ((int) ($b / $n + 0.5) >> self::SHIFT);
        }

        return $keys;
    }

    /**
     * @param  list<?int>  $keys
     * @return array{array<int, int>, array<int, Lab>} number of the colour that each cube belongs to, from 1, and the
     *     colours
     */
    private static function numbered(array $keys): array
    {
        $counts = array_count_values(array_filter($keys, fn (?int $key): bool => $key !== null));
        uksort($counts, fn (int $a, int $b): int => $counts[$b] <=> $counts[$a] ?: $a <=> $b);
        $number = [];
        /** @var array<int, Lab> $meant by number */
        $meant = [];
        foreach (array_keys($counts) as $key) {
            $lab = Lab::of(
                new Rgb(($key >> 16) << self::SHIFT, (($key >> 8) & 255) << self::SHIFT, ($key & 255) << self::SHIFT),
            );
            [$nearest, $least] = [0, self::SAME];
            foreach ($meant as $i => $other) {
                if (
                    abs($lab->l - $other->l) < self::APART &&
                    ($difference = Difference::ciede2000($lab, $other)) < $least
                ) {
                    [$nearest, $least] = [$i, $difference];
                }
            }
            if ($nearest === 0 && count($meant) < self::MOST) {
                $nearest = count($meant) + 1;
                $meant[$nearest] = $lab;
            }
            $number[$key] = $nearest;
        }

        return [$number, $meant];
    }

    /**
     * @param  list<int>  $of
     * @param  array<int, Lab>  $labs  by number
     * @return list<int> each in the colour it lies mixed with
     */
    private static function unmixed(array $of, array $labs, FlatBlocks $blocks): array
    {
        $counts = array_count_values($of);
        unset($counts[0]);
        $beside = self::beside($of, $blocks->columns);
        $into = [];
        asort($counts);
        foreach ($counts as $one => $count) {
            $near = array_filter(
                $beside[$one] ?? [],
                fn (int $other): bool => self::difference($labs[$one], $labs[$other]) < self::MIXED,
                ARRAY_FILTER_USE_KEY,
            );
            arsort($near);
            $most = array_key_first(
                array_filter(
                    $near,
                    fn (int $other): bool => $counts[$other] > $count || ($counts[$other] === $count && $other < $one),
                    ARRAY_FILTER_USE_KEY,
                ),
            );
            $into[$one] = $most !== null && array_sum($near) >= self::SIDES * 4 * $count ? $most : $one;
        }

        return array_map(function (int $one) use ($into): int {
            while ($one > 0 && $into[$one] !== $one) {
                $one = $into[$one];
            }

            return $one;
        }, $of);
    }

    /**
     * @param  list<int>  $of
     * @return array<int, array<int, int>> of each how many sides of its blocks are towards each other one
     */
    private static function beside(array $of, int $columns): array
    {
        $beside = [];
        foreach ($of as $at => $one) {
            foreach ([$at % $columns > 0 ? $at - 1 : -1, $at - $columns] as $before) {
                $other = $before >= 0 ? $of[$before] : 0;
                if ($one !== $other && $one > 0 && $other > 0) {
                    $beside[$one][$other] = ($beside[$one][$other] ?? 0) + 1;
                    $beside[$other][$one] = ($beside[$other][$one] ?? 0) + 1;
                }
            }
        }

        return $beside;
    }

    /** @return float CIEDE2000; INF where the lightness alone is too far off to count */
    private static function difference(Lab $a, Lab $b): float
    {
        return abs($a->l - $b->l) > 2 * self::MIXED ? INF : Difference::ciede2000($a, $b);
    }

    /**
     * @param  list<int>  $of
     * @param  array<int, array{float, float, float}>  $means
     * @return list<int> means that are one colour under one number
     */
    private static function joined(array $of, array $means): array
    {
        $into = [0 => 0];
        $counts = array_count_values($of);
        uksort($means, fn (int $a, int $b): int => $counts[$b] <=> $counts[$a] ?: $a <=> $b);
        $labs = array_map(fn (array $parts): Lab => Lab::ofLinear(LinearRgb::ofBytes($parts)), $means);
        foreach ($labs as $one => $lab) {
            $into[$one] = $one;
            foreach ($labs as $larger => $other) {
                if ($larger === $one) {
                    break;
                }
                if ($into[$larger] === $larger && self::difference($lab, $other) < self::ONE) {
                    $into[$one] = $larger;
                    break;
                }
            }
        }

        return array_map(fn (int $one): int => $into[$one], $of);
    }

    /**
     * @param  list<int>  $of
     * @return list<int> 0 where a colour lies together nowhere
     */
    private static function coherent(array $of, FlatBlocks $blocks): array
    {
        $counts = $inside = [];
        $columns = $blocks->columns;
        for ($row = 0, $at = 0; $row < $blocks->rows; $row++) {
            for ($column = 0; $column < $columns; $column++, $at++) {
                $one = $of[$at];
                $counts[$one] = ($counts[$one] ?? 0) + 1;
                if (
                    ($column === 0 || $of[$at - 1] === $one) &&
                    ($column === $columns - 1 || $of[$at + 1] === $one) &&
                    ($row === 0 || $of[$at - $columns] === $one) &&
                    ($row === $blocks->rows - 1 || $of[$at + $columns] === $one)
                ) {
                    $inside[$one] = ($inside[$one] ?? 0) + 1;
                }
            }
        }
        $kept = [];
        foreach ($counts as $one => $count) {
            $kept[$one] = ($inside[$one] ?? 0) >= max(self::INSIDE, self::COHERENT * $count) ? $one : 0;
        }

        return array_map(fn (int $one): int => $kept[$one], $of);
    }

    /**
     * @param  list<int>  $of
     * @return array<int, array{float, float, float}> of each number, parts of 0..255
     */
    private static function means(array $of, FlatBlocks $blocks): array
    {
        $sums = [];
        [$red, $green, $blue] = $blocks->means;
        foreach ($of as $at => $one) {
            if ($one > 0) {
                $sum = $sums[$one] ?? [0, 0, 0, 0];
                $sums[$one] = [
                    $sum[0] + 1,
                    $sum[1] + ord($red[$at]),
                    $sum[2] + ord($green[$at]),
                    $sum[3] + ord($blue[$at]),
                ];
            }
        }
        ksort($sums);

        return array_map(fn (array $sum): array => [$sum[1] / $sum[0], $sum[2] / $sum[0], $sum[3] / $sum[0]], $sums);
    }
}
