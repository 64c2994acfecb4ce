<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

use Awning\Core\Raster\Labels;

/**
 * Regions blown up to round bodies, each for itself.
 *
 * Where a pixel is d from the border and the region there is as wide as a circle of radius R, the surface leans by
 *
 * sin(lean) = 1 - d / R          away from the border: a quarter turn at the border, facing the reader in the middle
 *
 * which is exact for a sphere (a disc) and for a cylinder (a bar). R is the distance of the medial axis (Blum's
 * skeleton) one comes to by walking uphill from the pixel, smoothed along the region, so that a narrow arm is round in
 * itself and not a rim of the body it grows out of. The formula is ours; nothing is iterated.
 */
final readonly class Inflation
{
    /**
     * @param  array<int, float>  $x  of each pixel, where the surface faces: to the right; 0 where there is no body
     * @param  array<int, float>  $y  up
     * @param  array<int, float>  $depth  d / R, 0 at the border, 1 on the axis
     * @param  array<int, float>  $border  distance from the border, px
     */
    private function __construct(
        public int $width,
        public int $height,
        public array $x,
        public array $y,
        public array $depth,
        public array $border,
    ) {
    }

    /**
     * Uphill is less steep than this on the axis, where two borders are equally near: the mean of two slopes of 1 that
     * meet.
     */
    private const AXIS = 0.8;

    /**
     * A corner of the border has half the slope of each of its sides; what is two pixels wide has half of one, and is
     * an axis.
     */
    private const CORNER = 0.6;

    /** Between the centres of two pixels lies the border. */
    private const HALF = 0.5;

    /** Px to either side over which slopes are smoothed, and radii: borders are made of pixels. */
    private const SMOOTH_SLOPE = 2;

    private const SMOOTH_RADIUS = 8;

    private const SMOOTH_SURFACE = 3;

    public static function of(Labels $labels): self
    {
        [$width, $height] = [$labels->width, $labels->height];
        $of = $labels->numbers();
        $spans = self::spans($labels);
        $means = RegionMeans::within($of, $width, $height);
        // What is nothing is nowhere farther from a body than its first pixel is, as far as slopes are asked for it.
        $border = array_fill(0, count($of), self::HALF);
        $squared = BorderDistance::squared($labels, true);
        foreach ($spans as [$from, $to]) {
            for ($at = $from; $at < $to; $at++) {
                $border[$at] = sqrt($squared[$at]) - self::HALF;
            }
        }
        [$slopeX, $slopeY] = self::slopes($of, $spans, $width, $height, $border);
        $radius = $means->of(self::radii($of, $spans, $width, $border, $slopeX, $slopeY), self::SMOOTH_RADIUS);
        $slopeX = $means->of($slopeX, self::SMOOTH_SLOPE);
        $slopeY = $means->of($slopeY, self::SMOOTH_SLOPE);
        $xs = $ys = $depth = array_fill(0, count($of), 0.0);
        foreach ($spans as [$from, $to]) {
            for ($at = $from; $at < $to; $at++) {
                $part = min(1.0, $border[$at] / max($radius[$at], self::HALF));
                $steep = sqrt($slopeX[$at] ** 2 + $slopeY[$at] ** 2);
                $lean = $steep > 0 ? (1 - $part) / $steep : 0.0;
                $xs[$at] = -$slopeX[$at] * $lean;
                $ys[$at] = $slopeY[$at] * $lean;
                $depth[$at] = $part;
            }
        }

        return new self(
            $width,
            $height,
            $means->of($xs, self::SMOOTH_SURFACE),
            $means->of($ys, self::SMOOTH_SURFACE),
            $depth,
            $border,
        );
    }

    /** @return list<array{int, int}> stretches of pixels that are of a body, none across the end of a row */
    private static function spans(Labels $labels): array
    {
        $spans = [];
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            for ($at = $from; $label !== 0 && $at < $to; $at = $end) {
                $end = min($to, (intdiv($at, $labels->width) + 1) * $labels->width);
                $spans[] = [$at, $end];
            }
        }

        return $spans;
    }

    /**
     * Uphill from the border, by central differences within the region; beyond the border it goes downhill on.
     *
     * @param  list<int>  $of  labels
     * @param  list<array{int, int}>  $spans
     * @param  array<int, float>  $border
     * @return array{array<int, float>, array<int, float>} to the right, down
     */
    private static function slopes(array $of, array $spans, int $width, int $height, array $border): array
    {
        $right = $down = array_fill(0, count($of), 0.0);
        foreach ($spans as [$from, $to]) {
            $y = intdiv($from, $width);
            for ($at = $from, $x = $from % $width; $at < $to; $at++, $x++) {
                $label = $of[$at];
                $here = $border[$at];
                $west = $x === 0 ? $here : ($of[$at - 1] === $label ? $border[$at - 1] : -$border[$at - 1]);
                $east = $x === $width - 1 ? $here : ($of[$at + 1] === $label ? $border[$at + 1] : -$border[$at + 1]);
                $north =
                    $y === 0 ? $here : ($of[$at - $width] === $label ? $border[$at - $width] : -$border[$at - $width]);
                $south =
                    $y === $height - 1
                        ? $here
                        : ($of[$at + $width] === $label
                            ? $border[$at + $width]
                            : -$border[$at + $width]);
                $right[$at] = ($east - $west) / 2;
                $down[$at] = ($south - $north) / 2;
            }
        }

        return [$right, $down];
    }

    /**
     * @param  list<int>  $of
     * @param  list<array{int, int}>  $spans
     * @param  array<int, float>  $border
     * @param  array<int, float>  $slopeX
     * @param  array<int, float>  $slopeY
     * @return array<int, float> how far the axis one comes to is from the border
     */
    private static function radii(
        array $of,
        array $spans,
        int $width,
        array $border,
        array $slopeX,
        array $slopeY,
    ): array {
        $radius = $border;
        foreach (self::fromInside($spans, $border) as $ring) {
            foreach ($ring as $at) {
                $least = $border[$at] > self::HALF ? self::AXIS : self::CORNER;
                if ($least ** 2 <= $slopeX[$at] ** 2 + $slopeY[$at] ** 2) {
                    $radius[$at] = $radius[self::uphill($of, $width, $border, $at)];
                }
            }
        }

        return $radius;
    }

    /**
     * The farthest from the border first, to half a pixel: whoever is uphill is known already.
     *
     * @param  list<array{int, int}>  $spans
     * @param  array<int, float>  $border
     * @return list<list<int>> rings of pixels
     */
    private static function fromInside(array $spans, array $border): array
    {
        $rings = [];
        foreach ($spans as [$from, $to]) {
            for ($at = $from; $at < $to; $at++) {
                $rings[(int) (2 * $border[$at])][] = $at;
            }
        }
        krsort($rings);

        return array_values($rings);
    }

    /**
     * @param  list<int>  $of
     * @param  array<int, float>  $border
     * @return int the neighbour that is farthest up, or the pixel itself
     */
    private static function uphill(array $of, int $width, array $border, int $at): int
    {
        $x = $at % $width;
        $here = $border[$at];
        $label = $of[$at];
        $best = $at;
        $steepest = 0.0;
        $left = $x > 0 ? -1 : 0;
        $right = $x < $width - 1 ? 1 : 0;
        foreach ([$left, $right, -$width, $width] as $step) {
            $other = $at + $step;
            if (($of[$other] ?? -1) === $label && $steepest < $border[$other] - $here) {
                $steepest = $border[$other] - $here;
                $best = $other;
            }
        }
        foreach ([$left - $width, $right - $width, $left + $width, $right + $width] as $step) {
            $other = $at + $step;
            if (($of[$other] ?? -1) === $label && M_SQRT1_2 * ($border[$other] - $here) > $steepest) {
                $steepest = M_SQRT1_2 * ($border[$other] - $here);
                $best = $other;
            }
        }

        return $best;
    }
}
