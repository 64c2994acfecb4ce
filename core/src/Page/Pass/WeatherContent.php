<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Rgb;

/** One colour, where a plane that is computed from the place on the page and a seed covers. */
interface WeatherContent extends PassContent
{
    public function colour(): Rgb;
}
