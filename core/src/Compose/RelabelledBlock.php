<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\LayerName;
use Awning\Core\Raster\Rect;

/** A block whose pixels belong to other regions than they do. */
final readonly class RelabelledBlock implements Block
{
    /** @param  string  $labels  two bytes a pixel */
    public function __construct(private Block $block, private string $labels)
    {
    }

    public function rect(): Rect
    {
        return $this->block->rect();
    }

    public function size(): int
    {
        return $this->block->size();
    }

    public function labels(): string
    {
        return $this->labels;
    }

    public function labelsAround(): ?string
    {
        return null;
    }

    public function coverage(LayerName $layer): ?string
    {
        return $this->block->coverage($layer);
    }

    public function paint(LayerName $layer): ?Pixels
    {
        return $this->block->paint($layer);
    }

    public function generated(callable $plane): string
    {
        return $this->block->generated($plane);
    }

    public function widened(int $margin): Block
    {
        throw new \LogicException('What lies about relabelled pixels is not known.');
    }
}
