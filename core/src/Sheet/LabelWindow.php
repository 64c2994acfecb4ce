<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

use Awning\Core\Page\LayerName;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;

/** The flats' labels inside a rectangle of the page, read and written as one. */
final readonly class LabelWindow
{
    public function __construct(private Sheet $sheet)
    {
    }

    /** @return string two bytes a pixel */
    public function read(Rect $window): string
    {
        $labels = str_repeat("\0", 2 * $window->width * $window->height);
        foreach ($this->pieces($window) as [$column, $row, $piece]) {
            $tile = $this->sheet->bytes(LayerName::flats(), $column, $row);
            for ($y = $piece->y; $y < $piece->bottom(); $y++) {
                $from = 2 * (($y - $row * TileGrid::SIZE) * TileGrid::SIZE + $piece->x - $column * TileGrid::SIZE);
                $labels = substr_replace($labels, substr($tile, $from, 2 * $piece->width), 2 * (($y - $window->y) * $window->width + $piece->x - $window->x), 2 * $piece->width);
            }
        }

        return $labels;
    }

    public function write(Rect $window, string $labels): void
    {
        foreach ($this->pieces($window) as [$column, $row, $piece]) {
            $tile = $this->sheet->bytes(LayerName::flats(), $column, $row);
            for ($y = $piece->y; $y < $piece->bottom(); $y++) {
                $at = 2 * (($y - $row * TileGrid::SIZE) * TileGrid::SIZE + $piece->x - $column * TileGrid::SIZE);
                $tile = substr_replace($tile, substr($labels, 2 * (($y - $window->y) * $window->width + $piece->x - $window->x), 2 * $piece->width), $at, 2 * $piece->width);
            }
            $this->sheet->setTile(LayerName::flats(), $column, $row, $tile);
        }
    }

    /** @return list<array{int, int, Rect}> tiles of a window, and what of it lies in each */
    private function pieces(Rect $window): array
    {
        return array_map(fn (array $at): array => [$at[0], $at[1], TileGrid::rect(...$at)->intersect($window)], $this->sheet->grid()->touching($window));
    }
}
