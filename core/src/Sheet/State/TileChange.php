<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\State;

use Awning\Core\Page\LayerName;

/** One tile before and after; null is an empty tile. */
final readonly class TileChange
{
    public function __construct(
        public LayerName $layer,
        public int $column,
        public int $row,
        public ?string $before,
        public ?string $after,
    ) {
    }
}
