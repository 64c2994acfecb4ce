<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Page\Drawing\MirrorAxis;
use Awning\Core\Raster\Rect;

/** Where a stroke went: points with pressure of 0..1, in pixels of the page; pixel middles lie at halves. */
final readonly class Path
{
    public const MOST_POINTS = 20_000;

    /**
     * @param  non-empty-list<array{float, float, float}>  $points  x, y, pressure
     *
     * @throws \RangeException when there are none or too many points, or one is not a place near a page
     */
    public function __construct(public array $points)
    {
        if ($points === []) {
            throw new \RangeException('The stroke has no points. Draw it again.');
        }
        if (count($points) > self::MOST_POINTS) {
            throw new \RangeException(
                'A stroke has at most '.self::MOST_POINTS.' points. Lift the pen once in a while.',
            );
        }
        foreach ($points as [$x, $y, $pressure]) {
            if (! (abs($x) < 100_000 && abs($y) < 100_000 && $pressure >= 0 && $pressure <= 1)) {
                throw new \RangeException('A stroke went far off the page or had a pressure outside 0 to 1.');
            }
        }
    }

    /**
     * The same seen in a mirror.
     *
     * @throws \RangeException when it lies far off the page there
     */
    public function mirrored(MirrorAxis $axis): self
    {
        return new self(
            array_map(fn (array $point): array => [...$axis->mirrored($point[0], $point[1]), $point[2]], $this->points),
        );
    }

    /**
     * @param  list<mixed>  $points  as a client sends them: lists of x, y and pressure
     *
     * @throws \RangeException
     */
    public static function fromPoints(array $points): self
    {
        $path = [];
        foreach ($points as $point) {
            if (! is_array($point) || count($point) !== 3 || ! array_is_list($point)) {
                throw new \RangeException('A stroke is a list of points with x, y and pressure.');
            }
            [$x, $y, $pressure] = $point;
            if (
                (! is_int($x) && ! is_float($x)) ||
                (! is_int($y) && ! is_float($y)) ||
                (! is_int($pressure) && ! is_float($pressure))
            ) {
                throw new \RangeException('A stroke is a list of points with x, y and pressure.');
            }
            $path[] = [(float) $x, (float) $y, (float) $pressure];
        }

        return $path === [] ? throw new \RangeException('The stroke has no points. Draw it again.') : new self($path);
    }

    /**
     * @param  array<int, array{float, float, float}>  $points
     * @return float px along them
     */
    public static function lengthOf(array $points): float
    {
        $length = 0.0;
        foreach (array_slice($points, 1) as $i => [$x, $y]) {
            $length += hypot($x - $points[$i][0], $y - $points[$i][1]);
        }

        return $length;
    }

    /**
     * @param  non-empty-list<array{float, float, float}>  $points
     * @param  float  $reach  px to every side
     */
    public static function around(array $points, float $reach): Rect
    {
        $xs = array_column($points, 0);
        $ys = array_column($points, 1);

        return Rect::bounds(
            (int) floor(min($xs) - $reach),
            (int) floor(min($ys) - $reach),
            (int) ceil(max($xs) + $reach),
            (int) ceil(max($ys) + $reach),
        );
    }

    /**
     * Drawn after the hand: each point goes only part of the way to where the hand is. At the end the path catches up.
     * A point closer to the last than a small part of the brush is taken as the same place, pressed as hard as the hand
     * pressed there at most: a tap whose pressure grows while the pen stands still keeps it. The browser's preview does
     * the same.
     *
     * @return non-empty-list<array{float, float, float}>
     */
    public function followed(Brush $brush): array
    {
        $apart = max(0.5, 0.06 * $brush->size);
        [$x, $y, $pressure] = $this->points[0];
        $path = [];
        $last = [$x, $y, $pressure];
        $step = 1 - $brush->smoothing;
        foreach ($this->points as [$px, $py, $pp]) {
            $x += ($px - $x) * $step;
            $y += ($py - $y) * $step;
            $pressure += ($pp - $pressure) * $step;
            if (hypot($x - $last[0], $y - $last[1]) >= $apart) {
                $path[] = $last;
                $last = [$x, $y, $pressure];
            } else {
                $last[2] = max($last[2], $pressure);
            }
        }
        $end = $this->points[count($this->points) - 1];
        if ($end[0] !== $last[0] || $end[1] !== $last[1]) {
            return [...$path, $last, $end];
        }
        if ($path === []) {
            // A tap goes nowhere, so nothing of it needs calming.
            return [[$last[0], $last[1], max(array_column($this->points, 2))]];
        }

        return [...$path, $last];
    }
}
