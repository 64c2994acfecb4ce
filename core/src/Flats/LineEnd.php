<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

/** The tip of a stroke of ink: where it ends and which way it was going (a unit vector). */
final readonly class LineEnd
{
    public function __construct(public int $x, public int $y, public float $dx, public float $dy)
    {
    }
}
