<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Painting;

use Awning\Core\Page\LayerKind;
use Awning\Core\Page\LayerName;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\Sheet;

/** One layer, or one plane of a layer of paint, inside a rectangle of the page, read and written as one. */
final readonly class LayerWindow
{
    private int $size;

    /** Where the plane begins in a tile. */
    private int $from;

    /** @param  int  $plane  of a layer of paint: red, green, blue or alpha; the pixels of other layers lie together */
    public function __construct(private Sheet $sheet, private LayerName $layer, int $plane = 0)
    {
        $this->size = $layer->kind === LayerKind::Paint ? 1 : $layer->kind->bytesPerPixel();
        $this->from = $plane * TileGrid::PIXELS;
    }

    /** @return non-empty-list<self> one for each plane of a layer */
    public static function planes(Sheet $sheet, LayerName $layer): array
    {
        return array_map(
            fn (int $plane): self => new self($sheet, $layer, $plane),
            $layer->kind === LayerKind::Paint ? [0, 1, 2, 3] : [0],
        );
    }

    /** @return string row after row; zeros beside the page */
    public function read(Rect $window): string
    {
        $page = $this->sheet->rect();
        $on = $window->intersect($page);
        if ($on != $window && ! $on->isEmpty()) {
            return Bytes::crop(
                $this->read($on),
                $on->width,
                $on->height,
                new Rect($window->x - $on->x, $window->y - $on->y, $window->width, $window->height),
                $this->size,
            );
        }
        if ($on->isEmpty()) {
            return str_repeat("\0", $this->size * $window->width * $window->height);
        }
        // Tiles come row by row from left to right, so that each line of the window is put together in order.
        $lines = array_fill(0, max(1, $window->height), '');
        foreach ($this->pieces($window) as [$column, $row, $piece]) {
            $tile = $this->sheet->bytes($this->layer, $column, $row);
            for ($y = $piece->y; $y < $piece->bottom(); $y++) {
                $lines[$y - $window->y] .= substr(
                    $tile,
                    $this->from +
                        $this->size *
                            (($y - $row * TileGrid::SIZE) * TileGrid::SIZE + $piece->x - $column * TileGrid::SIZE),
                    $this->size * $piece->width,
                );
            }
        }

        return implode('', $lines);
    }

    /** The same, with what lies at the page's edge once more beside it. */
    public function readHeld(Rect $window): string
    {
        $on = $window->intersect($this->sheet->rect());
        if ($on == $window || $on->isEmpty()) {
            return $this->read($window);
        }
        [$left, $right] = [$on->x - $window->x, $window->right() - $on->right()];
        $rows = array_map(
            fn (string $row): string => str_repeat(substr($row, 0, $this->size), $left).
                $row.
                str_repeat(substr($row, -$this->size), $right),
            str_split($this->read($on), max(1, $this->size * $on->width)),
        );

        return str_repeat($rows[0], $on->y - $window->y).
            implode('', $rows).
            str_repeat($rows[$on->height - 1], $window->bottom() - $on->bottom());
    }

    public function write(Rect $window, string $bytes): void
    {
        foreach ($this->pieces($window) as [$column, $row, $piece]) {
            $lines = str_split($this->sheet->bytes($this->layer, $column, $row), max(1, $this->size * TileGrid::SIZE));
            for ($y = $piece->y; $y < $piece->bottom(); $y++) {
                $line = substr(
                    $bytes,
                    $this->size * (($y - $window->y) * $window->width + $piece->x - $window->x),
                    $this->size * $piece->width,
                );
                $at = intdiv($this->from, $this->size * TileGrid::SIZE) + $y - $row * TileGrid::SIZE;
                $lines[$at] = substr_replace(
                    $lines[$at],
                    $line,
                    $this->size * ($piece->x - $column * TileGrid::SIZE),
                    $this->size * $piece->width,
                );
            }
            $this->sheet->setTile($this->layer, $column, $row, implode('', $lines));
        }
    }

    /** @return list<array{int, int, Rect}> tiles of a window, and what of it lies in each */
    private function pieces(Rect $window): array
    {
        return array_map(
            fn (array $at): array => [$at[0], $at[1], TileGrid::rect(...$at)->intersect($window)],
            $this->sheet->grid()->touching($window),
        );
    }
}
