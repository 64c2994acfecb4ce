<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

/** The tones of the materials a page uses, completed. */
final readonly class Palette
{
    /** @param  array<int, array<string, int>>  $materials  material id => tone name => 0xRRGGBB */
    public function __construct(public array $materials)
    {
    }
}
