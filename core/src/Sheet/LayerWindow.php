<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

use Awning\Core\Page\LayerName;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;

/** One layer inside a rectangle of the page, read and written as one. */
final readonly class LayerWindow
{
    private int $size;

    /** @param  LayerName  $layer  of pixels that lie together: no paint */
    public function __construct(private Sheet $sheet, private LayerName $layer)
    {
        $this->size = $layer->kind->bytesPerPixel();
    }

    /** @return string row after row */
    public function read(Rect $window): string
    {
        // Tiles come row by row from left to right, so that each line of the window is put together in order.
        $lines = array_fill(0, max(1, $window->height), '');
        foreach ($this->pieces($window) as [$column, $row, $piece]) {
            $tile = $this->sheet->bytes($this->layer, $column, $row);
            for ($y = $piece->y; $y < $piece->bottom(); $y++) {
                $lines[$y - $window->y] .= substr($tile, $this->size * (($y - $row * TileGrid::SIZE) * TileGrid::SIZE + $piece->x - $column * TileGrid::SIZE), $this->size * $piece->width);
            }
        }

        return implode('', $lines);
    }

    public function write(Rect $window, string $bytes): void
    {
        foreach ($this->pieces($window) as [$column, $row, $piece]) {
            $lines = str_split($this->sheet->bytes($this->layer, $column, $row), max(1, $this->size * TileGrid::SIZE));
            for ($y = $piece->y; $y < $piece->bottom(); $y++) {
                $line = substr($bytes, $this->size * (($y - $window->y) * $window->width + $piece->x - $window->x), $this->size * $piece->width);
                $at = $y - $row * TileGrid::SIZE;
                $lines[$at] = substr_replace($lines[$at], $line, $this->size * ($piece->x - $column * TileGrid::SIZE), $this->size * $piece->width);
            }
            $this->sheet->setTile($this->layer, $column, $row, implode('', $lines));
        }
    }

    /** @return list<array{int, int, Rect}> tiles of a window, and what of it lies in each */
    private function pieces(Rect $window): array
    {
        return array_map(fn (array $at): array => [$at[0], $at[1], TileGrid::rect(...$at)->intersect($window)], $this->sheet->grid()->touching($window));
    }
}
