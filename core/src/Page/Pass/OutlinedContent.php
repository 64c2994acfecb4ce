<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

/**
 * Weather that may have an outline in another colour, so that what is light shows on light and what is dark on dark: on
 * pages in black and white, say.
 */
interface OutlinedContent extends WeatherContent
{
    /** @return ?WeatherContent what shows around it; null: nothing */
    public function outline(): ?WeatherContent;
}
