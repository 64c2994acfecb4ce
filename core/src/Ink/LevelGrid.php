<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Histogram;
use Awning\Core\Raster\Plane;

/** A picture seen in square cells, a level of 0..255 each: what paper and light are measured on. Never changes. */
final readonly class LevelGrid
{
    /** Cells along the longer side, at the most. */
    private const ACROSS = 400;

    private const SMALLEST_CELL = 4;

    /** @param  string  $levels  a byte a cell, row after row */
    public function __construct(public int $cell, public int $columns, public int $rows, public string $levels)
    {
    }

    /** The brightest of a few pixels in each cell: lines that do not fill it leave the paper to be seen. */
    public static function brightest(Plane $plane): self
    {
        $cell = max(self::SMALLEST_CELL, (int) ceil(max($plane->width, $plane->height) / self::ACROSS));
        $step = max(2, intdiv($cell, 2));
        [$width, $height, $data] = [$plane->width, $plane->height, $plane->data];
        $columns = intdiv($width + $cell - 1, $cell);
        $rows = intdiv($height + $cell - 1, $cell);
        $levels = str_repeat("\0", $columns * $rows);
        for ($row = 0, $at = 0; $row < $rows; $row++) {
            $bottom = min($height, ($row + 1) * $cell);
            for ($left = 0; $left < $width; $left += $cell, $at++) {
                $right = min($width, $left + $cell);
                $most = 0;
                for ($y = $row * $cell; $y < $bottom; $y += $step) {
                    for ($i = $y * $width + $left, $end = $y * $width + $right; $i < $end; $i += $step) {
                        $value = ord($data[$i]);
                        $most = $value > $most ? $value : $most;
                    }
                }
                $levels[$at] = chr($most);
            }
        }

        return new self($cell, $columns, $rows, $levels);
    }

    public function with(string $levels): self
    {
        return new self($this->cell, $this->columns, $this->rows, $levels);
    }

    /** Each cell the highest of those up to $reach away, in a square. */
    public function highest(int $reach): self
    {
        return $this->ofNumbers($this->along($this->numbers(), $reach, true));
    }

    /** Each cell the lowest of those up to $reach away, in a square. */
    public function lowest(int $reach): self
    {
        return $this->ofNumbers($this->along($this->numbers(), $reach, false));
    }

    /** Grey closing: what is dark and narrower than 2 x $reach + 1 cells is gone, wider shapes keep their edges. */
    public function closed(int $reach): self
    {
        return $this->ofNumbers($this->along($this->along($this->numbers(), $reach, true), $reach, false));
    }

    /**
     * @return array<int, int> the level of each cell, from 0: where all are looked at several times, a list is quicker
     *     than bytes
     */
    private function numbers(): array
    {
        /** @var array<int, int> $levels */
        $levels = unpack('C*', $this->levels);

        return array_values($levels);
    }

    /** @param  array<int, int>  $levels  of 0..255 */
    private function ofNumbers(array $levels): self
    {
        return $this->with(Bytes::of($levels));
    }

    /** @return array<int, int> how many cells have each of the 256 levels */
    public function histogram(): array
    {
        return count_chars($this->levels, 0);
    }

    /** The level of the brightest places, but for a glare here and there. */
    public function brightestLevel(): int
    {
        return $this->quantile(0.995);
    }

    /** The level that a share of all cells does not exceed. */
    public function quantile(float $share): int
    {
        return Histogram::quantile($this->histogram(), $share);
    }

    /**
     * For each cell the level that a share of the cells in its part of the page, an eighth of its side, does not
     * exceed.
     *
     * @return list<int>
     */
    public function around(float $share): array
    {
        $side = max(8, intdiv(max($this->columns, $this->rows), 8));
        $levels = [];
        $of = [];
        for ($row = 0; $row < $this->rows; $row++) {
            for ($column = 0; $column < $this->columns; $column++) {
                $key = (intdiv($row, $side) << 16) | intdiv($column, $side);
                $of[] = $levels[$key] ??= $this->part($column, $row, $side)->quantile($share);
            }
        }

        return $of;
    }

    private function part(int $left, int $top, int $side): self
    {
        $cells = '';
        for ($y = $top, $bottom = min($this->rows, $top + $side); $y < $bottom; $y++) {
            $cells .= substr($this->levels, $y * $this->columns + $left, min($side, $this->columns - $left));
        }

        return $this->with($cells);
    }

    /**
     * Shifted both ways and compared, three times as far each time; beyond the edge there is nothing to compare with.
     *
     * @param  array<int, int>  $levels
     * @return array<int, int>
     */
    private function along(array $levels, int $reach, bool $high): array
    {
        foreach (['across', 'down'] as $way) {
            for ($done = 0; $done < $reach; $done += $by) {
                $by = min($reach - $done, 2 * $done + 1);
                $levels = $way === 'across' ? $this->across($levels, $by, $high) : $this->down($levels, $by, $high);
            }
        }

        return $levels;
    }

    /**
     * @param  array<int, int>  $levels
     * @return array<int, int>
     */
    private function across(array $levels, int $by, bool $high): array
    {
        $out = $levels;
        $columns = $this->columns;
        for ($first = 0, $count = count($levels); $first < $count; $first += $columns) {
            for ($at = $first, $end = $first + $columns; $at < $end; $at++) {
                $here = $levels[$at];
                $before = $at - $by >= $first ? $levels[$at - $by] : $here;
                $after = $at + $by < $end ? $levels[$at + $by] : $here;
                if ($high) {
                    $here = $before > $here ? $before : $here;
                    $here = $after > $here ? $after : $here;
                } else {
                    $here = $before < $here ? $before : $here;
                    $here = $after < $here ? $after : $here;
                }
                $out[$at] = $here;
            }
        }

        return $out;
    }

    /**
     * @param  array<int, int>  $levels
     * @return array<int, int>
     */
    private function down(array $levels, int $by, bool $high): array
    {
        $out = $levels;
        $shift = $by * $this->columns;
        for ($at = 0, $count = count($levels); $at < $count; $at++) {
            $here = $levels[$at];
            $above = $at >= $shift ? $levels[$at - $shift] : $here;
            $below = $at + $shift < $count ? $levels[$at + $shift] : $here;
            if ($high) {
                $here = $above > $here ? $above : $here;
                $here = $below > $here ? $below : $here;
            } else {
                $here = $above < $here ? $above : $here;
                $here = $below < $here ? $below : $here;
            }
            $out[$at] = $here;
        }

        return $out;
    }
}
