<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

/** What a region of the flats is made of: its figure, its material and that material's tones. */
final readonly class Flat
{
    /**
     * @param  array<string, int>  $tones  tone name => 0xRRGGBB, all six
     * @param  array<string, int>  $light  part of the light => 0xRRGGBB, where it stands in another light than the page
     */
    public function __construct(public int $figure, public int $material, public array $tones, public array $light = [])
    {
    }
}
