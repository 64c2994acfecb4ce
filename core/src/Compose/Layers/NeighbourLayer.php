<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\ExactCanvas;

/**
 * A layer that looks at the pixels about each one. It is laid over the finished picture of everything that lies beneath
 * it, which is composed with a margin for that: so there is no seam between tiles, and what changes beneath it is seen
 * in it.
 */
interface NeighbourLayer
{
    public function isShown(): bool;

    /** @return int px beside a pixel that count for it, at the most */
    public function margin(): int;

    /** Lays it over the opaque picture that is there; the ground is a whole rectangle, row after row. */
    public function over(ExactCanvas $canvas, Ground $ground): void;
}
