<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Page\Solid;
use Awning\Core\Raster\Labels;

/**
 * Where each pixel's surface faces. Regions of a material are one body, or many, or something between: a fold line creases the
 * body by a strength. Regions of which a simple solid is told face as that does.
 */
final readonly class Facing
{
    /** Px to either side over which what was told at half the size is smoothed, so that its pixels are not seen. */
    private const SMOOTH = 2;

    /**
     * @param  array<int, float>  $x  to the right
     * @param  array<int, float>  $y  up
     * @param  array<int, float>  $depth  0 at the border of the body, 1 on its axis
     * @param  array<int, float>  $border  distance from the border, px
     */
    private function __construct(public array $x, public array $y, public array $depth, public array $border)
    {
    }

    /** How wide the body is at a pixel, from its border to its axis, px. */
    public function radius(int $at): float
    {
        return $this->border[$at] / max(1e-6, $this->depth[$at]);
    }

    /**
     * @param  array<int, int>  $bodies  the body each label belongs to; its own where none is said
     * @param  array<int, Solid>  $solids  by label
     */
    public static function of(Labels $labels, array $bodies, float $folds, array $solids): self
    {
        $parts = $folds > 0 || $bodies === [] ? Inflation::of($labels) : null;
        $joined = $folds < 1 && $bodies !== [] ? self::joined($labels, $bodies) : null;
        $main = $parts ?? Inflation::of($joined ?? $labels);
        [$x, $y] = [$main->x, $main->y];
        if ($parts !== null && $joined !== null) {
            self::uncrease($x, $y, $joined, $folds);
        }
        foreach ($solids as $label => $solid) {
            self::solid($labels, $label, $solid, $x, $y);
        }

        return new self($x, $y, $main->depth, $main->border);
    }

    /**
     * Draws facings toward those of whole bodies; these are large and turn slowly, so half the size tells them.
     *
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     */
    private static function uncrease(array &$x, array &$y, Labels $joined, float $folds): void
    {
        $half = $joined->thinned(2);
        $wholes = Inflation::of($half);
        for ($row = $at = 0; $row < $joined->height; $row++) {
            $start = ($row >> 1) * $half->width;
            for ($column = 0; $column < $joined->width; $column++, $at++) {
                $there = $start + ($column >> 1);
                $x[$at] = $wholes->x[$there] + ($x[$at] - $wholes->x[$there]) * $folds;
                $y[$at] = $wholes->y[$there] + ($y[$at] - $wholes->y[$there]) * $folds;
            }
        }
        /** @var list<int> $of */
        $of = array_values((array) unpack('n*', $joined->data));
        $means = RegionMeans::within($of, $joined->width, $joined->height);
        [$x, $y] = [$means->of($x, self::SMOOTH), $means->of($y, self::SMOOTH)];
    }

    /** @param  array<int, int>  $bodies */
    private static function joined(Labels $labels, array $bodies): Labels
    {
        $data = '';
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            $data .= str_repeat(pack('n', $bodies[$label] ?? $label), $to - $from);
        }

        return new Labels($labels->width, $labels->height, $data);
    }

    /**
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     */
    private static function solid(Labels $labels, int $label, Solid $solid, array &$x, array &$y): void
    {
        $pixels = self::pixelsOf($labels, $label);
        if ($pixels === [] || $solid === Solid::Round) {
            return;
        }
        [$midX, $midY, $axisX, $axisY] = self::lie($pixels, $labels->width);
        // So wide that the farthest pixel lies on the rim.
        $reach = 1e-6;
        $places = [];
        foreach ($pixels as $at) {
            [$right, $up] = [$at % $labels->width - $midX, $midY - intdiv($at, $labels->width)];
            if ($solid === Solid::Tube) {
                $along = $right * $axisX + $up * $axisY;
                [$right, $up] = [$right - $along * $axisX, $up - $along * $axisY];
            }
            $places[$at] = [$right, $up];
            $reach = max($reach, hypot($right, $up) + 0.5);
        }
        foreach ($places as $at => [$right, $up]) {
            $x[$at] = $solid === Solid::Flat ? 0.0 : $right / $reach;
            $y[$at] = $solid === Solid::Flat ? 0.0 : $up / $reach;
        }
    }

    /** @return list<int> */
    private static function pixelsOf(Labels $labels, int $label): array
    {
        $pixels = [];
        foreach (Labels::spans($labels->data) as [$from, $to, $found]) {
            for ($at = $found === $label ? $from : $to; $at < $to; $at++) {
                $pixels[] = $at;
            }
        }

        return $pixels;
    }

    /**
     * The middle of some pixels, and the direction in which they reach farthest (the first principal axis).
     *
     * @param  non-empty-list<int>  $pixels
     * @return array{float, float, float, float} middle from the left and the top, axis to the right and up
     */
    private static function lie(array $pixels, int $width): array
    {
        $count = count($pixels);
        $midX = array_sum(array_map(fn (int $at): int => $at % $width, $pixels)) / $count;
        $midY = array_sum(array_map(fn (int $at): int => intdiv($at, $width), $pixels)) / $count;
        $xx = $xy = $yy = 0.0;
        foreach ($pixels as $at) {
            [$right, $up] = [$at % $width - $midX, $midY - intdiv($at, $width)];
            $xx += $right * $right;
            $xy += $right * $up;
            $yy += $up * $up;
        }
        $angle = 0.5 * atan2(2 * $xy, $xx - $yy);

        return [$midX, $midY, cos($angle), sin($angle)];
    }
}
