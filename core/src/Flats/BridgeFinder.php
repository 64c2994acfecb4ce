<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Page\Bridge;
use Awning\Core\Raster\Runs;

/**
 * Proposes bridges: from line end to line end where two point at each other, and from the remaining line ends to the
 * nearest ink ahead of them. Short and straight goes first; an end that a bridge has closed looks no further.
 */
final readonly class BridgeFinder
{
    /** Cosine of how far aside of its direction a line end still looks. */
    private const ASIDE = 0.2;

    /** Rays a line end looks along, spread over that angle: about one each 16 degrees. */
    private const RAYS = 11;

    /** Pixels beyond the limit that a line end's own ink and the hit of a slanted ray may lie: rounding, and the pen's half. */
    private const SLACK = 2;

    /** The same between two tips, whose pixels lie half a pixel inside the ink each. */
    private const TIP_SLACK = 1.5;

    /** Ends nearer than this nearly touch: their directions come from too few pixels to tell anything. */
    private const TOUCHING = 4;

    /** The least sum of the cosines of two ends that face each other: one may look aside only if the other does not. */
    private const FACING = 1.0;

    /** How much longer a ray at a right angle counts than one straight ahead. */
    private const ASIDE_COST = 0.45;

    /** How often ink and paper may take turns on the way between two ends: once at either tip. */
    private const TURNS = 2;

    /** @param  int  $limit  the longest gap that is closed, in pixels */
    public function __construct(private int $limit)
    {
    }

    /**
     * @param  string  $ink  255 where there is ink, with a margin of one free pixel; the bridges found are drawn in
     * @return list<Bridge> in that plane's coordinates
     */
    public function find(string &$ink, int $stride, Runs $runs): array
    {
        if ($this->limit < 1) {
            return [];
        }
        $lineWidth = max(1.0, $runs->lengthAt(0.4) * 0.85);
        $ends = (new LineEnds($ink, $stride))->find($runs, $lineWidth);
        $bridges = $used = [];
        foreach ($this->pairs($ends, $ink, $stride) as [$i, $j]) {
            if (! isset($used[$i]) && ! isset($used[$j])) {
                $used[$i] = $used[$j] = true;
                $bridges[] = $this->draw(new Bridge($ends[$i]->x, $ends[$i]->y, $ends[$j]->x, $ends[$j]->y), $ink, $stride);
            }
        }
        $rest = array_diff_key($ends, $used);
        $shots = [];
        foreach ($rest as $i => $end) {
            $hit = $this->ahead($end, $ink, $stride);
            if ($hit !== null) {
                $shots[] = [$hit[2], $i];
            }
        }
        sort($shots);
        foreach ($shots as [, $i]) {
            // Looked for anew: an earlier bridge may stand nearer by now.
            $hit = $this->ahead($ends[$i], $ink, $stride);
            if ($hit !== null) {
                $bridges[] = $this->draw(new Bridge($ends[$i]->x, $ends[$i]->y, $hit[0], $hit[1]), $ink, $stride);
            }
        }

        return $bridges;
    }

    private function draw(Bridge $bridge, string &$ink, int $stride): Bridge
    {
        foreach ($bridge->pixels() as [$x, $y]) {
            $ink[$y * $stride + $x] = "\xff";
        }

        return $bridge;
    }

    /**
     * Ends that face each other across free paper, best first.
     *
     * @param  list<LineEnd>  $ends
     * @return list<array{int, int}>
     */
    private function pairs(array $ends, string $ink, int $stride): array
    {
        $cell = $this->limit + self::SLACK;
        $grid = [];
        foreach ($ends as $i => $end) {
            $grid[intdiv($end->x, $cell)][intdiv($end->y, $cell)][] = $i;
        }
        $pairs = [];
        foreach ($ends as $i => $end) {
            $column = intdiv($end->x, $cell);
            $row = intdiv($end->y, $cell);
            for ($x = $column - 1; $x <= $column + 1; $x++) {
                for ($y = $row - 1; $y <= $row + 1; $y++) {
                    foreach ($grid[$x][$y] ?? [] as $j) {
                        if ($j > $i && ($cost = $this->cost($end, $ends[$j], $ink, $stride)) !== null) {
                            $pairs[] = [$cost, $i, $j];
                        }
                    }
                }
            }
        }
        sort($pairs);

        return array_map(fn (array $pair): array => [$pair[1], $pair[2]], $pairs);
    }

    private function cost(LineEnd $a, LineEnd $b, string $ink, int $stride): ?float
    {
        $dx = $b->x - $a->x;
        $dy = $b->y - $a->y;
        $length = hypot($dx, $dy);
        if ($length > $this->limit + self::TIP_SLACK || $length < 1) {
            return null;
        }
        $out = ($a->dx * $dx + $a->dy * $dy) / $length;
        $in = -($b->dx * $dx + $b->dy * $dy) / $length;
        // Ends that nearly touch have no telling direction.
        if ($length > self::TOUCHING && ($out < self::ASIDE || $in < self::ASIDE || $out + $in < self::FACING)) {
            return null;
        }
        if (! $this->clear($a, $b, $ink, $stride)) {
            return null;
        }

        // Straight ahead from both sides costs the length once; aside from both, up to three times.
        return $length * (3 - $out - $in);
    }

    /** Whether a straight line between two ends crosses paper and nothing else, but for a little ink at either tip. */
    private function clear(LineEnd $a, LineEnd $b, string $ink, int $stride): bool
    {
        $steps = max(abs($b->x - $a->x), abs($b->y - $a->y));
        $free = $turns = 0;
        $wasInk = true;
        for ($i = 1; $i < $steps; $i++) {
            $x = $a->x + (int) round(($b->x - $a->x) * $i / $steps);
            $y = $a->y + (int) round(($b->y - $a->y) * $i / $steps);
            $isInk = $ink[$y * $stride + $x] === "\xff";
            if ($isInk !== $wasInk) {
                $turns++;
                $wasInk = $isInk;
            }
            $free += $isInk ? 0 : 1;
        }

        return $free > 0 && $turns <= self::TURNS;
    }

    /**
     * The ink that hangs together with a line end inside a window a little wider than the limit: a bridge to it would
     * close nothing but a dent.
     *
     * @return array<int, true> by pixel number
     */
    private function near(LineEnd $end, string $ink, int $stride): array
    {
        $reach = $this->limit + self::SLACK;
        $start = $end->y * $stride + $end->x;
        $own = [$start => true];
        $queue = [[$end->x, $end->y]];
        while ($queue !== []) {
            [$x, $y] = array_pop($queue);
            for ($ny = $y - 1; $ny <= $y + 1; $ny++) {
                for ($nx = $x - 1; $nx <= $x + 1; $nx++) {
                    $at = $ny * $stride + $nx;
                    if (! isset($own[$at]) && ($ink[$at] ?? "\0") === "\xff" && abs($nx - $end->x) <= $reach && abs($ny - $end->y) <= $reach) {
                        $own[$at] = true;
                        $queue[] = [$nx, $ny];
                    }
                }
            }
        }

        return $own;
    }

    /** @return ?array{int, int, float} the pixel of ink met first ahead of a line end, and what it costs to go there */
    private function ahead(LineEnd $end, string $ink, int $stride): ?array
    {
        $best = null;
        $least = INF;
        $own = $this->near($end, $ink, $stride);
        $angle = atan2($end->dy, $end->dx);
        $half = acos(self::ASIDE);
        $last = strlen($ink);
        for ($ray = 0; $ray < self::RAYS; $ray++) {
            $turn = $half * (2 * $ray / (self::RAYS - 1) - 1);
            $dx = cos($angle + $turn);
            $dy = sin($angle + $turn);
            $left = false;
            $weight = 1 + self::ASIDE_COST * (1 - cos($turn));
            for ($distance = 1; $distance <= $this->limit; $distance++) {
                $x = (int) round($end->x + $dx * $distance);
                $y = (int) round($end->y + $dy * $distance);
                $at = $y * $stride + $x;
                if ($at < 0 || $at >= $last || $x < 0 || $x >= $stride) {
                    break;
                }
                if ($ink[$at] !== "\xff") {
                    $left = true;
                } elseif ($left) {
                    if (! isset($own[$at]) && $distance * $weight < min($least, $this->limit + self::SLACK)) {
                        $least = $distance * $weight;
                        $best = [$x, $y, $least];
                    }
                    break;
                } elseif ($distance > 3) {
                    break;
                }
            }
        }

        return $best;
    }
}
