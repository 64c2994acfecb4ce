<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** A colour of a picture, and how much of it has it. */
final readonly class ColourShare
{
    /** @param  float  $share  0..1 */
    public function __construct(public Rgb $colour, public float $share)
    {
    }
}
