<?php

declare(strict_types=1);

namespace Awning\Core\Light\Plan;

use Awning\Core\Colour\Rgb;
use Awning\Core\Light\RoughIn;
use Awning\Core\Page\Data;
use Awning\Core\Raster\Rect;

/**
 * What one light plan does to a figure, where it stands under that: on the page, or in panels that have a plan of their
 * own.
 */
final readonly class PanelLight
{
    /**
     * @param  list<array{Rect, RoughIn}>  $pieces  places of the page and the light on each; around them there is
     *     nothing of the figure
     * @param  ?Rgb  $bounce  the colour of bounced light; null: the ambient light
     * @param  string  $name  of the plan, where it is not the page's
     */
    public function __construct(
        public LightPlan $plan,
        public array $pieces,
        public ?Rgb $bounce = null,
        public string $name = '',
    ) {
    }

    /** The name of a pass that has a colour of the plan. */
    public function named(string $pass): string
    {
        return $this->name === ''
            ? $pass
            : trim(mb_substr("$pass: ".preg_replace('/\p{C}+/u', ' ', $this->name), 0, Data::NAME));
    }
}
