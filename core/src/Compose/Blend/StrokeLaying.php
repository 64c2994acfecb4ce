<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Blend;

use Awning\Core\Colour\Rgb;
use Awning\Core\Compose\Canvas\Areas;
use Awning\Core\Compose\Canvas\ExactCanvas;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\Pass\BlendMode;

/** Adds a stroke to what a layer holds, or takes it away. Strokes accumulate over each other. */
final readonly class StrokeLaying
{
    public function __construct(private Tinting $tinting = new Tinting)
    {
    }

    /** Coverage moved toward full. */
    public function add(string $layer, string $stroke, float $opacity): string
    {
        return $this->tinting->plane($layer, $stroke, 255, $opacity);
    }

    /** Coverage, or alpha, moved toward nothing. */
    public function remove(string $layer, string $stroke, float $opacity): string
    {
        return $this->tinting->plane($layer, $stroke, 0, $opacity);
    }

    public function paint(Pixels $layer, string $stroke, Rgb $colour, float $opacity): Pixels
    {
        $areas = Areas::where($stroke);
        $canvas = new ExactCanvas($layer->gathered($areas));
        $canvas->tint([[0, $areas->count, $colour->number()]], $areas->cut($stroke), BlendMode::Normal, $opacity);

        return $layer->with($areas, $canvas->pixels());
    }
}
