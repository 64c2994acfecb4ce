<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Colour\Tone;
use Awning\Core\Page\BlendMode;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Scope;

/**
 * Makes the picture out of a page's layers: in whole numbers where that is near enough, exactly where it is not.
 */
final readonly class Compositor
{
    public function __construct(private Tinting $tinting = new Tinting, private Painting $painting = new Painting)
    {
    }

    /** The finished, opaque picture of a rectangle of the page. */
    public function compose(PageStack $stack, Block $block): Pixels
    {
        $ground = new Ground($block, $stack->flats);
        $survey = new SurveyCanvas($ground->count);
        $this->lay($survey, $stack, $ground);
        $areas = $survey->exact();
        if ($areas?->count === $ground->count) {
            return $this->exactly($stack, $block);
        }
        $canvas = new FastCanvas(Pixels::paper($ground->count), $this->tinting, $this->painting);
        $this->lay($canvas, $stack, $ground);

        return $areas === null ? $canvas->pixels() : $canvas->pixels()->with($areas, $this->exactly($stack, new GatheredBlock($block, $areas)));
    }

    private function exactly(PageStack $stack, Block $block): Pixels
    {
        $canvas = new ExactCanvas(Pixels::paper($block->size()));
        $this->lay($canvas, $stack, new Ground($block, $stack->flats));

        return $canvas->pixels();
    }

    private function lay(Canvas $canvas, PageStack $stack, Ground $ground): void
    {
        $flatsFirst = $stack->flatsComeFirst();
        if ($flatsFirst) {
            $canvas->cover($ground->flats->bases());
        }
        foreach ($stack->planes as $plane) {
            $this->layAll($canvas, $plane->behind, $ground);
            if (! $flatsFirst) {
                $canvas->cover($ground->flats->inside(Scope::figure($plane->figure), Tone::Base));
            }
            $this->layAll($canvas, $plane->layers, $ground);
        }
        $this->layInk($canvas, $stack, $ground);
        $this->layAll($canvas, $stack->above, $ground);
    }

    /** The ink by itself, as an export has it. */
    public function layInk(Canvas $canvas, PageStack $stack, Ground $ground): void
    {
        $ink = $stack->showInk ? $ground->coverage(LayerName::ink()) : null;
        if ($ink === null) {
            return;
        }
        if ($stack->ink === []) {
            $canvas->tint([[0, $ground->count, $stack->inkColour]], $ink, BlendMode::Normal, 1.0);
        } else {
            $canvas->through($ink, $stack->inkColour, fn (Canvas $inner) => $this->layAll($inner, $stack->ink, $ground));
        }
    }

    /** @param  list<Layer>  $layers */
    private function layAll(Canvas $canvas, array $layers, Ground $ground): void
    {
        foreach ($layers as $layer) {
            $layer->lay($canvas, $ground);
        }
    }
}
