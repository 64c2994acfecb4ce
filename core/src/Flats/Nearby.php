<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

/** Line ends by where they are. */
final class Nearby
{
    /** @var array<int, array<int, list<int>>> numbers of ends by column and row of cells */
    private array $cells = [];

    /**
     * @param  array<int, LineEnd>  $ends
     * @param  int  $reach  the farthest that is asked for, px
     */
    public function __construct(private readonly array $ends, private readonly int $reach)
    {
        foreach ($ends as $i => $end) {
            $this->cells[intdiv((int) $end->x, $reach)][intdiv((int) $end->y, $reach)][] = $i;
        }
    }

    /** @return list<int> numbers of the ends that may be within reach of a place */
    public function around(float $x, float $y): array
    {
        [$column, $row] = [intdiv((int) $x, $this->reach), intdiv((int) $y, $this->reach)];
        $found = [];
        for ($c = $column - 1; $c <= $column + 1; $c++) {
            for ($r = $row - 1; $r <= $row + 1; $r++) {
                array_push($found, ...$this->cells[$c][$r] ?? []);
            }
        }

        return $found;
    }

    /** How many ends other than $except are within reach. */
    public function count(float $x, float $y, int $except = -1): int
    {
        $count = 0;
        foreach ($this->around($x, $y) as $i) {
            $count += $i !== $except && hypot($this->ends[$i]->x - $x, $this->ends[$i]->y - $y) < $this->reach ? 1 : 0;
        }

        return $count;
    }

    /** How far the nearest end other than $except is; the reach when there is none within it. */
    public function distance(float $x, float $y, int $except): float
    {
        $least = (float) $this->reach;
        foreach ($this->around($x, $y) as $i) {
            if ($i !== $except) {
                $least = min($least, hypot($this->ends[$i]->x - $x, $this->ends[$i]->y - $y));
            }
        }

        return $least;
    }
}
