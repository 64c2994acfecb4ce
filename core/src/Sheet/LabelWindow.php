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
        // Tiles come row by row from left to right, so that each line of the window is put together in order.
        $lines = array_fill(0, max(1, $window->height), '');
        foreach ($this->pieces($window) as [$column, $row, $piece]) {
            $tile = $this->sheet->bytes(LayerName::flats(), $column, $row);
            for ($y = $piece->y; $y < $piece->bottom(); $y++) {
                $lines[$y - $window->y] .= substr($tile, 2 * (($y - $row * TileGrid::SIZE) * TileGrid::SIZE + $piece->x - $column * TileGrid::SIZE), 2 * $piece->width);
            }
        }

        return implode('', $lines);
    }

    public function write(Rect $window, string $labels): void
    {
        foreach ($this->pieces($window) as [$column, $row, $piece]) {
            $lines = str_split($this->sheet->bytes(LayerName::flats(), $column, $row), 2 * TileGrid::SIZE);
            for ($y = $piece->y; $y < $piece->bottom(); $y++) {
                $line = substr($labels, 2 * (($y - $window->y) * $window->width + $piece->x - $window->x), 2 * $piece->width);
                $at = $y - $row * TileGrid::SIZE;
                $lines[$at] = substr_replace($lines[$at], $line, 2 * ($piece->x - $column * TileGrid::SIZE), 2 * $piece->width);
            }
            $this->sheet->setTile(LayerName::flats(), $column, $row, implode('', $lines));
        }
    }

    /** @return list<array{int, int, Rect}> tiles of a window, and what of it lies in each */
    private function pieces(Rect $window): array
    {
        return array_map(fn (array $at): array => [$at[0], $at[1], TileGrid::rect(...$at)->intersect($window)], $this->sheet->grid()->touching($window));
    }
}
