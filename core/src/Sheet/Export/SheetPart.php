<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Export;

use Awning\Core\Compose\Block;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\LayerName;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\Painting\LayerWindow;
use Awning\Core\Sheet\Sheet;

/**
 * Any rectangle of a sheet, for the compositor: what a tile's neighbours have a say in is composed over several tiles.
 */
final readonly class SheetPart implements Block
{
    /** @param  Rect  $rect  on the page */
    public function __construct(private Sheet $sheet, private Rect $rect)
    {
    }

    public function rect(): Rect
    {
        return $this->rect;
    }

    public function size(): int
    {
        return $this->rect->width * $this->rect->height;
    }

    public function labels(): string
    {
        return (new LayerWindow($this->sheet, LayerName::flats()))->read($this->rect);
    }

    public function labelsAround(): string
    {
        return (new LayerWindow($this->sheet, LayerName::flats()))->readHeld($this->rect->grown(1));
    }

    public function coverage(LayerName $layer): ?string
    {
        $coverage = (new LayerWindow($this->sheet, $layer))->read($this->rect);

        return Bytes::isNothing($coverage) ? null : $coverage;
    }

    public function paint(LayerName $layer): ?Pixels
    {
        /** @var array{string, string, string, string} $planes */
        $planes = array_map(
            fn (LayerWindow $plane): string => $plane->read($this->rect),
            LayerWindow::planes($this->sheet, $layer),
        );

        return Bytes::isNothing($planes[3]) ? null : new Pixels($this->size(), ...$planes);
    }

    public function generated(callable $plane): string
    {
        return $plane($this->rect);
    }

    public function widened(int $margin): self
    {
        return new self($this->sheet, $this->rect->grown($margin)->intersect($this->sheet->rect()));
    }
}
