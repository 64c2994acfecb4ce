<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Colour\Rgb;
use Awning\Core\Compose\Weather\Particles;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\ParticlesContent;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Rect;

/** Lays the colour of rain, snow and other small things. */
final readonly class ParticlesLayer extends WeatherLayer
{
    private ParticlesContent $content;

    /** The same for all tiles. */
    private Particles $particles;

    public function __construct(string $id, PassSpec $spec, ?Mask $mask = null, ?PageSize $page = null)
    {
        parent::__construct($id, $spec, $mask, $page);
        $this->content = $spec->content instanceof ParticlesContent
            ? $spec->content
            : throw new \LogicException('Another kind of pass.');
        $this->particles = new Particles($this->content, $page ?? new PageSize(1, 1));
    }

    protected function colour(): Rgb
    {
        return $this->content->colour;
    }

    protected function coverage(Rect $rect): string
    {
        return $this->particles->in($rect);
    }
}
