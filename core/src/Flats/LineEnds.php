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

    /** The same for a corner where two lines meet, one that was cut off from a third: as a part of the way over it. */
    private const CORNER = 0.8;

    /** How close is told in so many parts of that way. */
    private const PARTS = 1000;

    /**
     * How far along the edge a tip is looked at, as a multiple of the line's width, an addition and a least, in pixels:
     * the short reach finds the ends of fine lines, the longer ones those of broader ones. Found by trying on drawings.
     */
    private const REACHES = [[1.3, 3, 5], [2.6, 4, 9], [3.5, 4, 12], [4.5, 6, 16]];

    /** The square of the least distance that counts as turned back: the edges of a hairline are nearly 3 px apart. */
    private const TURNED_LEAST = 8;

    /** The longest way round a dot, in widths of a line. */
    private const DOT = 7;

    /** A dot or corner with so many others of its kind around it, in widths of a line, is one of a pattern. */
    private const PATTERN = 5;

    private const PATTERN_REACH = 7;

    /** What has two tips that look away from each other is a stroke, however short: the cosine between them. */
    private const AWAY = -0.8;

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
     * @param  bool  $ofPatterns  whether corners and dots of patterns are told, too, as what learns where lines were
     *     cut is
     * @return list<LineEnd>
     */
    public function find(Runs $runs, float $lineWidth, bool $ofPatterns = false): array
    {
        $visited = str_repeat("\0", strlen($this->ink));
        $ends = [];
        $reaches = array_map(
            fn (array $reach): int => max($reach[2], (int) round($reach[0] * $lineWidth + $reach[1])),
            self::REACHES,
        );
        foreach ($runs->from as $start) {
            if ($visited[$start] === "\0") {
                [$xs, $ys] = $this->walk($start, $visited);
                $found = $this->ends($xs, $ys, $reaches);
                $isShort = count($xs) <= self::DOT * $lineWidth && ! self::isStroke($found);
                array_push($ends, ...$isShort ? self::dot($xs, $ys) ?? $found : $found);
            }
        }

        return $ofPatterns ? $ends : self::withoutPatterns($ends, $lineWidth);
    }

    /**
     * Dots among many others are screen tone, and corners among many others a meander or an edge of it: no knife made
     * them.
     *
     * @param  list<LineEnd>  $ends
     * @return list<LineEnd>
     */
    private static function withoutPatterns(array $ends, float $lineWidth): array
    {
        foreach ([EndKind::Dot, EndKind::Corner] as $kind) {
            $alike = array_filter($ends, fn (LineEnd $end): bool => $end->is($kind));
            $nearby = new Nearby($alike, (int) ceil(self::PATTERN_REACH * $lineWidth));
            $ends = array_values(
                array_filter(
                    $ends,
                    fn (LineEnd $end, int $i): bool => ! isset($alike[$i]) ||
                        $nearby->count($end->x, $end->y, $i) < self::PATTERN,
                    ARRAY_FILTER_USE_BOTH,
                ),
            );
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

    /** @param  list<LineEnd>  $ends  of one edge */
    private static function isStroke(array $ends): bool
    {
        return count($ends) === 2 &&
            $ends[0]->is(EndKind::Tip) &&
            $ends[1]->is(EndKind::Tip) &&
            $ends[0]->dx * $ends[1]->dx + $ends[0]->dy * $ends[1]->dy < self::AWAY;
    }

    /**
     * The middle of what an edge goes round, by the areas of triangles (the shoelace formula).
     *
     * @param  list<int>  $xs
     * @param  list<int>  $ys
     * @return ?list<LineEnd> null where it is a hole in the ink
     */
    private static function dot(array $xs, array $ys): ?array
    {
        $twice = $x = $y = 0;
        for ($i = 0, $before = count($xs) - 1; $i < count($xs); $before = $i++) {
            $cross = $xs[$before] * $ys[$i] - $xs[$i] * $ys[$before];
            $twice += $cross;
            $x += ($xs[$before] + $xs[$i]) * $cross;
            $y += ($ys[$before] + $ys[$i]) * $cross;
        }

        return $twice > 0 ? [new LineEnd($x / 3 / $twice, $y / 3 / $twice, 0.0, 0.0, EndKind::Dot)] : null;
    }

    /**
     * @param  list<int>  $xs
     * @param  list<int>  $ys
     * @param  list<int>  $reaches
     * @return list<LineEnd>
     */
    private function ends(array $xs, array $ys, array $reaches): array
    {
        $count = count($xs);
        $ends = $taken = [];
        $kinds = [
            ...array_map(fn (int $reach): array => [$reach, EndKind::Tip], $reaches),
            [$reaches[0], EndKind::Corner],
        ];
        foreach ($kinds as [$reach, $kind]) {
            if ($count < 2 * $reach + 4) {
                continue;
            }
            $runs = $kind === EndKind::Tip ? $this->tips($xs, $ys, $reach) : $this->corners($xs, $ys, $reach);
            foreach ($runs as [$first, $last]) {
                $middle = ($first + $last) / 2;
                foreach ($taken as $other) {
                    $apart = abs($middle - $other);
                    if (min($apart, $count - $apart) < $reach) {
                        continue 2;
                    }
                }
                $end = $this->end($xs, $ys, $first, $last, $reach, $kind);
                if ($end !== null) {
                    $taken[] = $middle;
                    $ends[] = $end;
                }
            }
        }

        return $ends;
    }

    /**
     * Where the edge turns back on itself: the places before and after come closer than they do along a line.
     *
     * @param  list<int>  $xs
     * @param  list<int>  $ys
     * @return list<array{int, int}> the first and the last of the equally close places of each turn, the closest first
     */
    private function tips(array $xs, array $ys, int $reach): array
    {
        $limit = max(self::TURNED_LEAST, (int) ((self::TURNED * $reach) ** 2));
        $count = count($xs);
        $chords = [];
        $start = -1;
        for ($i = 0, $before = $count - $reach, $after = $reach; $i < $count; $i++) {
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
                $chords[$i] = $chord;
            } else {
                $start = $i;
            }
        }

        return $this->stretches($chords, $start, $count, $reach);
    }

    /**
     * Where the edge bends away: the places before and after are closer together than the way over the corner. Steps
     * along the edge would not do for that way: a slanted edge goes up and along by turns, and takes more of them.
     *
     * @param  list<int>  $xs
     * @param  list<int>  $ys
     * @return list<array{int, int}> as tips() gives them
     */
    private function corners(array $xs, array $ys, int $reach): array
    {
        $count = count($xs);
        $bends = [];
        $start = -1;
        // No way is longer than its steps: most of an edge need not be looked at closely.
        $limit = (2 * self::CORNER * $reach) ** 2;
        for ($i = 0, $before = $count - $reach, $after = $reach; $i < $count; $i++) {
            $chord = ($xs[$after] - $xs[$before]) ** 2 + ($ys[$after] - $ys[$before]) ** 2;
            $bend = $chord > $limit ? self::PARTS : (int) (self::PARTS * self::bend($xs, $ys, $before, $i, $after));
            if (++$after === $count) {
                $after = 0;
            }
            if (++$before === $count) {
                $before = 0;
            }
            if ($bend <= self::PARTS * self::CORNER) {
                $bends[$i] = $bend;
            } else {
                $start = $i;
            }
        }

        return $this->stretches($bends, $start, $count, $reach);
    }

    /**
     * How close two places on an edge are, in parts of the way over the one between.
     *
     * @param  list<int>  $xs
     * @param  list<int>  $ys
     */
    private static function bend(array $xs, array $ys, int $before, int $i, int $after): float
    {
        [$x, $y, $ax, $ay, $bx, $by] = [$xs[$i], $ys[$i], $xs[$before], $ys[$before], $xs[$after], $ys[$after]];
        // Where dust touches itself, an edge may come by the same place again: then there is no way at all.
        $way = max(1.0, hypot($ax - $x, $ay - $y) + hypot($bx - $x, $by - $y));

        return hypot($bx - $ax, $by - $ay) / $way;
    }

    /**
     * @param  array<int, int>  $chords  how close, by place, those close enough alone
     * @param  int  $open  a place that is not among them; -1: there is none
     * @return list<array{int, int}> the first and the last of the equally close places of each turn, the closest first
     */
    private function stretches(array $chords, int $open, int $count, int $reach): array
    {
        if ($chords === [] || $open < 0) {
            return [];
        }
        // The walk begins anywhere: a turn that lies across its beginning is one.
        if (isset($chords[0], $chords[$count - 1])) {
            for ($i = 0; isset($chords[$i]); $i++) {
                $chords[$i + $count] = $chords[$i];
                unset($chords[$i]);
            }
        }

        return $this->closest($chords, $reach);
    }

    /**
     * @param  array<int, int>  $chords  by place, those close enough alone, stretch by stretch
     * @return list<array{int, int}>
     */
    private function closest(array $chords, int $reach): array
    {
        $turns = [];
        $previous = PHP_INT_MIN;
        $turn = null;
        foreach ($chords as $i => $chord) {
            if ($i !== $previous + 1) {
                if ($turn !== null) {
                    $turns[] = $turn;
                }
                $turn = [$chord, $i, $i];
            } elseif ($turn !== null && $chord < $turn[0]) {
                $turn = [$chord, $i, $i];
            } elseif ($turn !== null && $chord === $turn[0] && $i - $turn[1] <= $reach) {
                $turn[2] = $i;
            }
            $previous = $i;
        }
        if ($turn !== null) {
            $turns[] = $turn;
        }
        usort($turns, fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_map(fn (array $turn): array => [$turn[1], $turn[2]], $turns);
    }

    /**
     * @param  list<int>  $xs
     * @param  list<int>  $ys
     */
    private function end(array $xs, array $ys, int $first, int $last, int $reach, EndKind $kind): ?LineEnd
    {
        $count = count($xs);
        // The middle of an even number of places lies between two of them.
        [$low, $high] = [intdiv($first + $last, 2), intdiv($first + $last + 1, 2)];
        $at = fn (int $i): int => (($i % $count) + $count) % $count;
        $tipX = ($xs[$at($low)] + $xs[$at($high)]) / 2;
        $tipY = ($ys[$at($low)] + $ys[$at($high)]) / 2;
        $backX =
            ($xs[$at($low - $reach)] + $xs[$at($low + $reach)] + $xs[$at($high - $reach)] + $xs[$at($high + $reach)]) /
            4;
        $backY =
            ($ys[$at($low - $reach)] + $ys[$at($low + $reach)] + $ys[$at($high - $reach)] + $ys[$at($high + $reach)]) /
            4;
        $dx = $tipX - $backX;
        $dy = $tipY - $backY;
        $length = hypot($dx, $dy);
        if ($length < self::TIP_LEAST) {
            return null;
        }
        // Ink in the middle: the tip of a stroke. Paper in the middle: the end of a notch between strokes.
        $middle = (int) (($tipY + $backY) / 2) * $this->stride + (int) (($tipX + $backX) / 2);
        if ($this->ink[$middle] !== "\xff") {
            return null;
        }

        // In the pixel of ink at the tip: a little back from the corner, toward the stroke.
        [$x, $y, $dx, $dy] = [
            $tipX - (self::INTO_PIXEL * $dx) / $length,
            $tipY - (self::INTO_PIXEL * $dy) / $length,
            $dx / $length,
            $dy / $length,
        ];
        if ($kind !== EndKind::Corner) {
            return new LineEnd($x, $y, $dx, $dy);
        }
        // Both middles count, that a mirrored edge bends as much.
        $around = fn (int $middle, int $far): float => self::bend(
            $xs,
            $ys,
            $at($middle - $far),
            $at($middle),
            $at($middle + $far),
        );
        $bend = fn (int $far): float => ($around($low, $far) + $around($high, $far)) / 2;

        return new LineEnd(
            x: $x,
            y: $y,
            dx: $dx,
            dy: $dy,
            kind: $kind,
            bend: $bend($reach),
            farBend: $bend(2 * $reach),
        );
    }
}
