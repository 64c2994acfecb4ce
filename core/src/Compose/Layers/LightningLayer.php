<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Colour\Rgb;
use Awning\Core\Compose\Weather\Lightning;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\LightningContent;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Rect;

/** Lays the colour of a stroke of lightning. */
final readonly class LightningLayer extends WeatherLayer
{
    private LightningContent $content;

    /** The same for all tiles. */
    private Lightning $lightning;

    public function __construct(string $id, PassSpec $spec, ?Mask $mask = null, ?PageSize $page = null)
    {
        parent::__construct($id, $spec, $mask, $page);
        $this->content = $spec->content instanceof LightningContent
            ? $spec->content
            : throw new \LogicException('Another kind of pass.');
        $this->lightning = new Lightning($this->content, $page ?? new PageSize(1, 1));
    }

    protected function colour(): Rgb
    {
        return $this->content->colour;
    }

    protected function coverage(Rect $rect): string
    {
        return $this->lightning->in($rect);
    }
}
