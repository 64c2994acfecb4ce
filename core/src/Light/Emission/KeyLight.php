<?php

declare(strict_types=1);

namespace Awning\Core\Light\Emission;

/** A light so far away that it falls everywhere from one direction. */
final readonly class KeyLight
{
    /** @var array{float, float, float} to the light: right, up, toward the reader; of length 1 */
    public array $direction;

    /**
     * @param  float  $azimuth  degrees: 0 from the right, 90 from above, counter-clockwise
     * @param  float  $elevation  degrees: 0 from the side, 90 from the reader; below 0 from behind the page
     *
     * @throws \RangeException
     */
    public function __construct(public float $azimuth, public float $elevation)
    {
        if (! is_finite($azimuth) || ! ($elevation >= -90 && $elevation <= 90)) {
            throw new \RangeException('A light has an azimuth in degrees and an elevation from -90 to 90.');
        }
        $across = cos(deg2rad($elevation));
        $this->direction = [
            $across * cos(deg2rad($azimuth)),
            $across * sin(deg2rad($azimuth)),
            sin(deg2rad($elevation)),
        ];
    }
}
