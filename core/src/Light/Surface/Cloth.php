<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

/**
 * Hanging cloth: folds that run along it, some three to its width, each its own a little, and deeper the farther they
 * hang. The slope across is that of two waves that wander,
 *
 *     0.65 sin(2π u / p + 0.9 sin(π v / w)) + 0.35 sin(2π u / 0.62 p + 1.1 + 0.7 sin(1.6 π v / w)),
 *
 * u across and v along the cloth, w its width and p a third of that. The formula is ours.
 */
final readonly class Cloth
{
    private const FOLDS = 3;

    /** The sine of the steepest slope. */
    private const STEEPEST = 0.75;

    /** What hangs at the top is so much of that. */
    private const AT_TOP = 0.35;

    /**
     * @param  float  $width  px across
     * @param  float  $length  px along
     */
    public function __construct(private float $width, private float $length)
    {
    }

    /**
     * @param  float  $across  px from one side
     * @param  float  $along  px from where it hangs
     * @return float the slope across, -1 to 1: below 0 it faces the side it is counted from
     */
    public function slope(float $across, float $along): float
    {
        $pitch = 2 * M_PI * $across / ($this->width / self::FOLDS);
        $wander = M_PI * $along / $this->width;
        $wave = 0.65 * sin($pitch + 0.9 * sin($wander)) + 0.35 * sin($pitch / 0.62 + 1.1 + 0.7 * sin(1.6 * $wander));
        $hung = max(0.0, min(1.0, $along / $this->length));

        return self::STEEPEST * $wave * (self::AT_TOP + (1 - self::AT_TOP) * $hung);
    }
}
