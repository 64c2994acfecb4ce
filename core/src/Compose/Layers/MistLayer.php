<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Colour\Rgb;
use Awning\Core\Compose\Weather\Mist;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\MistContent;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Rect;

/** Lays the colour of a mist. */
final readonly class MistLayer extends WeatherLayer
{
    private MistContent $content;

    public function __construct(string $id, PassSpec $spec, ?Mask $mask = null, ?PageSize $page = null)
    {
        parent::__construct($id, $spec, $mask, $page);
        $this->content = $spec->content instanceof MistContent
            ? $spec->content
            : throw new \LogicException('Another kind of pass.');
    }

    protected function colour(): Rgb
    {
        return $this->content->colour;
    }

    protected function coverage(Rect $rect): string
    {
        return (new Mist($this->content, $this->page ?? new PageSize(1, 1)))->in($rect);
    }
}
