<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Compose\Canvas\Areas;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\LayerName;
use Awning\Core\Raster\Rect;

/**
 * Only some of a block's pixels, moved together: compositing knows no neighbours, so a few can be done by themselves.
 */
final readonly class GatheredBlock implements Block
{
    public function __construct(private Block $block, private Areas $areas)
    {
    }

    /** The whole block's: what follows from the place is computed before pixels are gathered. */
    public function rect(): Rect
    {
        return $this->block->rect();
    }

    public function size(): int
    {
        return $this->areas->count;
    }

    public function labels(): ?string
    {
        $labels = $this->block->labels();

        return $labels === null ? null : $this->areas->cut($labels, 2);
    }

    public function labelsAround(): ?string
    {
        return null;
    }

    public function coverage(LayerName $layer): ?string
    {
        $coverage = $this->block->coverage($layer);

        return $coverage === null ? null : $this->areas->cut($coverage);
    }

    public function paint(LayerName $layer): ?Pixels
    {
        return $this->block->paint($layer)?->gathered($this->areas);
    }

    public function generated(callable $plane): string
    {
        return $this->areas->cut($this->block->generated($plane));
    }

    public function widened(int $margin): Block
    {
        throw new \LogicException('Some pixels of a block have no neighbours.');
    }
}
