<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Page\Drawing\InkStroke;

/**
 * What lines would become if they were made to meet: ends that reach a little beyond another line are cut back to it,
 * and ends that nearly touch are brought together. Nothing is changed here; what would change is answered.
 */
final class TidyLines
{
    /** Lines are looked for in squares of this side, px. */
    private const CELL = 64;

    /** A line keeps at least so many times the length that may be cut off it. */
    private const KEPT = 2.0;

    /** @var array<string, list<array{string, int}>> line and number of its first point, by square */
    private array $squares = [];

    /** @param  array<array-key, InkStroke>  $lines  by id */
    private function __construct(private readonly array $lines)
    {
        foreach ($lines as $id => $line) {
            for ($i = 1, $count = count($line->points); $i < $count; $i++) {
                foreach ($this->squaresOf($line->points[$i - 1], $line->points[$i]) as $square) {
                    $this->squares[$square][] = [(string) $id, $i - 1];
                }
            }
        }
    }

    /**
     * @param  array<array-key, InkStroke>  $lines  by id
     * @param  float  $overshoot  px beyond another line that are cut off, at the most
     * @param  float  $gap  px between two ends that are brought together, at the most
     * @return array<string, InkStroke> those that would change, by id
     */
    public static function proposed(array $lines, float $overshoot, float $gap): array
    {
        $tidy = new self($lines);
        $changed = [];
        foreach ($overshoot > 0 ? $lines : [] as $id => $line) {
            $points = $tidy->trimmed((string) $id, $tidy->trimmed((string) $id, $line->points, $overshoot), $overshoot);
            if ($points !== $line->points) {
                $changed[(string) $id] = $line->through($points);
            }
        }

        return $gap > 0 ? self::met(array_replace($lines, $changed), $changed, $gap) : $changed;
    }

    /**
     * Cut back at its end, and turned round: done twice, both ends are seen to and it runs as before.
     *
     * @param  non-empty-list<array{float, float, float}>  $points
     * @return non-empty-list<array{float, float, float}>
     */
    private function trimmed(string $id, array $points, float $overshoot): array
    {
        $turned = array_reverse($points);
        if (Path::lengthOf($points) < (1 + self::KEPT) * $overshoot) {
            return $turned;
        }
        $walked = 0.0;
        for ($i = 1; $i < count($turned) && $walked < $overshoot; $i++) {
            [$from, $to] = [$turned[$i - 1], $turned[$i]];
            $length = hypot($to[0] - $from[0], $to[1] - $from[1]);
            // Of a long piece only its beginning counts.
            $near = $length === 0.0 ? 1.0 : min(1.0, ($overshoot - $walked) / $length);
            $share = $this->crossing($id, $from, $to, $near);
            if ($share !== null) {
                $cut = [
                    round($from[0] + ($to[0] - $from[0]) * $share, 2),
                    round($from[1] + ($to[1] - $from[1]) * $share, 2),
                    $from[2] + ($to[2] - $from[2]) * $share,
                ];

                return [$cut, ...array_slice($turned, $i)];
            }
            $walked += $length;
        }

        return $turned;
    }

    /**
     * Where the beginning of a piece of a line first crosses another line.
     *
     * @param  array{float, float, float}  $from
     * @param  array{float, float, float}  $to
     * @param  float  $near  how much of the piece is looked at, 0..1
     * @return ?float share of the whole piece, 0..$near; null where it crosses none
     */
    private function crossing(string $id, array $from, array $to, float $near): ?float
    {
        $first = null;
        $end = [$from[0] + ($to[0] - $from[0]) * $near, $from[1] + ($to[1] - $from[1]) * $near, $to[2]];
        foreach ($this->squaresOf($from, $end) as $square) {
            foreach ($this->squares[$square] ?? [] as [$other, $i]) {
                if ($other === $id) {
                    continue;
                }
                $share = self::meeting(
                    $from,
                    $to,
                    $this->lines[$other]->points[$i],
                    $this->lines[$other]->points[$i + 1],
                );
                $first = $share === null || $share > $near ? $first : min($first ?? 1.0, $share);
            }
        }

        return $first;
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @param  array{float, float, float}  $c
     * @param  array{float, float, float}  $d
     */
    private static function meeting(array $a, array $b, array $c, array $d): ?float
    {
        [$ux, $uy, $vx, $vy] = [$b[0] - $a[0], $b[1] - $a[1], $d[0] - $c[0], $d[1] - $c[1]];
        $cross = $ux * $vy - $uy * $vx;
        if (abs($cross) < 1e-9) {
            return null;
        }
        $t = (($c[0] - $a[0]) * $vy - ($c[1] - $a[1]) * $vx) / $cross;
        $s = (($c[0] - $a[0]) * $uy - ($c[1] - $a[1]) * $ux) / $cross;

        return $t >= 0 && $t <= 1 && $s >= 0 && $s <= 1 ? $t : null;
    }

    /**
     * Ends that are each other's nearest are brought together half-way.
     *
     * @param  array<array-key, InkStroke>  $lines
     * @param  array<string, InkStroke>  $changed
     * @return array<string, InkStroke>
     */
    private static function met(array $lines, array $changed, float $gap): array
    {
        $ends = [];
        foreach ($lines as $id => $line) {
            $last = count($line->points) - 1;
            if ($last > 0 && Path::lengthOf($line->points) > 2 * $gap) {
                array_push($ends, [(string) $id, 0, $line->points[0]], [(string) $id, $last, $line->points[$last]]);
            }
        }
        $nearest = self::nearest($ends, $gap);
        foreach ($nearest as $i => $j) {
            if ($i < $j && ($nearest[$j] ?? null) === $i) {
                $middle = [
                    round(($ends[$i][2][0] + $ends[$j][2][0]) / 2, 2),
                    round(($ends[$i][2][1] + $ends[$j][2][1]) / 2, 2),
                ];
                foreach ([$ends[$i], $ends[$j]] as [$id, $at]) {
                    $line = $changed[$id] ?? $lines[$id];
                    $points = $line->points;
                    $points[$at] = [$middle[0], $middle[1], $points[$at][2]];
                    $changed[$id] = $line->through(array_values($points));
                }
            }
        }

        return $changed;
    }

    /**
     * @param  list<array{string, int, array{float, float, float}}>  $ends
     * @return array<int, int> for each end the nearest other one within reach that it does not touch already
     */
    private static function nearest(array $ends, float $gap): array
    {
        $squares = [];
        foreach ($ends as $i => [, , [$x, $y]]) {
            $squares[((int) floor($x / $gap)).' '.((int) floor($y / $gap))][] = $i;
        }
        $nearest = [];
        foreach ($ends as $i => [, , [$x, $y]]) {
            $least = $gap;
            [$column, $row] = [(int) floor($x / $gap), (int) floor($y / $gap)];
            foreach ([-1, 0, 1] as $right) {
                foreach ([-1, 0, 1] as $down) {
                    foreach ($squares[$column + $right.' '.($row + $down)] ?? [] as $j) {
                        $away = hypot($ends[$j][2][0] - $x, $ends[$j][2][1] - $y);
                        if ($j !== $i && $away > 0.0 && $away <= $least) {
                            [$least, $nearest[$i]] = [$away, $j];
                        }
                    }
                }
            }
        }

        return $nearest;
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @return list<string> the squares a straight piece goes through: column by column, the rows it has there
     */
    private function squaresOf(array $a, array $b): array
    {
        [$left, $right] = $a[0] <= $b[0] ? [$a, $b] : [$b, $a];
        $slope = $right[0] > $left[0] ? ($right[1] - $left[1]) / ($right[0] - $left[0]) : 0.0;
        [$first, $last] = [(int) floor($left[0] / self::CELL), (int) floor($right[0] / self::CELL)];
        $squares = [];
        for ($column = $first; $column <= $last; $column++) {
            $enters = $column === $first ? $left[1] : $left[1] + $slope * ($column * self::CELL - $left[0]);
            $leaves = $column === $last ? $right[1] : $left[1] + $slope * (($column + 1) * self::CELL - $left[0]);
            // Half a pixel more: rounding must not lose the square in which two pieces meet.
            $bottom = (int) floor((max($enters, $leaves) + 0.5) / self::CELL);
            for ($row = (int) floor((min($enters, $leaves) - 0.5) / self::CELL); $row <= $bottom; $row++) {
                $squares[] = "$column $row";
            }
        }

        return $squares;
    }
}
