<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\State;

/** What one must be allowed to do for an op, or to take it back. */
enum Right: string
{
    /** Bring in line art, fill regions. */
    case Flat = 'flat';

    /** Paint, and alter passes. */
    case Colour = 'colour';
}
