<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

/**
 * A part of a stroke between two of its points: a line whose width goes from one radius to another. What it lays on a
 * pixel depends on the pixel's distance from the line: all within the radius, falling off over the soft part of it.
 */
final readonly class Segment
{
    private float $dx;

    private float $dy;

    private float $squared;

    private float $least;

    private float $most;

    /** Width of the fall-off, at the thinner and at the thicker end; never less than a pixel. */
    private float $sharpest;

    /**
     * How wide it falls off at the least, in pixels; 0 where its radius changes faster than it goes on, as with a jump
     * of pressure: there is an edge then, however soft the brush.
     */
    public float $width;

    private float $softest;

    /**
     * @param  float  $ra  radius at the beginning, in pixels
     * @param  float  $rb  radius at the end
     * @param  float  $soft  the part of the radius over which it falls off, 0..1
     */
    public function __construct(
        private float $ax,
        private float $ay,
        private float $ra,
        float $bx,
        float $by,
        private float $rb,
        private float $soft,
    ) {
        $this->dx = $bx - $ax;
        $this->dy = $by - $ay;
        $this->squared = $this->dx * $this->dx + $this->dy * $this->dy;
        $this->least = min($ra, $rb) + 0.5;
        $this->most = max($ra, $rb) + 0.5;
        $this->sharpest = max(1.0, min($ra, $rb) * $soft);
        $this->width = $ra === $rb || abs($rb - $ra) <= 0.3 * sqrt($this->squared) ? $this->sharpest : 0.0;
        $this->softest = max(1.0, max($ra, $rb) * $soft);
    }

    /**
     * The least and the most that any pixel may get whose middle is within some distance of a place.
     *
     * @return array{float, float} coverage of 0..1
     */
    public function between(float $x, float $y, float $within): array
    {
        $px = $x - $this->ax;
        $py = $y - $this->ay;
        $t = $this->squared > 0 ? ($px * $this->dx + $py * $this->dy) / $this->squared : 0.0;
        $t = $t < 0 ? 0.0 : ($t > 1 ? 1.0 : $t);
        $ox = $px - $this->dx * $t;
        $oy = $py - $this->dy * $t;
        $distance = sqrt($ox * $ox + $oy * $oy);
        $low = ($this->least - $distance - $within) / $this->softest;
        $high = ($this->most - $distance + $within) / $this->sharpest;

        // The fall-off may be a straight line or a curve that lies below it first and above it then.
        return [
            $low <= 0 ? 0.0 : ($low >= 1 ? 1.0 : min($low, $low * $low * (3 - 2 * $low))),
            $high <= 0 ? 0.0 : ($high >= 1 ? 1.0 : max($high, $high * $high * (3 - 2 * $high))),
        ];
    }

    /**
     * How far inside the fall-off places in a grid lie: the most of this segment's share and of what is there. For a
     * wide fall-off. A share of 0 is outside, of 1 or more full; the curve between grows with it, so it is left to the
     * end.
     *
     * @param  list<float>  $grid  $count x $count shares
     * @return list<float>
     */
    public function overGrid(array $grid, int $left, int $top, int $stride, int $count): array
    {
        [$ax, $ay, $ra, $rb, $dx, $dy, $squared, $soft] = [
            $this->ax,
            $this->ay,
            $this->ra,
            $this->rb,
            $this->dx,
            $this->dy,
            $this->squared,
            $this->soft,
        ];
        $at = 0;
        $py = $top + 0.5 - $ay;
        for ($row = 0; $row < $count; $row++, $py += $stride) {
            $px = $left + 0.5 - $ax;
            for ($column = 0; $column < $count; $column++, $at++, $px += $stride) {
                $t = $squared > 0 ? ($px * $dx + $py * $dy) / $squared : 0.0;
                $t = $t < 0 ? 0.0 : ($t > 1 ? 1.0 : $t);
                $radius = $ra + ($rb - $ra) * $t;
                $ox = $px - $dx * $t;
                $oy = $py - $dy * $t;
                $share = ($radius + 0.5 - sqrt($ox * $ox + $oy * $oy)) / ($radius * $soft);
                if ($share > $grid[$at]) {
                    $grid[$at] = $share;
                }
            }
        }

        return $grid;
    }

    /**
     * Lays itself on a small square where it is more than what lies there.
     *
     * @param  string  $square  $side x $side bytes
     */
    public function over(string $square, int $left, int $top, int $side): string
    {
        [$ax, $ay, $ra, $rb, $dx, $dy, $squared, $soft] = [
            $this->ax,
            $this->ay,
            $this->ra,
            $this->rb,
            $this->dx,
            $this->dy,
            $this->squared,
            $this->soft,
        ];
        $at = 0;
        for ($y = 0; $y < $side; $y++) {
            $py = $top + $y + 0.5 - $ay;
            for ($x = 0; $x < $side; $x++, $at++) {
                $px = $left + $x + 0.5 - $ax;
                $t = $squared > 0 ? ($px * $dx + $py * $dy) / $squared : 0.0;
                $t = $t < 0 ? 0.0 : ($t > 1 ? 1.0 : $t);
                $radius = $ra + ($rb - $ra) * $t;
                $ox = $px - $dx * $t;
                $oy = $py - $dy * $t;
                $distance = $ox * $ox + $oy * $oy;
                $outer = $radius + 0.5;
                if ($distance >= $outer * $outer) {
                    continue;
                }
                $edge = $radius * $soft;
                $share = ($outer - sqrt($distance)) / ($edge > 1 ? $edge : 1.0);
                $value =
                    $share >= 1 ? 255 : (int) (255 * ($edge > 1 ? $share * $share * (3 - 2 * $share) : $share) + 0.5);
                if ($value > ord($square[$at])) {
                    $square[$at] = chr($value);
                }
            }
        }

        return $square;
    }
}
