<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

use Awning\Core\Compose\Block;
use Awning\Core\Compose\Compositor;
use Awning\Core\Compose\Pixels;
use Awning\Core\Raster\TileGrid;

/** One tile of a sheet, for the compositor. */
final readonly class SheetBlock implements Block
{
    public function __construct(private Sheet $sheet, private int $column, private int $row)
    {
    }

    public function size(): int
    {
        return TileGrid::PIXELS;
    }

    public function labels(): ?string
    {
        return $this->sheet->tile(Sheet::FLATS, $this->column, $this->row);
    }

    public function coverage(string $layer): ?string
    {
        return $this->sheet->tile($layer === Compositor::INK ? Sheet::INK : $layer, $this->column, $this->row);
    }

    public function paint(string $layer): ?Pixels
    {
        $tile = $this->sheet->tile($layer, $this->column, $this->row);
        if ($tile === null) {
            return null;
        }
        [$red, $green, $blue, $alpha] = str_split($tile, TileGrid::PIXELS);

        return new Pixels(TileGrid::PIXELS, $red, $green, $blue, $alpha);
    }
}
