<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Compose\Weather\LastPlane;
use Awning\Core\Compose\Weather\WeatherKinds;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\OutlinedContent;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\WeatherContent;
use Awning\Core\Raster\Bytes;

/**
 * Lays one colour through a coverage that is computed from the place on the page, inside its clip; and another one
 * around it, where the weather has an outline.
 */
final readonly class WeatherLayer extends PassLayer
{
    private int $colour;

    /** The same for all tiles. */
    private LastPlane $plane;

    private ?WeatherContent $around;

    private ?LastPlane $larger;

    public function __construct(string $id, PassSpec $spec, ?Mask $mask = null, ?PageSize $page = null)
    {
        parent::__construct($id, $spec, $mask, $page);
        $content = $spec->content instanceof WeatherContent
            ? $spec->content
            : throw new \LogicException('Another kind of pass.');
        $this->colour = $content->colour()->number();
        $page ??= new PageSize(1, 1);
        $this->plane = new LastPlane(WeatherKinds::plane($content, $page));
        $this->around = $content instanceof OutlinedContent ? $content->outline() : null;
        $this->larger = $this->around === null ? null : new LastPlane(WeatherKinds::plane($this->around, $page));
    }

    protected function put(Canvas $canvas, Ground $ground): void
    {
        $filled = $this->filled($ground);
        if ($filled === null) {
            return;
        }
        $covered = $ground->generated($this->plane->in(...));
        if ($this->around !== null && $this->larger !== null) {
            // Outside of it alone: what is laid half transparent shows no outline through itself.
            $outside = strtr($covered, Bytes::identity(), strrev(Bytes::identity()));
            $ring = Bytes::product($outside, $ground->generated($this->larger->in(...)));
            $this->tint($canvas, $ground, $this->around->colour()->number(), Bytes::product($filled, $ring));
        }
        $this->tint($canvas, $ground, $this->colour, Bytes::product($filled, $covered));
    }

    private function tint(Canvas $canvas, Ground $ground, int $colour, string $coverage): void
    {
        $canvas->tint(
            $this->turned([[0, $ground->count, $colour]]),
            $coverage,
            $this->spec->mode,
            $this->spec->opacity,
        );
    }
}
