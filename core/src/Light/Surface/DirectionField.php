<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

use Awning\Core\Page\Region\FlowLine;
use Awning\Core\Page\Region\FlowLines;
use Awning\Core\Raster\Rect;

/**
 * Lines of straight pieces on a plane, beside which every place has a distance and a direction; their ends go on
 * straight. Between several of them the direction turns from one's to the other's.
 */
final readonly class DirectionField
{
    /** @var list<non-empty-list<array{float, float}>> */
    private array $lines;

    /** @param  non-empty-list<array{float, float}>  ...$lines  px; of each two points at least */
    public function __construct(array ...$lines)
    {
        $this->lines = array_values($lines);
    }

    /** A direction of the page, as it lies on one place of it. */
    public static function on(FlowLines $flow, Rect $page, Rect $where): self
    {
        return new self(
            ...array_map(
                fn (FlowLine $line): array => array_map(
                    fn (array $point): array => [
                        $point[0] * $page->width - $where->x,
                        $point[1] * $page->height - $where->y,
                    ],
                    $line->points,
                ),
                $flow->lines,
            ),
        );
    }

    /** The same on a plane so many times smaller. */
    public function smaller(float $by): self
    {
        return new self(
            ...array_map(
                fn (array $line): array => array_map(
                    fn (array $point): array => [$point[0] / $by, $point[1] / $by],
                    $line,
                ),
                $this->lines,
            ),
        );
    }

    /**
     * @param  float  $x  px from the left; the middle of a pixel lies at a half
     * @param  float  $y  px from the top
     * @return array{float, float, float, float} how far it lies to the right of the nearest line as one follows it, px;
     *     how far it has come along; and where lines run there: to the right, and down
     */
    public function at(float $x, float $y): array
    {
        if (count($this->lines) === 1) {
            return self::beside($this->lines[0], $x, $y);
        }
        $places = array_map(fn (array $line): array => self::beside($line, $x, $y), $this->lines);
        usort($places, fn (array $a, array $b): int => abs($a[0]) <=> abs($b[0]));
        [$aside, $come, $dx, $dy] = $places[0];
        $right = $down = 0.0;
        foreach ($places as [$away, , $alongX, $alongY]) {
            // Strands have no beginning: one that was drawn the other way round runs the same way. Each counts by the
            // square of how near it is (inverse distance weighting, Shepard 1968).
            $counts = ($alongX * $dx + $alongY * $dy < 0 ? -1 : 1) / ($away ** 2 + 1);
            $right += $counts * $alongX;
            $down += $counts * $alongY;
        }
        $length = hypot($right, $down);

        return [$aside, $come, $right / $length, $down / $length];
    }

    /**
     * @param  non-empty-list<array{float, float}>  $points
     * @return array{float, float, float, float}
     */
    private static function beside(array $points, float $x, float $y): array
    {
        $nearest = INF;
        $found = [0.0, 0.0, 1.0, 0.0];
        $before = 0.0;
        $last = count($points) - 2;
        foreach (array_slice($points, 0, -1) as $i => [$fromX, $fromY]) {
            [$dx, $dy] = [$points[$i + 1][0] - $fromX, $points[$i + 1][1] - $fromY];
            $length = max(1e-9, hypot($dx, $dy));
            [$dx, $dy] = [$dx / $length, $dy / $length];
            $come = ($x - $fromX) * $dx + ($y - $fromY) * $dy;
            $come = max($i === 0 ? -INF : 0.0, min($i === $last ? INF : $length, $come));
            [$offX, $offY] = [$x - $fromX - $come * $dx, $y - $fromY - $come * $dy];
            $away = hypot($offX, $offY);
            if ($away < $nearest) {
                $nearest = $away;
                $side = $dx * $offY - $dy * $offX;
                $found = [$side < 0 ? -$away : $away, $before + $come, $dx, $dy];
            }
            $before += $length;
        }

        return $found;
    }
}
