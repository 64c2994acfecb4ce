<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Colour\Rgb;
use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Compose\Weather\LastPlane;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Rect;

/** Lays one colour through a coverage that is computed from the place on the page, inside its clip. */
abstract readonly class WeatherLayer extends PassLayer
{
    private LastPlane $last;

    public function __construct(string $id, PassSpec $spec, ?Mask $mask = null, ?PageSize $page = null)
    {
        parent::__construct($id, $spec, $mask, $page);
        $this->last = new LastPlane;
    }

    abstract protected function colour(): Rgb;

    /** @return string one byte a pixel of the rectangle */
    abstract protected function coverage(Rect $rect): string;

    final protected function put(Canvas $canvas, Ground $ground): void
    {
        $filled = $this->filled($ground);
        if ($filled !== null) {
            $canvas->tint(
                $this->turned([[0, $ground->count, $this->colour()->number()]]),
                Bytes::product($filled, $ground->generated($this->plane(...))),
                $this->spec->mode,
                $this->spec->opacity,
            );
        }
    }

    private function plane(Rect $rect): string
    {
        return $this->last->of($rect, $this->coverage(...));
    }
}
