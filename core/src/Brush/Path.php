<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

/** Where a stroke went: points with pressure of 0..1, in pixels of the page; pixel middles lie at halves. */
final readonly class Path
{
    public const MOST_POINTS = 20_000;

    /**
     * @param  non-empty-list<array{float, float, float}>  $points  x, y, pressure
     *
     * @throws \RangeException when there are too many points or one is not a place near a page
     */
    public function __construct(public array $points)
    {
        if (count($points) > self::MOST_POINTS) {
            throw new \RangeException('A stroke has at most '.self::MOST_POINTS.' points. Lift the pen once in a while.');
        }
        foreach ($points as [$x, $y, $pressure]) {
            if (! (abs($x) < 100_000 && abs($y) < 100_000 && $pressure >= 0 && $pressure <= 1)) {
                throw new \RangeException('A stroke went far off the page or had a pressure outside 0 to 1.');
            }
        }
    }

    /**
     * Drawn after the hand: each point goes only part of the way to where the hand is. At the end the path catches up.
     * Points closer together than a small part of the brush are left out. The browser's preview does the same.
     *
     * @return non-empty-list<array{float, float, float}>
     */
    public function followed(Brush $brush): array
    {
        $apart = max(0.5, 0.06 * $brush->size);
        [$x, $y, $pressure] = $this->points[0];
        $path = [[$x, $y, $pressure]];
        $step = 1 - $brush->smoothing;
        foreach ($this->points as [$px, $py, $pp]) {
            $x += ($px - $x) * $step;
            $y += ($py - $y) * $step;
            $pressure += ($pp - $pressure) * $step;
            $last = $path[count($path) - 1];
            if (hypot($x - $last[0], $y - $last[1]) >= $apart) {
                $path[] = [$x, $y, $pressure];
            }
        }
        $end = $this->points[count($this->points) - 1];
        $last = $path[count($path) - 1];
        if ($end[0] !== $last[0] || $end[1] !== $last[1]) {
            $path[] = $end;
        }

        return $path;
    }
}
