<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/**
 * A curve through points that never overshoots: piecewise cubic Hermite interpolation with the slopes of Fritsch and
 * Butland (1984), at the ends the three-point slope that keeps the shape, as in SciPy's PchipInterpolator. Constant
 * beyond its ends.
 */
final readonly class MonotoneCurve
{
    /** @var list<float> */
    private array $slopes;

    /**
     * @param  non-empty-list<array{float, float}>  $points  from and to, two at the least, the first ever larger
     *
     * @throws \InvalidArgumentException
     */
    public function __construct(private array $points)
    {
        if (count($points) < 2) {
            throw new \InvalidArgumentException('A curve goes through two points at the least.');
        }
        $widths = $steps = [];
        foreach (array_slice($points, 1) as $i => [$x, $y]) {
            $widths[] = $width = $x - $points[$i][0];
            if (! ($width > 0)) {
                throw new \InvalidArgumentException('The points of a curve go from left to right.');
            }
            $steps[] = ($y - $points[$i][1]) / $width;
        }
        $last = count($steps) - 1;
        if ($last === 0) {
            $this->slopes = [$steps[0], $steps[0]];

            return;
        }
        $slopes = [self::atEnd($widths[0], $widths[1], $steps[0], $steps[1])];
        for ($i = 1; $i <= $last; $i++) {
            [$before, $after] = [$steps[$i - 1], $steps[$i]];
            [$left, $right] = [2 * $widths[$i] + $widths[$i - 1], $widths[$i] + 2 * $widths[$i - 1]];
            $slopes[] = $before * $after > 0 ? ($left + $right) / ($left / $before + $right / $after) : 0.0;
        }
        $slopes[] = self::atEnd($widths[$last], $widths[$last - 1], $steps[$last], $steps[$last - 1]);
        $this->slopes = $slopes;
    }

    public function at(float $x): float
    {
        $last = count($this->points) - 1;
        if ($x <= $this->points[0][0] || $x >= $this->points[$last][0]) {
            return $this->points[$x <= $this->points[0][0] ? 0 : $last][1];
        }
        for ($i = 0; $x > $this->points[$i + 1][0];) {
            $i++;
        }
        [[$x0, $y0], [$x1, $y1]] = [$this->points[$i], $this->points[$i + 1]];
        $width = $x1 - $x0;
        $t = ($x - $x0) / $width;
        [$leaves, $arrives] = [$width * $this->slopes[$i], $width * $this->slopes[$i + 1]];

        return $y0 +
            $t *
                ($leaves +
                    $t * (3 * ($y1 - $y0) - 2 * $leaves - $arrives + $t * ($leaves + $arrives - 2 * ($y1 - $y0))));
    }

    private static function atEnd(float $width, float $next, float $step, float $nextStep): float
    {
        $slope = ((2 * $width + $next) * $step - $width * $nextStep) / ($width + $next);

        return match (true) {
            $slope * $step <= 0 => 0.0,
            $step * $nextStep <= 0 && abs($slope) > 3 * abs($step) => 3 * $step,
            default => $slope,
        };
    }
}
