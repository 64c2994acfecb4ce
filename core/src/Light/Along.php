<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Page\FlowLine;
use Awning\Core\Raster\Rect;

/** A line of straight pieces on a plane, beside which every place has a distance and a direction; its ends go on straight. */
final readonly class Along
{
    /** @param  non-empty-list<array{float, float}>  $points  px; two at least */
    public function __construct(private array $points)
    {
    }

    /** A direction of the page, as it lies on one place of it. */
    public static function on(FlowLine $line, Rect $page, Rect $where): self
    {
        return new self(array_map(fn (array $point): array => [$point[0] * $page->width - $where->x, $point[1] * $page->height - $where->y], $line->points));
    }

    /** The same on a plane so many times smaller. */
    public function smaller(float $by): self
    {
        return new self(array_map(fn (array $point): array => [$point[0] / $by, $point[1] / $by], $this->points));
    }

    /**
     * @param  float  $x  px from the left; the middle of a pixel lies at a half
     * @param  float  $y  px from the top
     * @return array{float, float, float, float} how far it lies to the right of the line as one follows it, px; how far it has come
     *                                           along; and where the line runs there: to the right, and down
     */
    public function at(float $x, float $y): array
    {
        $nearest = INF;
        $found = [0.0, 0.0, 1.0, 0.0];
        $before = 0.0;
        $last = count($this->points) - 2;
        foreach (array_slice($this->points, 0, -1) as $i => [$fromX, $fromY]) {
            [$dx, $dy] = [$this->points[$i + 1][0] - $fromX, $this->points[$i + 1][1] - $fromY];
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
