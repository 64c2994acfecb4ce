<?php

declare(strict_types=1);

namespace Awning\Core\Grade;

use Awning\Core\Colour\Oklab;

/** The darks, the middle or the lights of a picture. */
final readonly class Band
{
    /** @param  float  $share  0..1 of the picture's pixels */
    public function __construct(public float $share, public Oklab $colour)
    {
    }
}
