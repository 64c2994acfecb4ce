<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

/** Points of edges that run one way, by how far along that way they lie and how far off it, px. */
final readonly class EdgePoints
{
    private int $longest;

    private int $least;

    private int $most;

    /**
     * @param  list<int>  $along  0 or more
     * @param  list<int>  $off
     * @param  int  $every  how many there are for each of these
     */
    public function __construct(private array $along, private array $off, public int $every = 1)
    {
        $this->longest = max([0, ...$along]);
        $this->least = min([0, ...$off]);
        $this->most = max([0, ...$off]);
    }

    /** No more than so many of them, spread evenly. */
    public function atMost(int $many): self
    {
        return $this->thinned((int) ceil(count($this->along) / $many));
    }

    /** Every so many of them. */
    public function thinned(int $every): self
    {
        if ($every <= 1) {
            return $this;
        }
        $along = $off = [];
        for ($i = 0, $count = count($this->along); $i < $count; $i += $every) {
            $along[] = $this->along[$i];
            $off[] = $this->off[$i];
        }

        return new self($along, $off, $this->every * $every);
    }

    /**
     * @return array{int, int} how much they fall into rows at an angle: the squares of how many lie in each, added up;
     *     and how many lie in the fullest
     */
    public function inRows(float $degrees): array
    {
        $sin = sin(deg2rad($degrees));
        $cos = cos(deg2rad($degrees));
        // Counted from the first row there can be: a list is quicker than an array by number, and the loop is hot.
        $reach = $this->longest * abs($sin);
        $first = floor($this->least * $cos - $reach);
        $rows = array_fill(0, (int) ($this->most * $cos + $reach - $first) + 1, 0);
        $off = $this->off;
        foreach ($this->along as $i => $along) {
            $rows[(int) ($off[$i] * $cos - $along * $sin - $first)]++;
        }
        $sum = $fullest = 0;
        foreach ($rows as $count) {
            $sum += $count * $count;
            $fullest = $count > $fullest ? $count : $fullest;
        }

        return [$sum, $fullest];
    }
}
