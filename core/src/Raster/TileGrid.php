<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/**
 * The cut of a page into tiles of 256 x 256 px. Tiles at the right and bottom edge reach past the page; what lies
 * there is always 0. A tile's key is "column,row".
 */
final readonly class TileGrid
{
    public const SIZE = 256;

    public const PIXELS = self::SIZE * self::SIZE;

    public int $columns;

    public int $rows;

    public function __construct(public int $width, public int $height)
    {
        $this->columns = intdiv($width + self::SIZE - 1, self::SIZE);
        $this->rows = intdiv($height + self::SIZE - 1, self::SIZE);
    }

    public static function rect(int $column, int $row): Rect
    {
        return new Rect($column * self::SIZE, $row * self::SIZE, self::SIZE, self::SIZE);
    }

    /** @return list<array{int, int}> the tiles a rectangle touches, as column and row */
    public function touching(Rect $rect): array
    {
        $rect = $rect->intersect(new Rect(0, 0, $this->width, $this->height));
        $tiles = [];
        if ($rect->isEmpty()) {
            return $tiles;
        }
        for ($row = intdiv($rect->y, self::SIZE); $row <= intdiv($rect->bottom() - 1, self::SIZE); $row++) {
            for ($column = intdiv($rect->x, self::SIZE); $column <= intdiv($rect->right() - 1, self::SIZE); $column++) {
                $tiles[] = [$column, $row];
            }
        }

        return $tiles;
    }

    /** @return list<array{int, int}> every tile of the page */
    public function all(): array
    {
        return $this->touching(new Rect(0, 0, $this->width, $this->height));
    }

    /**
     * Cuts a picture of $size bytes a pixel into its tiles; tiles that are all 0 are left out.
     *
     * @return array<string, string> key => 65 536 x $size bytes
     */
    public function cut(string $data, int $size = 1): array
    {
        $tiles = [];
        foreach ($this->all() as [$column, $row]) {
            $tile = Bytes::crop($data, $this->width, $this->height, self::rect($column, $row), $size);
            if (! Bytes::isNothing($tile)) {
                $tiles["$column,$row"] = $tile;
            }
        }

        return $tiles;
    }

    /**
     * Puts tiles together again. The opposite of cut().
     *
     * @param  callable(int, int): ?string  $tile  the bytes of a tile by column and row; null is all 0
     */
    public function join(callable $tile, int $size = 1): string
    {
        $data = '';
        $empty = str_repeat("\0", self::SIZE * $size);
        for ($row = 0; $row < $this->rows; $row++) {
            $band = [];
            for ($column = 0; $column < $this->columns; $column++) {
                $bytes = $tile($column, $row);
                $band[] = $bytes === null ? null : str_split($bytes, self::SIZE * max(1, $size));
            }
            $lastWidth = ($this->width - ($this->columns - 1) * self::SIZE) * $size;
            $lines = min(self::SIZE, $this->height - $row * self::SIZE);
            for ($line = 0; $line < $lines; $line++) {
                for ($column = 0; $column < $this->columns - 1; $column++) {
                    $data .= $band[$column][$line] ?? $empty;
                }
                $data .= substr($band[$this->columns - 1][$line] ?? $empty, 0, $lastWidth);
            }
        }

        return $data;
    }
}
