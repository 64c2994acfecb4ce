<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Page\Bridge;

/**
 * The tip of a stroke of ink, a corner that juts out, or a dot: where it is and which way it points (a unit vector; of a dot
 * nothing). The middle of a line of even width lies between two pixels: places are not rounded, so that a mirrored drawing has
 * mirrored ends.
 */
final readonly class LineEnd
{
    /** @param  float  $x  px, from the left edge of the first pixel */
    public function __construct(public float $x, public float $y, public float $dx, public float $dy, public EndKind $kind = EndKind::Tip)
    {
    }

    public function is(EndKind $kind): bool
    {
        return $this->kind === $kind;
    }

    public function bridgeTo(float $x, float $y): Bridge
    {
        return new Bridge((int) $this->x, (int) $this->y, (int) $x, (int) $y);
    }
}
