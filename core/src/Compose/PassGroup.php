<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

/** Passes that are taken as one. Isolated, they blend among themselves first and only the result is blended below. */
final readonly class PassGroup implements Node
{
    /** @param  list<Node>  $children  bottom up */
    public function __construct(
        public array $children,
        public bool $isolated = true,
        public BlendMode $mode = BlendMode::Normal,
        public float $opacity = 1.0,
        public bool $visible = true,
    ) {
    }
}
