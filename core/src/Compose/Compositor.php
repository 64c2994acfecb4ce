<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Colour\Tone;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Scope;

/**
 * Makes the picture out of a page's layers: in whole numbers where that is near enough, exactly where it is not.
 */
final readonly class Compositor
{
    /** The share of pixels from which on it is quicker to compose all exactly than to part them. */
    private const MOSTLY = 0.75;

    public function __construct(private Tinting $tinting = new Tinting, private Painting $painting = new Painting)
    {
    }

    /** The finished, opaque picture of a rectangle of the page. */
    public function compose(PageStack $stack, Block $block): Pixels
    {
        $picture = $this->hard($stack, $block);
        $edges = SoftEdges::in($block, $stack);

        return $edges === null ? $picture : $edges->soften($picture, $this->hard($stack, $edges->others($block)));
    }

    /** With every pixel its own region's alone. */
    private function hard(PageStack $stack, Block $block): Pixels
    {
        $ground = new Ground($block, $stack->flats);
        $survey = new SurveyCanvas($ground->count);
        $this->lay($survey, $stack, $ground);
        $exact = $survey->exact();
        if ($exact === null) {
            return $this->quickly($stack, $ground);
        }
        if ($exact->count > self::MOSTLY * $ground->count) {
            return $this->exactly($stack, $ground);
        }
        $others = $exact->others($ground->count);

        return Pixels::paper($ground->count)
            ->with($others, $this->quickly($stack, new Ground(new GatheredBlock($block, $others), $stack->flats)))
            ->with($exact, $this->exactly($stack, new Ground(new GatheredBlock($block, $exact), $stack->flats)));
    }

    private function quickly(PageStack $stack, Ground $ground): Pixels
    {
        $canvas = new FastCanvas($this->begin($stack, $ground), $this->tinting, $this->painting);
        $this->lay($canvas, $stack, $ground);

        return $canvas->pixels();
    }

    private function exactly(PageStack $stack, Ground $ground): Pixels
    {
        $canvas = new ExactCanvas($this->begin($stack, $ground));
        $this->lay($canvas, $stack, $ground);

        return $canvas->pixels();
    }

    /** What lies below all else, in whole numbers, which are right as long as nothing is mixed. */
    private function begin(PageStack $stack, Ground $ground): Pixels
    {
        $paper = Pixels::paper($ground->count);

        return $stack->flatsComeFirst() ? $this->tinting->cover($paper, $ground->flats->bases()) : $paper;
    }

    private function lay(Canvas $canvas, PageStack $stack, Ground $ground): void
    {
        $flatsFirst = $stack->flatsComeFirst();
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
        if ($stack->ink === [] && ! $stack->inkByTone) {
            $canvas->tint([[0, $ground->count, $stack->inkColour]], $ink, $stack->inkMode, 1.0);

            return;
        }
        $canvas->through($ink, $stack->inkColour, function (Canvas $inner) use ($stack, $ground): void {
            if ($stack->inkByTone) {
                $inner->cover($ground->flats->inside(Scope::page(), Tone::Line));
            }
            $this->layAll($inner, $stack->ink, $ground);
        }, $stack->inkMode);
    }

    /** @param  list<Layer>  $layers */
    private function layAll(Canvas $canvas, array $layers, Ground $ground): void
    {
        foreach ($layers as $layer) {
            $layer->lay($canvas, $ground);
        }
    }
}
