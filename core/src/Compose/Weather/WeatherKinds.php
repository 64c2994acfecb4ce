<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Weather;

use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\LightningContent;
use Awning\Core\Page\Pass\MistContent;
use Awning\Core\Page\Pass\ParticlesContent;
use Awning\Core\Page\Pass\ShaftsContent;
use Awning\Core\Page\Pass\WeatherContent;

/** Which plane is made of which weather. A new weather is a line here. */
final class WeatherKinds
{
    public static function plane(WeatherContent $content, PageSize $page): Plane
    {
        return match (true) {
            $content instanceof MistContent => new Mist($content, $page),
            $content instanceof ParticlesContent => new Particles($content, $page),
            $content instanceof LightningContent => new Lightning($content, $page),
            $content instanceof ShaftsContent => new Shafts($content, $page),
            default => throw new \LogicException('No plane is made of this weather.'),
        };
    }
}
