<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Flats\RegionGraph;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;

/** A page as finders look at it: what is dear to read is read when the first of them asks for it. */
final class ProofPage
{
    private ?RegionGraph $graphRead = null;

    private ?Labels $labelsRead = null;

    private ?Plane $inkRead = null;

    /**
     * @param  array<int, Region>  $regions  by label
     * @param  array<array-key, PassSpec>  $passes  by id
     * @param  float  $dpi  0: not known
     * @param  \Closure(int): ?int  $colour  0xRRGGBB of a region's base by its label; null where it has none
     * @param  \Closure(): RegionGraph  $graph
     * @param  \Closure(): Labels  $labels
     * @param  \Closure(): Plane  $ink
     */
    public function __construct(
        public readonly array $regions,
        public readonly array $passes,
        public readonly float $dpi,
        public readonly \Closure $colour,
        private readonly \Closure $graph,
        private readonly \Closure $labels,
        private readonly \Closure $ink,
    ) {
    }

    public function graph(): RegionGraph
    {
        return $this->graphRead ??= ($this->graph)();
    }

    public function labels(): Labels
    {
        return $this->labelsRead ??= ($this->labels)();
    }

    public function ink(): Plane
    {
        return $this->inkRead ??= ($this->ink)();
    }

    /** @return int pixels of all regions */
    public function area(): int
    {
        return array_sum(array_map(fn (Region $region): int => $region->area, $this->regions));
    }
}
