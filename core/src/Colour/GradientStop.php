<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** A colour of a gradient, and where it stands between the gradient's ends. */
final readonly class GradientStop
{
    /**
     * @param  float  $at  0..1
     * @param  float  $alpha  0..1
     */
    public function __construct(public float $at, public Rgb $colour, public float $alpha = 1.0)
    {
    }
}
