<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Block;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\LayerName;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Rect;

/** What layers are laid over on one stretch of the page: its place, its flats, and the bytes of its layers. */
final readonly class Ground
{
    public FlatSpans $flats;

    public int $count;

    /** @param  array<int, Flat>  $flats  by label */
    public function __construct(private Block $block, array $flats)
    {
        $this->count = $block->size();
        $labels = $block->labels();
        $this->flats = new FlatSpans(
            $labels === null ? [[0, $this->count, 0]] : Labels::spans($labels),
            $flats,
            $this->count,
        );
    }

    /** Where on the page this is. */
    public function rect(): Rect
    {
        return $this->block->rect();
    }

    /** @return ?string one byte a pixel; null when it is empty here */
    public function coverage(LayerName $layer): ?string
    {
        return $this->block->coverage($layer);
    }

    /**
     * A plane that follows from the place on the page.
     *
     * @param  callable(Rect): string  $plane  of a whole rectangle, one byte a pixel
     */
    public function generated(callable $plane): string
    {
        return $this->block->generated($plane);
    }

    public function paint(LayerName $layer): ?Pixels
    {
        return $this->block->paint($layer);
    }
}
