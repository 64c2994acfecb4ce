<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Compose\Block;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\LayerName;
use Awning\Core\Raster\Rect;

/** A block whose layers are already at hand. */
final readonly class PageBlock implements Block
{
    /**
     * @param  array<string, string>  $coverage  by layer name
     * @param  array<string, Pixels>  $paint  by layer name
     * @param  ?string  $around  labels of the rectangle and a pixel on every side
     */
    public function __construct(
        private Rect $rect,
        private ?string $labels = null,
        private array $coverage = [],
        private array $paint = [],
        private ?string $around = null,
    ) {
    }

    public function rect(): Rect
    {
        return $this->rect;
    }

    public function size(): int
    {
        return $this->rect->width * $this->rect->height;
    }

    public function labels(): ?string
    {
        return $this->labels;
    }

    public function labelsAround(): ?string
    {
        return $this->around;
    }

    public function coverage(LayerName $layer): ?string
    {
        return $this->coverage[$layer->value] ?? null;
    }

    public function paint(LayerName $layer): ?Pixels
    {
        return $this->paint[$layer->value] ?? null;
    }

    public function generated(callable $plane): string
    {
        return $plane($this->rect);
    }

    /** It is taken for the whole page. */
    public function widened(int $margin): self
    {
        return $this;
    }
}
