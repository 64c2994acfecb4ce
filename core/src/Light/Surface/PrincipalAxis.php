<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

/** How some pixels lie: their middle, and the direction in which they reach farthest (the first principal axis). */
final readonly class PrincipalAxis
{
    /**
     * @param  float  $x  of the middle, px from the left; the middle of a pixel lies at a half
     * @param  float  $y  from the top
     * @param  float  $right  of the axis
     */
    private function __construct(
        private float $x,
        private float $y,
        private float $right,
        private float $up,
        private int $width,
    ) {
    }

    /**
     * @param  non-empty-list<int>  $pixels  by number
     * @param  int  $width  of the plane
     */
    public static function of(array $pixels, int $width): self
    {
        $count = count($pixels);
        $x = array_sum(array_map(fn (int $at): int => $at % $width, $pixels)) / $count + 0.5;
        $y = array_sum(array_map(fn (int $at): int => intdiv($at, $width), $pixels)) / $count + 0.5;
        $middle = new self($x, $y, 1.0, 0.0, $width);
        $xx = $xy = $yy = 0.0;
        foreach ($pixels as $at) {
            [$right, $up] = $middle->from($at);
            $xx += $right * $right;
            $xy += $right * $up;
            $yy += $up * $up;
        }
        $angle = 0.5 * atan2(2 * $xy, $xx - $yy);

        return new self($x, $y, cos($angle), sin($angle), $width);
    }

    /** @return array{float, float} how far a pixel lies from the middle, to the right and up */
    public function from(int $at): array
    {
        return [($at % $this->width) + 0.5 - $this->x, $this->y - intdiv($at, $this->width) - 0.5];
    }

    /** @return array{float, float} along the axis, and across it */
    public function turned(float $right, float $up): array
    {
        return [$right * $this->right + $up * $this->up, $up * $this->right - $right * $this->up];
    }

    /** @return array{float, float} to the right and up */
    public function back(float $along, float $across): array
    {
        return [$along * $this->right - $across * $this->up, $along * $this->up + $across * $this->right];
    }

    public function axis(): DirectionField
    {
        return new DirectionField([[$this->x, $this->y], [$this->x + $this->right, $this->y - $this->up]]);
    }

    /** The axis as something hangs along it: downward. */
    public function hanging(): DirectionField
    {
        $down = $this->up > 0 ? -1 : 1;

        return new DirectionField([
            [$this->x, $this->y],
            [$this->x + $down * $this->right, $this->y - $down * $this->up],
        ]);
    }
}
