<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Compose\Layers\Layer;

/** One figure in the depth of the page: what lies behind it, its flats, its passes. */
final readonly class DepthPlane
{
    /**
     * @param  int  $figure  0 for regions that belong to none
     * @param  list<Layer>  $layers  over the figure's flats, bottom up
     * @param  list<Layer>  $behind  over everything farther away, and hidden by this figure's flats: mist, weather
     * @param  bool  $spills  whether a layer reaches beyond the figure's own flats
     */
    public function __construct(
        public int $figure,
        public array $layers = [],
        public array $behind = [],
        public bool $spills = false,
    ) {
    }

    /** Whether the flats of nearer figures may as well be laid before this plane's layers. */
    public function keepsToItself(): bool
    {
        return $this->behind === [] && ! $this->spills;
    }
}
