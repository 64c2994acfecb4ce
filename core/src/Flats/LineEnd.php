<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Page\Region\Bridge;

/**
 * The tip of a stroke of ink, a corner that juts out, or a dot: where it is and which way it points (a unit vector; of
 * a dot nothing). The middle of a line of even width lies between two pixels: places are not rounded, so that a
 * mirrored drawing has mirrored ends.
 */
final readonly class LineEnd
{
    /**
     * @param  float  $x  px, from the left edge of the first pixel
     * @param  float  $bend  of a corner, how close the edge before and after it comes: in parts of the way over it, 1
     *     along a straight edge
     * @param  float  $farBend  the same twice as far from it: a round edge bends more there, a corner does not
     */
    public function __construct(
        public float $x,
        public float $y,
        public float $dx,
        public float $dy,
        public EndKind $kind = EndKind::Tip,
        public float $bend = 0.0,
        public float $farBend = 0.0,
    ) {
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
