<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Light\Emission\Glow;
use Awning\Core\Light\Plan\PanelLight;

/** What a first light does to one figure of a page. */
final readonly class FigureLit
{
    /**
     * @param  PanelLight  $light  under the plan of the page
     * @param  ?Glow  $glow  of what shines
     * @param  array<int, PanelLight>  $panels  under other plans, by their ids
     */
    public function __construct(public PanelLight $light, public ?Glow $glow = null, public array $panels = [])
    {
    }
}
