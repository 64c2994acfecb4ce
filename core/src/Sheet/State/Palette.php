<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\State;

use Awning\Core\Light\Plan\LightColours;

/**
 * What a page uses of its series' palette: the completed tones of each material, whose it is, and who stands before
 * whom.
 */
final readonly class Palette
{
    /**
     * @param  array<int, array<string, int>>  $materials  material id => tone name => 0xRRGGBB
     * @param  array<int, int>  $figureOf  material id => figure id
     * @param  list<int>  $depths  figure ids, farthest first
     * @param  array<int, array<int, array<string, int>>>  $variants  variant id => material id => tones, only where
     *     they differ; under 0 the palette's own, where the page wears a variant
     * @param  array<int, true>  $soft  figures whose outer edge is softened by a pixel
     * @param  ?LightColours  $light  what tints may follow; null: they show their own colours
     * @param  array<int, LightColours>  $lights  light plan id => what tints may follow in regions that stand under it
     * @param  array<int, self>  $under  light plan id => the palette for regions that stand under it, where that
     *     derives other tones
     */
    public function __construct(
        public array $materials,
        public array $figureOf = [],
        public array $depths = [],
        public array $variants = [],
        public array $soft = [],
        public ?LightColours $light = null,
        public array $lights = [],
        public array $under = [],
    ) {
    }

    /**
     * @param  ?int  $variant  null: as the page shows it
     * @param  ?int  $plan  the light plan it stands under; null: as the page does
     * @return ?array<string, int> the tones of a material; null when it is not in the palette
     */
    public function tones(int $material, ?int $variant = null, ?int $plan = null): ?array
    {
        $under = $this->under[$plan ?? 0] ?? null;
        if ($under !== null) {
            return $under->tones($material, $variant);
        }

        return ($variant === null ? null : $this->variants[$variant][$material] ?? null) ??
            ($this->materials[$material] ?? null);
    }
}
