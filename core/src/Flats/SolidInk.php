<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Raster\Components;
use Awning\Core\Raster\Runs;

/**
 * Areas of solid black among the lines: what is left of the ink when everything narrower than a square is taken away
 * (its opening, in the words of morphology). Only stretches of rows in which there are wide enough runs are looked at.
 */
final readonly class SolidInk
{
    /** Lines are up to twice as wide as the usual line; what is wider than so many of it is an area. */
    private const LINES = 4;

    private const LEAST = 16;

    /** Areas of fewer pixels are where lines meet, in squares of that width. */
    private const SQUARES = 3;

    /** A rim of so many px is left out, so that what lies beside grows under the black, and the black to meet it. */
    private const RIM = 4;

    /** Px a side of the square. */
    private int $side;

    public function __construct(float $lineWidth)
    {
        $this->side = max(self::LEAST, (int) round(self::LINES * $lineWidth));
    }

    /**
     * @param  string  $bounds  255 where there is ink, one byte a pixel
     * @return list<array{list<array{int, int}>, int}> of each area its runs, as first pixel and pixel after the last,
     *     and its pixels
     */
    public function areas(string $bounds, int $width, int $height): array
    {
        $areas = [];
        foreach ($this->stretches($bounds, $width, $height) as [$top, $bottom]) {
            $opened = $this->opened(substr($bounds, $top * $width, ($bottom - $top) * $width), $width, $bottom - $top);
            if ($opened === null) {
                continue;
            }
            $runs = Runs::ofMarks($opened, $width, $bottom - $top, "\xff");
            $components = Components::of($runs);
            $found = [];
            foreach ($components->of as $run => $component) {
                if ($components->area[$component] >= self::SQUARES * $this->side * $this->side) {
                    $found[$component][] = [$top * $width + $runs->from[$run], $top * $width + $runs->to[$run]];
                }
            }
            foreach ($found as $component => $list) {
                $areas[] = [$list, $components->area[$component]];
            }
        }

        return $areas;
    }

    /**
     * @return list<array{int, int}> rows that follow each other and have runs as wide as the square, at least as many
     *     as it is high
     */
    private function stretches(string $bounds, int $width, int $height): array
    {
        $run = str_repeat("\xff", $this->side);
        $stretches = [];
        $top = $last = null;
        for ($at = strpos($bounds, $run); $at !== false; $at = strpos($bounds, $run, min($next, strlen($bounds)))) {
            $y = intdiv($at, $width);
            if (($at % $width) + $this->side > $width) {
                // Over the end of a row: not a run of it.
                $next = ($y + 1) * $width;

                continue;
            }
            if ($last !== null && $y > $last + 1) {
                $stretches[] = [$top, $last + 1];
                $top = $y;
            }
            $top ??= $y;
            $last = $y;
            $next = ($y + 1) * $width;
        }
        if ($top !== null && $last !== null) {
            $stretches[] = [$top, $last + 1];
        }
        /** @var list<array{int, int}> $stretches */
        $high = array_filter($stretches, fn (array $rows): bool => $this->side <= $rows[1] - $rows[0]);

        return array_values($high);
    }

    /** @return ?string what squares that lie wholly in the ink cover, but for their rims; null for none */
    private function opened(string $ink, int $width, int $height): ?string
    {
        $narrowed = '';
        $run = $this->side - 1;
        $wide = str_repeat("\xff", $this->side);
        foreach (str_split($ink, max(1, $width)) as $row) {
            $line = '';
            $at = 0;
            while (($from = strpos($row, $wide, $at)) !== false) {
                $at = $from + strspn($row, "\xff", $from);
                $line .= str_repeat("\0", $from - strlen($line)).str_repeat("\xff", $at - $run - $from);
            }
            $narrowed .= str_pad($line, $width, "\0");
        }
        // A square's left top corner is where all of its rows have begun; from there it goes right and down again.
        $corners = self::rowsBelow($narrowed, $width, $this->side, fn (string $a, string $b): string => $a & $b);
        if (! str_contains($corners, "\xff")) {
            return null;
        }
        $rim = str_repeat("\0", self::RIM * $width);
        $tall = strrev(
            self::rowsBelow(
                strrev($rim.substr($corners, 0, -strlen($rim))),
                $width,
                $this->side - 2 * self::RIM,
                fn (string $a, string $b): string => $a | $b,
            ),
        );
        $opened = '';
        foreach (str_split($tall, max(1, $width)) as $row) {
            $line = '';
            $at = 0;
            while (($from = strpos($row, "\xff", $at)) !== false) {
                $at = $from + strspn($row, "\xff", $from);
                $line = str_pad($line, min($width, $from + self::RIM), "\0");
                $line = str_pad($line, min($width, $at + $run - self::RIM), "\xff");
            }
            $opened .= str_pad($line, $width, "\0");
        }

        return $opened;
    }

    /**
     * Each row with those below it, so many in all, joined; by doubling.
     *
     * @param  callable(string, string): string  $join
     */
    private static function rowsBelow(string $plane, int $width, int $many, callable $join): string
    {
        // Most of a page has nothing so wide and high: it is done when nothing is left.
        for ($rows = 1; $rows < $many && str_contains($plane, "\xff"); $rows += $by) {
            $by = min($rows, $many - $rows);
            $plane = $join($plane, substr($plane, $by * $width).str_repeat("\0", $by * $width));
        }

        return $plane;
    }
}
