<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;

/**
 * Divides the paper out of a scan: its tint and the unevenness of the light. What remains says how much darker than
 * the paper around it each pixel is.
 *
 * The paper is measured in square cells by the level that four fifths of their pixels do not exceed; cells that are
 * mostly ink take their neighbours' level. Between the cells' middles it is interpolated linearly.
 */
final readonly class PaperFlattener
{
    private const CELLS_ACROSS = 64;

    /**
     * @param  non-empty-list<Plane>  $channels  a grey scan, or red, green and blue
     * @return Plane darkness: 0 is paper, 255 black
     */
    public function flatten(array $channels): Plane
    {
        $planes = array_map($this->darkness(...), $channels);
        if (count($planes) === 1) {
            return $planes[0];
        }

        return $this->darkInAll($planes);
    }

    /**
     * Ink is dark in every channel, a coloured underdrawing is not: the channel in which the least is dark keeps its
     * greys, the others only say where there can be ink.
     *
     * @param  non-empty-list<Plane>  $planes
     */
    private function darkInAll(array $planes): Plane
    {
        usort($planes, fn (Plane $a, Plane $b): int => $this->darkPixels($a) <=> $this->darkPixels($b));
        $base = array_shift($planes);
        $width = $base->width;
        $data = $base->data;
        foreach ($planes as $plane) {
            // "Can be ink" reaches two pixels further than what is dark, so that soft edges are kept whole.
            $mask = strtr($plane->data, Bytes::identity(), Bytes::threshold(70));
            foreach ([1, 1] as $ignored) {
                $mask |= substr($mask, 1)."\0" | "\0".substr($mask, 0, -1);
                $mask |= substr($mask, $width).str_repeat("\0", $width) | str_repeat("\0", $width).substr($mask, 0, -$width);
            }
            $data &= $mask;
        }

        return new Plane($width, $base->height, $data);
    }

    private function darkPixels(Plane $plane): int
    {
        return array_sum(array_slice($plane->histogram(), 96, null, true));
    }

    private function darkness(Plane $scan): Plane
    {
        $cell = max(16, intdiv(max($scan->width, $scan->height), self::CELLS_ACROSS));
        $columns = intdiv($scan->width + $cell - 1, $cell);
        $rows = intdiv($scan->height + $cell - 1, $cell);
        $paper = $this->smoothed($this->filled($this->measured($scan, $cell, $columns, $rows), $columns, $rows), $columns, $rows);

        $tables = [];
        $identity = Bytes::identity();
        $data = '';
        $width = $scan->width;
        $strip = 8;
        for ($top = 0; $top < $scan->height; $top += $strip) {
            $segments = $this->segments($paper, $columns, $rows, $cell, $width, $top + $strip / 2);
            $bottom = min($scan->height, $top + $strip);
            for ($y = $top; $y < $bottom; $y++) {
                $at = $y * $width;
                foreach ($segments as [$length, $level]) {
                    $tables[$level] ??= Bytes::table(fn (int $value): float => 255 - $value * 255 / $level);
                    $data .= strtr(substr($scan->data, $at, $length), $identity, $tables[$level]);
                    $at += $length;
                }
            }
        }

        return new Plane($width, $scan->height, $data);
    }

    /** @return array<int, ?int> paper level of each cell, null where ink covers too much of it to say */
    private function measured(Plane $scan, int $cell, int $columns, int $rows): array
    {
        $levels = [];
        for ($row = 0; $row < $rows; $row++) {
            $bottom = min($scan->height, ($row + 1) * $cell);
            for ($column = 0; $column < $columns; $column++) {
                $pixels = '';
                $length = min($cell, $scan->width - $column * $cell);
                // Every other line is enough to know the paper.
                for ($y = $row * $cell; $y < $bottom; $y += 2) {
                    $pixels .= substr($scan->data, $y * $scan->width + $column * $cell, $length);
                }
                $left = strlen($pixels) / 5;
                $histogram = count_chars($pixels, 0);
                for ($value = 255; $value > 0 && ($left -= $histogram[$value]) > 0; $value--);
                $levels[] = $value;
            }
        }
        $sorted = $levels;
        sort($sorted);
        $usual = $sorted[(int) (0.7 * (count($sorted) - 1))];
        $least = max(24, (int) (0.62 * $usual));

        return array_map(fn (int $level): ?int => $level < $least ? null : $level, $levels);
    }

    /**
     * @param  array<int, ?int>  $levels
     * @return array<int, int> with the unknown cells grown over by the mean of their known neighbours
     */
    private function filled(array $levels, int $columns, int $rows): array
    {
        while (in_array(null, $levels, true)) {
            $next = $levels;
            $changed = false;
            foreach ($levels as $index => $level) {
                if ($level === null) {
                    $near = array_filter($this->neighbours($levels, $index, $columns, $rows), fn (?int $value): bool => $value !== null);
                    if ($near !== []) {
                        $next[$index] = (int) round(array_sum($near) / count($near));
                        $changed = true;
                    }
                }
            }
            $levels = $changed ? $next : array_map(fn (?int $level): int => $level ?? 255, $levels);
        }

        /** @var array<int, int> $levels */
        return $levels;
    }

    /**
     * @param  array<int, int>  $levels
     * @return array<int, int> each the median of its 3 x 3 neighbourhood
     */
    private function smoothed(array $levels, int $columns, int $rows): array
    {
        $smooth = [];
        foreach (array_keys($levels) as $index) {
            $near = $this->neighbours($levels, $index, $columns, $rows);
            sort($near);
            $smooth[] = (int) $near[intdiv(count($near), 2)];
        }

        return $smooth;
    }

    /**
     * @template T
     *
     * @param  array<int, T>  $levels
     * @return list<T> the cell and those around it
     */
    private function neighbours(array $levels, int $index, int $columns, int $rows): array
    {
        $near = [];
        $row = intdiv($index, $columns);
        $column = $index % $columns;
        for ($y = max(0, $row - 1); $y <= min($rows - 1, $row + 1); $y++) {
            for ($x = max(0, $column - 1); $x <= min($columns - 1, $column + 1); $x++) {
                $near[] = $levels[$y * $columns + $x];
            }
        }

        return $near;
    }

    /**
     * The paper along one line, as stretches of equal level.
     *
     * @param  array<int, int>  $paper
     * @return list<array{int, int}> length and level
     */
    private function segments(array $paper, int $columns, int $rows, int $cell, int $width, float $y): array
    {
        $fy = max(0.0, min($rows - 1.0, $y / $cell - 0.5));
        $row = (int) min($rows - 2, floor($fy));
        $row = max(0, $row);
        $down = $rows > 1 ? $fy - $row : 0.0;
        $levels = [];
        for ($column = 0; $column < $columns; $column++) {
            $upper = $paper[$row * $columns + $column];
            $lower = $paper[min($rows - 1, $row + 1) * $columns + $column];
            $levels[] = $upper + ($lower - $upper) * $down;
        }
        $segments = [];
        $run = 0;
        $previous = -1;
        for ($x = 0; $x < $width; $x += 8) {
            $fx = max(0.0, min($columns - 1.0, ($x + 4) / $cell - 0.5));
            $column = (int) $fx;
            $level = (int) round($levels[$column] + ($levels[min($columns - 1, $column + 1)] - $levels[$column]) * ($fx - $column));
            $level = max(1, $level);
            if ($level !== $previous && $run > 0) {
                $segments[] = [$run, $previous];
                $run = 0;
            }
            $run += min(8, $width - $x);
            $previous = $level;
        }
        $segments[] = [$run, $previous];

        return $segments;
    }
}
