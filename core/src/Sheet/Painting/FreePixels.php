<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Painting;

use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\Sheet;

/**
 * The free pixels of one region, tile by tile as they are asked for, and which flood has come to each. Free is what is
 * neither ink nor under a bridge that is made.
 */
final class FreePixels
{
    private const FREE = "\x01";

    /** The first flood's number: marks below are "no" and "free". */
    public const FIRST = 2;

    /** @var array<string, array<int, string>> rows of each tile: 0 no, 1 free, else the number of a flood */
    private array $tiles = [];

    /** @var array<string, true> "x,y" of bridges */
    private array $bridged = [];

    private readonly TileGrid $grid;

    public function __construct(private readonly Sheet $sheet, private readonly int $label)
    {
        $this->grid = $sheet->grid();
        foreach ($sheet->all(Bridge::class) as $bridge) {
            foreach ($bridge->kind->isMade() ? $bridge->pixels() : [] as [$x, $y]) {
                $this->bridged["$x,$y"] = true;
            }
        }
    }

    /** @return int 0: not of the region, or not free; 1: free; else the number of the flood that is there */
    public function at(int $x, int $y): int
    {
        if ($x < 0 || $y < 0 || $x >= $this->grid->width || $y >= $this->grid->height) {
            return 0;
        }

        return ord($this->rows($x >> 8, $y >> 8)[$y & 255][$x & 255]);
    }

    /**
     * Marks the free stretch of a row round a place, as far as its tile goes.
     *
     * @return array{int, int} its first pixel and the one after its last
     */
    public function mark(int $x, int $y, int $flood): array
    {
        $rows = $this->rows($x >> 8, $y >> 8);
        $row = $rows[$y & 255];
        $at = $x & 255;
        $from = $at - strspn(strrev(substr($row, 0, $at)), self::FREE);
        $to = $at + strspn($row, self::FREE, $at);
        $this->tiles[($x >> 8).','.($y >> 8)][$y & 255] =
            substr($row, 0, $from).str_repeat(chr($flood), $to - $from).substr($row, $to);
        $left = $x & ~255;

        return [$left + $from, $left + $to];
    }

    /**
     * What lies along a row.
     *
     * @param  int  $to  the pixel after the last
     * @return list<array{int, int}> the first place of every stretch that is the same, and its mark
     */
    public function stretches(int $from, int $to, int $y): array
    {
        $found = [];
        for ($x = max(0, $from); $x < min($to, $this->grid->width); $x = $end) {
            $end = min($to, ($x | 255) + 1);
            $row = $y < 0 || $y >= $this->grid->height ? '' : $this->rows($x >> 8, $y >> 8)[$y & 255];
            for ($at = $x; $row !== '' && $at < $end; $at += strspn($row, $row[$at & 255], $at & 255, $end - $at)) {
                $found[] = [$at, ord($row[$at & 255])];
            }
        }

        return $found;
    }

    /** @return array<int, string> */
    private function rows(int $column, int $row): array
    {
        return $this->tiles["$column,$row"] ??= $this->read($column, $row);
    }

    /** @return array<int, string> */
    private function read(int $column, int $row): array
    {
        $labels = $this->sheet->bytes(LayerName::flats(), $column, $row);
        $word = pack('n', $this->label);
        if (! str_contains($labels, $word)) {
            return array_fill(0, TileGrid::SIZE, str_repeat("\0", TileGrid::SIZE));
        }
        $ink = $this->sheet->tile(LayerName::ink(), $column, $row);
        $mine = '';
        foreach (Labels::spans($labels) as [$from, $to, $label]) {
            $mine .= str_repeat($label === $this->label ? self::FREE : "\0", $to - $from);
        }
        $bare = str_repeat(self::FREE, FlatsFinder::BOUND).str_repeat("\0", 256 - FlatsFinder::BOUND);
        $rows = str_split($ink === null ? $mine : $mine & strtr($ink, Bytes::identity(), $bare), TileGrid::SIZE);
        foreach (array_keys($this->bridged) as $place) {
            [$x, $y] = array_map(intval(...), explode(',', $place));
            if ($x >> 8 === $column && $y >> 8 === $row) {
                $rows[$y & 255] = substr_replace($rows[$y & 255], "\0", $x & 255, 1);
            }
        }

        return $rows;
    }
}
