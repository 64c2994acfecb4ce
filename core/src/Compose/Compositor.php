<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Colour\Tone;
use Awning\Core\Compose\Blend\Painting;
use Awning\Core\Compose\Blend\Tinting;
use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Compose\Canvas\ExactCanvas;
use Awning\Core\Compose\Canvas\FastCanvas;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Compose\Canvas\SurveyCanvas;
use Awning\Core\Compose\Layers\Ground;
use Awning\Core\Compose\Layers\Layer;
use Awning\Core\Compose\Layers\NeighbourLayer;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Pass\Scope;

/**
 * Makes the picture out of a page's layers: in whole numbers where that is near enough, exactly where it is not.
 */
final readonly class Compositor
{
    /** The share of pixels from which on it is quicker to compose all exactly than to part them. */
    private const MOSTLY = 0.75;

    public function __construct(
        private Tinting $tinting = new Tinting,
        private Painting $painting = new Painting,
    ) {
    }

    /** The finished, opaque picture of a rectangle of the page. */
    public function compose(PageStack $stack, Block $block): Pixels
    {
        $margin = $stack->margin();
        $stretches = $this->stretches($stack);
        if ($margin > 0) {
            $wide = $block->widened($margin);

            return $this->widely($stack, $stretches, $wide)->pixels()->part($wide->rect(), $block->rect());
        }
        $picture = $this->hard($stack, $stretches[0][0], $block);
        $edges = SoftEdges::in($block, $stack);

        return $edges === null
            ? $picture
            : $edges->soften($picture, $this->hard($stack, $stretches[0][0], $edges->others($block)));
    }

    /**
     * Stretch by stretch, each over the finished picture of those beneath it: exactly, since what comes later may
     * enlarge what whole numbers miss.
     *
     * @param  non-empty-list<array{list<callable(Canvas, Ground): void>, ?NeighbourLayer}>  $stretches
     */
    private function widely(PageStack $stack, array $stretches, Block $block): ExactCanvas
    {
        $ground = new Ground($block, $stack->flats);
        $edges = SoftEdges::in($block, $stack);
        $other = $edges === null ? null : new Ground($edges->others($block), $stack->flats);
        $canvas = new ExactCanvas($this->begin($stack, $ground));
        $others = $other === null ? null : new ExactCanvas($this->begin($stack, $other));
        foreach ($stretches as [$steps, $last]) {
            self::lay($canvas, $steps, $ground);
            if ($edges !== null && $others !== null && $other !== null) {
                self::lay($others, $steps, $other);
                $canvas->mixIn($edges->areas, $others, $edges->shares);
            }
            if ($last !== null) {
                $last->over($canvas, $ground);
                $others = $edges === null ? null : $canvas->gathered($edges->areas);
            }
        }

        return $canvas;
    }

    /**
     * With every pixel its own region's alone: in whole numbers where that is near enough, exactly elsewhere.
     *
     * @param  list<callable(Canvas, Ground): void>  $steps
     */
    private function hard(PageStack $stack, array $steps, Block $block): Pixels
    {
        $ground = new Ground($block, $stack->flats);
        $survey = new SurveyCanvas($ground->count);
        self::lay($survey, $steps, $ground);
        $exact = $survey->exact();
        if ($exact === null) {
            return $this->quickly($stack, $steps, $ground);
        }
        if ($exact->count > self::MOSTLY * $ground->count) {
            return $this->exactly($stack, $steps, $ground);
        }
        $others = $exact->others($ground->count);

        return Pixels::paper($ground->count)
            ->with(
                $others,
                $this->quickly($stack, $steps, new Ground(new GatheredBlock($block, $others), $stack->flats)),
            )
            ->with(
                $exact,
                $this->exactly($stack, $steps, new Ground(new GatheredBlock($block, $exact), $stack->flats)),
            );
    }

    /** @param  list<callable(Canvas, Ground): void>  $steps */
    private function quickly(PageStack $stack, array $steps, Ground $ground): Pixels
    {
        $canvas = new FastCanvas($this->begin($stack, $ground), $this->tinting, $this->painting);
        self::lay($canvas, $steps, $ground);

        return $canvas->pixels();
    }

    /** @param  list<callable(Canvas, Ground): void>  $steps */
    private function exactly(PageStack $stack, array $steps, Ground $ground): Pixels
    {
        $canvas = new ExactCanvas($this->begin($stack, $ground));
        self::lay($canvas, $steps, $ground);

        return $canvas->pixels();
    }

    /** What lies below all else, in whole numbers, which are right as long as nothing is mixed. */
    private function begin(PageStack $stack, Ground $ground): Pixels
    {
        $paper = Pixels::paper($ground->count);

        return $stack->flatsComeFirst() ? $this->tinting->cover($paper, $ground->flats->bases()) : $paper;
    }

    /** @param  list<callable(Canvas, Ground): void>  $steps */
    private static function lay(Canvas $canvas, array $steps, Ground $ground): void
    {
        foreach ($steps as $step) {
            $step($canvas, $ground);
        }
    }

    /**
     * All that is laid, bottom up, cut where a layer looks at the pixels about each one: each stretch ends with one,
     * but the last.
     *
     * @return non-empty-list<array{list<callable(Canvas, Ground): void>, ?NeighbourLayer}>
     */
    private function stretches(PageStack $stack): array
    {
        $flatsFirst = $stack->flatsComeFirst();
        $done = $steps = [];
        foreach ($stack->planes as $plane) {
            self::take($plane->behind, $done, $steps);
            if (! $flatsFirst) {
                $steps[] = fn (Canvas $canvas, Ground $ground) => $canvas->cover(
                    $ground->flats->inside(Scope::figure($plane->figure), Tone::Base),
                );
            }
            self::take($plane->layers, $done, $steps);
        }
        $steps[] = fn (Canvas $canvas, Ground $ground) => $this->layInk($canvas, $stack, $ground);
        self::take($stack->above, $done, $steps);

        return [...$done, [$steps, null]];
    }

    /**
     * @param  list<Layer>  $layers
     * @param  list<array{list<callable(Canvas, Ground): void>, ?NeighbourLayer}>  $done
     * @param  list<callable(Canvas, Ground): void>  $steps
     */
    private static function take(array $layers, array &$done, array &$steps): void
    {
        foreach ($layers as $layer) {
            if (! ($layer instanceof NeighbourLayer)) {
                $steps[] = $layer->lay(...);
            } elseif ($layer->isShown()) {
                $done[] = [$steps, $layer];
                $steps = [];
            }
        }
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
        $canvas->through(
            $ink,
            $stack->inkColour,
            function (Canvas $inner) use ($stack, $ground): void {
                if ($stack->inkByTone) {
                    $inner->cover($ground->flats->inside(Scope::page(), Tone::Line));
                }
                $this->layAll($inner, $stack->ink, $ground);
            },
            $stack->inkMode,
        );
    }

    /** @param  list<Layer>  $layers */
    private function layAll(Canvas $canvas, array $layers, Ground $ground): void
    {
        foreach ($layers as $layer) {
            $layer->lay($canvas, $ground);
        }
    }
}
