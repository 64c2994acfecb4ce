<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

/** What a page uses of its series' palette: the completed tones of each material, whose it is, and who stands before whom. */
final readonly class Palette
{
    /**
     * @param  array<int, array<string, int>>  $materials  material id => tone name => 0xRRGGBB
     * @param  array<int, int>  $figureOf  material id => figure id
     * @param  list<int>  $depths  figure ids, farthest first
     */
    public function __construct(public array $materials, public array $figureOf = [], public array $depths = [])
    {
    }
}
