<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;

final readonly class FlatsResult
{
    /**
     * @param  array<int, Region>  $regions  unfilled, by label, in order
     * @param  list<Bridge>  $bridges
     * @param  array<string, float>  $milliseconds  by step
     * @param  list<Bridge>  $doubtful  bridges that were not made, and are worth a look
     * @param  bool  $isNoise  whether the page has no lines that could bound anything; then it is one region
     */
    public function __construct(
        public Labels $labels,
        public array $regions,
        public array $bridges,
        public array $milliseconds,
        public array $doubtful = [],
        public bool $isNoise = false,
    ) {
    }
}
