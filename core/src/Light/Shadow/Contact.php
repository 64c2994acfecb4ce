<?php

declare(strict_types=1);

namespace Awning\Core\Light\Shadow;

use Awning\Core\Light\Surface\SurfaceNormals;
use Awning\Core\Raster\Labels;

/**
 * How far places are from where a body touches another, and how wide the narrower of the two is: a button lies closer
 * on a coat than a sleeve does. Worked out at half the size, as what it is for is soft.
 *
 * The nearest touch is handed on from pixel to pixel in two sweeps (Danielsson's eight-point sequential Euclidean
 * distance mapping, 1980, from memory), which is within a pixel of exact.
 */
final readonly class Contact
{
    private const FAR = 30_000;

    /**
     * @param  array<int, float>  $distance  px, of each two by two pixels, row after row
     * @param  array<int, float>  $radius  px
     */
    private function __construct(
        private int $width,
        private int $columns,
        private array $distance,
        private array $radius,
    ) {
    }

    public static function of(Labels $labels, SurfaceNormals $facing): self
    {
        $width = $labels->width;
        [$columns, $rows] = [intdiv($width + 1, 2), intdiv($labels->height + 1, 2)];
        $radius = array_fill(0, $columns * $rows, 0.0);
        $widest = self::widest($labels, $facing);
        foreach (self::touches($labels) as $at => [$one, $other]) {
            $cell = intdiv(intdiv($at, $width), 2) * $columns + intdiv($at % $width, 2);
            $narrow = min($widest[$one], $widest[$other]);
            $radius[$cell] = $radius[$cell] > 0 ? min($radius[$cell], $narrow) : $narrow;
        }
        $nearest = self::nearest($radius, $columns, $rows);
        $distance = [];
        foreach ($nearest as $cell => $touch) {
            $distance[] =
                $touch === $cell
                    ? 0.5
                    : ($touch < 0
                        ? (float) self::FAR
                        : 2 *
                            hypot(
                                ($cell % $columns) - ($touch % $columns),
                                intdiv($cell, $columns) - intdiv($touch, $columns),
                            ));
        }

        return new self(
            $width,
            $columns,
            $distance,
            array_map(fn (int $touch): float => $touch < 0 ? 1.0 : max(1.0, $radius[$touch]), $nearest),
        );
    }

    /** @return array{float, float} of a pixel: how far the next touch is, and how wide the narrower body there, px */
    public function at(int $pixel): array
    {
        $cell = intdiv(intdiv($pixel, $this->width), 2) * $this->columns + intdiv($pixel % $this->width, 2);

        return [$this->distance[$cell], $this->radius[$cell]];
    }

    /** @return array<int, float> of each label the radius of the largest circle in it, px */
    private static function widest(Labels $labels, SurfaceNormals $facing): array
    {
        $widest = [];
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            $widest[$label] = max([$widest[$label] ?? 1.0, ...array_slice($facing->border, $from, $to - $from)]);
        }

        return $widest;
    }

    /** @return array<int, array{int, int}> of each pixel beside another body, its label and that of the other */
    private static function touches(Labels $labels): array
    {
        /** @var array<int, int> $of */
        $of = unpack('n*', $labels->data);
        [$width, $height] = [$labels->width, $labels->height];
        $touches = [];
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            for ($at = $label === 0 ? $to : $from; $at < $to; $at++) {
                $x = $at % $width;
                foreach (
                    [$x > 0 ? $at - 1 : -1, $x < $width - 1 ? $at + 1 : -1, $at - $width, $at + $width] as $beside
                ) {
                    $other = $beside < 0 || $beside >= $width * $height ? 0 : $of[$beside + 1];
                    if ($other !== 0 && $other !== $label) {
                        $touches[$at] = [$label, $other];
                        break;
                    }
                }
            }
        }

        return $touches;
    }

    /**
     * @param  array<int, float>  $radius  0 where nothing touches
     * @return array<int, int> the cell of the nearest touch; -1 where there is none
     */
    private static function nearest(array $radius, int $columns, int $rows): array
    {
        $nearest = [];
        foreach ($radius as $cell => $narrow) {
            $nearest[] = $narrow > 0 ? $cell : -1;
        }
        for ($y = 0; $y < $rows; $y++) {
            self::hand($nearest, $columns, $y, $y - 1, 1);
        }
        for ($y = $rows - 1; $y >= 0; $y--) {
            self::hand($nearest, $columns, $y, $y + 1 < $rows ? $y + 1 : -1, -1);
        }

        return $nearest;
    }

    /**
     * Hands on along a row, there and back, what the row before it knows.
     *
     * @param  array<int, int>  $nearest
     */
    private static function hand(array &$nearest, int $columns, int $y, int $before, int $step): void
    {
        $row = $y * $columns;
        $other = $before * $columns;
        foreach ([$step, -$step] as $along) {
            $start = $along > 0 ? 0 : $columns - 1;
            for ($i = 0, $x = $start; $i < $columns; $i++, $x += $along) {
                $best = $nearest[$row + $x];
                $least = $best < 0 ? PHP_INT_MAX : ($x - ($best % $columns)) ** 2 + ($y - intdiv($best, $columns)) ** 2;
                $asked =
                    $before < 0
                        ? []
                        : [
                            $nearest[$other + $x],
                            $x > 0 ? $nearest[$other + $x - 1] : -1,
                            $x < $columns - 1 ? $nearest[$other + $x + 1] : -1,
                        ];
                $asked[] = $i > 0 ? $nearest[$row + $x - $along] : -1;
                foreach ($asked as $touch) {
                    if ($touch >= 0 && $touch !== $best) {
                        $far = ($x - ($touch % $columns)) ** 2 + ($y - intdiv($touch, $columns)) ** 2;
                        if ($far < $least) {
                            [$best, $least] = [$touch, $far];
                        }
                    }
                }
                $nearest[$row + $x] = $best;
            }
        }
    }
}
