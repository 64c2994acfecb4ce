<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Raster\Labels;

/** Makes the picture out of a page's layers. */
final readonly class Compositor
{
    public const INK = 'ink';

    public function __construct(private Tinting $tinting = new Tinting, private Painting $painting = new Painting)
    {
    }

    /** The finished, opaque picture of a stretch of the page. */
    public function compose(PageStack $stack, Block $block): Pixels
    {
        $count = $block->size();
        $flats = $this->spans($stack, $block);
        $pixels = $flats->lay(Pixels::paper($count));
        $pixels = $this->layAll($pixels, $stack->figures, $flats, $block);
        $pixels = $this->layInk($pixels, $stack, $flats, $block);

        return $this->layAll($pixels, $stack->above, $flats, $block);
    }

    private function layInk(Pixels $pixels, PageStack $stack, FlatSpans $flats, Block $block): Pixels
    {
        $ink = $stack->showInk ? $block->coverage(self::INK) : null;
        if ($ink === null) {
            return $pixels;
        }
        if ($stack->ink === []) {
            return $this->tinting->lay($pixels, [[0, $pixels->count, $stack->inkColour]], $ink, BlendMode::Normal, 1.0);
        }
        $colours = $this->holds($stack, $flats, $block);

        return $this->painting->over($pixels, new Pixels($pixels->count, $colours->red, $colours->green, $colours->blue, $ink), BlendMode::Normal, 1.0);
    }

    /** The colours the ink has, as if it covered every pixel. */
    public function inkColours(PageStack $stack, Block $block): Pixels
    {
        return $this->holds($stack, $this->spans($stack, $block), $block);
    }

    private function holds(PageStack $stack, FlatSpans $flats, Block $block): Pixels
    {
        $whole = [[0, $block->size(), $stack->inkColour]];

        return $this->layAll($this->tinting->lay(Pixels::paper($block->size()), $whole, null, BlendMode::Normal, 1.0), $stack->ink, $flats, $block);
    }

    private function spans(PageStack $stack, Block $block): FlatSpans
    {
        $labels = $block->labels();

        return new FlatSpans($labels === null ? [[0, $block->size(), 0]] : Labels::spans($labels), $stack->flats, $block->size());
    }

    /** @param  list<Node>  $nodes */
    private function layAll(Pixels $pixels, array $nodes, FlatSpans $flats, Block $block): Pixels
    {
        foreach ($nodes as $node) {
            if ($node instanceof Pass && $node->visible && $node->opacity > 0) {
                $pixels = $this->layPass($pixels, $node, $flats, $block);
            } elseif ($node instanceof PassGroup && $node->visible && $node->opacity > 0) {
                $pixels = $this->layGroup($pixels, $node, $flats, $block);
            }
        }

        return $pixels;
    }

    private function layGroup(Pixels $pixels, PassGroup $group, FlatSpans $flats, Block $block): Pixels
    {
        if ($group->isolated) {
            $alone = $this->layAll(Pixels::clear($pixels->count), $group->children, $flats, $block);

            return $this->painting->over($pixels, $alone, $group->mode, $group->opacity);
        }
        $after = $this->layAll($pixels, $group->children, $flats, $block);

        return $group->opacity >= 1.0 ? $after : $this->painting->between($pixels, $after, $group->opacity);
    }

    private function layPass(Pixels $pixels, Pass $pass, FlatSpans $flats, Block $block): Pixels
    {
        if ($pass->colour === null) {
            $paint = $block->paint($pass->layer);

            return $paint === null ? $pixels : $this->painting->over($pixels, $flats->clip($paint, $pass->scope), $pass->mode, $pass->opacity);
        }
        $coverage = $block->coverage($pass->layer);
        if ($coverage === null) {
            return $pixels;
        }
        $spans = $flats->inside($pass->scope, $pass->colour);
        if ($pixels->alpha === null) {
            return $this->tinting->lay($pixels, $spans, $coverage, $pass->mode, $pass->opacity);
        }

        return $this->painting->over($pixels, $flats->coloured($spans, $coverage), $pass->mode, $pass->opacity);
    }
}
