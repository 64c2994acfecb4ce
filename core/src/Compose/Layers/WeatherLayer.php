<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Compose\Weather\LastPlane;
use Awning\Core\Compose\Weather\WeatherKinds;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\WeatherContent;
use Awning\Core\Raster\Bytes;

/** Lays one colour through a coverage that is computed from the place on the page, inside its clip. */
final readonly class WeatherLayer extends PassLayer
{
    private int $colour;

    /** The same for all tiles. */
    private LastPlane $plane;

    public function __construct(string $id, PassSpec $spec, ?Mask $mask = null, ?PageSize $page = null)
    {
        parent::__construct($id, $spec, $mask, $page);
        $content = $spec->content instanceof WeatherContent
            ? $spec->content
            : throw new \LogicException('Another kind of pass.');
        $this->colour = $content->colour()->number();
        $this->plane = new LastPlane(WeatherKinds::plane($content, $page ?? new PageSize(1, 1)));
    }

    protected function put(Canvas $canvas, Ground $ground): void
    {
        $filled = $this->filled($ground);
        if ($filled !== null) {
            $canvas->tint(
                $this->turned([[0, $ground->count, $this->colour]]),
                Bytes::product($filled, $ground->generated($this->plane->in(...))),
                $this->spec->mode,
                $this->spec->opacity,
            );
        }
    }
}
