<?php

declare(strict_types=1);

namespace Awning\Core\Exchange;

/** A figure with its materials. A plain list of colours is one figure without a name. */
final readonly class PaletteFigure
{
    /** @param  list<PaletteMaterial>  $materials */
    public function __construct(public string $name, public array $materials)
    {
    }
}
