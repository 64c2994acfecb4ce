<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Page\Bridge;

/** A bridge, in the page's places, and how sure it is that the drawing wants it. */
final readonly class FoundBridge
{
    /** @param  float  $score  0..1 */
    public function __construct(public Bridge $bridge, public float $score)
    {
    }
}
