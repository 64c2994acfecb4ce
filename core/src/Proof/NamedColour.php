<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Colour\Rgb;

/** A colour that others are held against. */
final readonly class NamedColour
{
    public function __construct(public string $name, public Rgb $colour)
    {
    }
}
