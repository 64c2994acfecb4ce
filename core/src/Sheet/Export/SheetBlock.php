<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Export;

use Awning\Core\Compose\Block;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\LayerName;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\Painting\LayerWindow;
use Awning\Core\Sheet\Sheet;

/** One tile of a sheet, for the compositor. */
final readonly class SheetBlock implements Block
{
    public function __construct(private Sheet $sheet, private int $column, private int $row)
    {
    }

    public function rect(): Rect
    {
        return TileGrid::rect($this->column, $this->row);
    }

    public function size(): int
    {
        return TileGrid::PIXELS;
    }

    public function labels(): ?string
    {
        return $this->sheet->tile(LayerName::flats(), $this->column, $this->row);
    }

    public function labelsAround(): string
    {
        return (new LayerWindow($this->sheet, LayerName::flats()))->readHeld($this->rect()->grown(1));
    }

    public function coverage(LayerName $layer): ?string
    {
        return $this->sheet->tile($layer, $this->column, $this->row);
    }

    public function paint(LayerName $layer): ?Pixels
    {
        $tile = $this->sheet->tile($layer, $this->column, $this->row);
        if ($tile === null) {
            return null;
        }
        [$red, $green, $blue, $alpha] = str_split($tile, TileGrid::PIXELS);

        return new Pixels(TileGrid::PIXELS, $red, $green, $blue, $alpha);
    }

    public function generated(callable $plane): string
    {
        return $plane($this->rect());
    }

    public function widened(int $margin): Block
    {
        return new SheetPart($this->sheet, $this->rect()->grown($margin)->intersect($this->sheet->rect()));
    }
}
