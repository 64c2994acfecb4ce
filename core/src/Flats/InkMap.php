<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Page\Region\Bridge;
use Awning\Core\Raster\Runs;

/**
 * Where there is ink that bounds regions, and the bridges drawn in so far. A free pixel all round spares every look
 * over the page's edge: places count from there.
 */
final class InkMap
{
    private const INK = "\xff";

    /** How often ink and paper may take turns on the way between two ends: once at either tip. */
    private const TURNS = 2;

    /** Lines of pixels by which the width of lines is measured, across and down. */
    private const SAMPLES = 160;

    /**
     * Where, among all lengths of ink in a row, that of a line crossed straight on is found; slanted ones are longer.
     */
    private const CROSSED = 0.4;

    private const SLANTED = 0.85;

    /** A page that changes between ink and paper more often than each so many pixels is noise. */
    private const NOISE = 14;

    /** So many rows on, the next one is looked at for that. */
    private const NOISE_ROWS = 4;

    private function __construct(public string $ink, public readonly int $stride, public readonly int $height)
    {
    }

    /** @param  string  $bounds  a byte a pixel, 255 where there is ink, else 0 */
    public static function of(string $bounds, int $width, int $height): self
    {
        $stride = $width + 2;
        $margin = str_repeat("\0", $stride);

        return new self(
            $margin."\0".implode("\0\0", str_split($bounds, max(1, $width)))."\0".$margin,
            $stride,
            $height + 2,
        );
    }

    public function runs(): Runs
    {
        return Runs::ofMarks($this->ink, $this->stride, $this->height, self::INK);
    }

    /** Whether there is no drawing, but dust all over: by every few of its rows. */
    public function isNoise(): bool
    {
        $changes = 0;
        for ($at = 0, $rows = 0; $at < strlen($this->ink); $at += self::NOISE_ROWS * $this->stride, $rows++) {
            $row = substr($this->ink, $at, $this->stride);
            $changes += substr_count($row ^ ("\0".substr($row, 0, -1)), self::INK);
        }

        return $changes > (($rows * $this->stride) / self::NOISE) * 2;
    }

    public function isInk(float $x, float $y): bool
    {
        return $x >= 0 &&
            $y >= 0 &&
            $x < $this->stride &&
            $y < $this->height &&
            $this->ink[(int) $y * $this->stride + (int) $x] === self::INK;
    }

    /** The number of a pixel. */
    public function at(int $x, int $y): int
    {
        return $y * $this->stride + $x;
    }

    /**
     * The ink that hangs together with a place.
     *
     * @param  int  $most  steps
     * @return array<int, int> by number of the pixel, how many steps it is away along the ink
     */
    public function around(int $x, int $y, int $most): array
    {
        $stride = $this->stride;
        $steps = [$this->at($x, $y) => 0];
        $front = [$this->at($x, $y)];
        for ($step = 1; $step <= $most && $front !== []; $step++) {
            $next = [];
            foreach ($front as $at) {
                foreach (
                    [
                        $at - $stride - 1,
                        $at - $stride,
                        $at - $stride + 1,
                        $at - 1,
                        $at + 1,
                        $at + $stride - 1,
                        $at + $stride,
                        $at + $stride + 1,
                    ] as $beside
                ) {
                    if (! isset($steps[$beside]) && ($this->ink[$beside] ?? '') === self::INK) {
                        $steps[$beside] = $step;
                        $next[] = $beside;
                    }
                }
            }
            $front = $next;
        }

        return $steps;
    }

    /** Draws a bridge in; gives it back in the page's own places. */
    public function draw(Bridge $bridge): Bridge
    {
        foreach ($bridge->pixels() as [$x, $y]) {
            if ($x >= 0 && $y >= 0 && $x < $this->stride && $y < $this->height) {
                $this->ink[$y * $this->stride + $x] = self::INK;
            }
        }

        return $bridge->moved(-1, -1);
    }

    /** Whether a bridge crosses paper and nothing else, but for a little ink at either tip. */
    public function isClear(Bridge $bridge): bool
    {
        $free = $turns = 0;
        $wasInk = true;
        $pixels = $bridge->pixels();
        for ($i = 1, $last = count($pixels) - 1; $i < $last; $i++) {
            [$x, $y] = $pixels[$i];
            $isInk = $this->ink[$y * $this->stride + $x] === self::INK;
            if ($isInk !== $wasInk) {
                $turns++;
                $wasInk = $isInk;
            }
            $free += $isInk ? 0 : 1;
        }

        return $free > 0 && $turns <= self::TURNS;
    }

    /** The usual width of a line, px: looked for in rows and columns alike, so that a turned page has the same. */
    public function lineWidth(): float
    {
        $lengths = [...$this->across(), ...$this->down()];
        sort($lengths);

        return $lengths === []
            ? 1.0
            : max(1.0, $lengths[(int) (self::CROSSED * (count($lengths) - 1))] * self::SLANTED);
    }

    /** @return list<int> rows, or columns, that are looked at, of so many */
    private static function sampled(int $of): array
    {
        return array_values(
            array_unique(
                array_map(
                    fn (int $sample): int => (int) ((($sample + 0.5) / self::SAMPLES) * $of),
                    range(0, self::SAMPLES - 1),
                ),
            ),
        );
    }

    /** @return list<int> how long each stretch of ink is, in rows */
    private function across(): array
    {
        $rows = implode(
            '',
            array_map(
                fn (int $y): string => substr($this->ink, $y * $this->stride, $this->stride),
                self::sampled($this->height),
            ),
        );
        $runs = Runs::ofMarks($rows, $this->stride, intdiv(strlen($rows), $this->stride), self::INK);

        return array_map(fn (int $from, int $to): int => $to - $from, $runs->from, $runs->to);
    }

    /** @return list<int> the same in columns: found where these change from row to row, as they lie in memory */
    private function down(): array
    {
        $looked = str_repeat("\0", $this->stride);
        foreach (self::sampled($this->stride) as $x) {
            $looked[$x] = self::INK;
        }
        $above = str_repeat("\0", $this->stride);
        $lengths = $began = [];
        for ($y = 0; $y < $this->height; $y++) {
            $row = substr($this->ink, $y * $this->stride, $this->stride);
            $changes = ($row ^ $above) & $looked;
            for ($x = strpos($changes, self::INK); $x !== false; $x = strpos($changes, self::INK, $x + 1)) {
                if ($row[$x] === self::INK) {
                    $began[$x] = $y;
                } else {
                    $lengths[] = $y - $began[$x];
                }
            }
            $above = $row;
        }

        return $lengths;
    }

    /** The page without its margin: 255 where there is ink or a bridge. */
    public function bounds(): string
    {
        $width = $this->stride - 2;
        $bounds = '';
        for ($y = 1; $y < $this->height - 1; $y++) {
            $bounds .= substr($this->ink, $y * $this->stride + 1, $width);
        }

        return $bounds;
    }
}
