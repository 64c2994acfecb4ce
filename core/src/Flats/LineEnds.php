<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Raster\Runs;

/**
 * Finds line ends by walking round every edge of the ink. At a tip the edge turns back on itself: the points some way
 * before and after are closer together than the way between them allows anywhere else, with ink in the middle. The
 * cost goes with the length of the edges, not with the page.
 */
final class LineEnds
{
    /** East, south, west, north: step of the corner walked on, in columns and rows. */
    private const STEP_X = [1, 0, -1, 0];

    private const STEP_Y = [0, 1, 0, -1];

    /** How close, in parts of the reach, the edge before and after a tip comes. */
    private const TURNED = 0.62;

    /**
     * How far along the edge a tip is looked at, as a multiple of the line's width, an addition and a least, in pixels: the
     * short reach finds the ends of fine lines, the longer ones those of broader ones. Found by trying on drawings.
     */
    private const REACHES = [[1.3, 3, 5], [2.6, 4, 9], [3.5, 4, 12], [4.5, 6, 16]];

    /** The square of the least distance that counts as turned back: the edges of a hairline are nearly 3 px apart. */
    private const TURNED_LEAST = 8;

    /** A tip that stands out less has no direction. */
    private const TIP_LEAST = 1.5;

    /** From the corner at the tip to the middle of its pixel of ink. */
    private const INTO_PIXEL = 0.7;

    private string $ink;

    private int $stride;

    /**
     * @param  string  $ink  255 where there is ink, with a margin of at least one free pixel on every side
     * @param  int  $stride  width of that plane, margin included
     */
    public function __construct(string $ink, int $stride)
    {
        $this->ink = $ink;
        $this->stride = $stride;
    }

    /**
     * @param  Runs  $runs  the runs of ink of the same plane
     * @param  float  $lineWidth  the usual width of a line, in pixels
     * @return list<LineEnd>
     */
    public function find(Runs $runs, float $lineWidth): array
    {
        $visited = str_repeat("\0", strlen($this->ink));
        $ends = [];
        $reaches = array_map(fn (array $reach): int => max($reach[2], (int) round($reach[0] * $lineWidth + $reach[1])), self::REACHES);
        foreach ($runs->from as $start) {
            if ($visited[$start] === "\0") {
                [$xs, $ys] = $this->walk($start, $visited);
                foreach ($this->tips($xs, $ys, $reaches) as $end) {
                    $ends[] = $end;
                }
            }
        }

        return $ends;
    }

    /**
     * Walks one edge with the ink at the right hand, from the left side of a pixel back to it.
     *
     * @return array{list<int>, list<int>} the corners passed
     */
    private function walk(int $start, string &$visited): array
    {
        $ink = $this->ink;
        $stride = $this->stride;
        // Of the four pixels round a corner, by heading: the one ahead at the left and the one ahead at the right.
        $aheadLeft = [-$stride, 0, -1, -$stride - 1];
        $aheadRight = [0, -1, -$stride - 1, -$stride];
        $step = [1, $stride, -1, -$stride];
        $xs = $ys = [];
        $y = intdiv($start, $stride);
        $x = $start - $y * $stride;
        $at = $start;
        $heading = 3;
        // The first corner is the pixel's upper left one; the walk came along its left side.
        do {
            $xs[] = $x;
            $ys[] = $y;
            if ($heading === 3) {
                $visited[$at] = "\1";
            }
            if ($ink[$at + $aheadLeft[$heading]] === "\xff") {
                $heading = ($heading + 3) & 3;
            } elseif ($ink[$at + $aheadRight[$heading]] !== "\xff") {
                $heading = ($heading + 1) & 3;
            }
            $at += $step[$heading];
            $x += self::STEP_X[$heading];
            $y += self::STEP_Y[$heading];
        } while ($at !== $start || $heading !== 3);

        return [$xs, $ys];
    }

    /**
     * @param  list<int>  $xs
     * @param  list<int>  $ys
     * @param  list<int>  $reaches
     * @return list<LineEnd>
     */
    private function tips(array $xs, array $ys, array $reaches): array
    {
        $count = count($xs);
        $found = [];
        foreach ($reaches as $reach) {
            if ($count < 2 * $reach + 4) {
                continue;
            }
            $limit = max(self::TURNED_LEAST, (int) ((self::TURNED * $reach) ** 2));
            $bestAt = $last = -1;
            $best = PHP_INT_MAX;
            $before = $count - $reach;
            $after = $reach;
            for ($i = 0; $i < $count; $i++) {
                $dx = $xs[$after] - $xs[$before];
                $dy = $ys[$after] - $ys[$before];
                $chord = $dx * $dx + $dy * $dy;
                if (++$after === $count) {
                    $after = 0;
                }
                if (++$before === $count) {
                    $before = 0;
                }
                if ($chord <= $limit) {
                    if ($chord < $best) {
                        $best = $chord;
                        $bestAt = $i;
                        $last = $i;
                    } elseif ($chord === $best && $i - $bestAt <= $reach) {
                        $last = $i;
                    }
                } elseif ($bestAt >= 0) {
                    $found[] = [intdiv($bestAt + $last, 2), $reach];
                    $bestAt = -1;
                    $best = PHP_INT_MAX;
                }
            }
            if ($bestAt >= 0) {
                $found[] = [intdiv($bestAt + $last, 2), $reach];
            }
        }
        $ends = [];
        $taken = [];
        foreach ($found as [$i, $reach]) {
            foreach ($taken as $other) {
                $apart = abs($i - $other);
                if (min($apart, $count - $apart) < $reach) {
                    continue 2;
                }
            }
            $end = $this->end($xs, $ys, $i % $count, $reach);
            if ($end !== null) {
                $taken[] = $i;
                $ends[] = $end;
            }
        }

        return $ends;
    }

    /**
     * @param  list<int>  $xs
     * @param  list<int>  $ys
     */
    private function end(array $xs, array $ys, int $i, int $reach): ?LineEnd
    {
        $count = count($xs);
        $a = ($i - $reach + $count) % $count;
        $b = ($i + $reach) % $count;
        $backX = ($xs[$a] + $xs[$b]) / 2;
        $backY = ($ys[$a] + $ys[$b]) / 2;
        $dx = $xs[$i] - $backX;
        $dy = $ys[$i] - $backY;
        $length = hypot($dx, $dy);
        if ($length < self::TIP_LEAST) {
            return null;
        }
        // Ink in the middle: the tip of a stroke. Paper in the middle: the end of a notch between strokes.
        $middle = (int) (($ys[$i] + $backY) / 2) * $this->stride + (int) (($xs[$i] + $backX) / 2);
        if ($this->ink[$middle] !== "\xff") {
            return null;
        }
        // The pixel of ink at the tip: half a pixel back from the corner, toward the stroke.
        $x = (int) floor($xs[$i] - self::INTO_PIXEL * $dx / $length);
        $y = (int) floor($ys[$i] - self::INTO_PIXEL * $dy / $length);

        return new LineEnd($x, $y, $dx / $length, $dy / $length);
    }
}
