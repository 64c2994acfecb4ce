<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Colour\Rgb;

/** How a material looks on one page, and how much of the page it has. */
final readonly class ColourOnPage
{
    /** @param  float  $share  of the page's area, 0..1, without what ink covers */
    public function __construct(public Rgb $colour, public float $share)
    {
    }
}
