<?php

declare(strict_types=1);

namespace App\Store;

/**
 * Tiles of one layer as they are asked for, fetched before their turn while they are read one after the other: a stroke
 * asks for a few, work on a whole page for all, and each query costs as much as ten tiles do.
 */
final class ReadAhead
{
    /** So many are fetched together at most: they wait in memory, deflated. */
    private const MOST = 32;

    /** Rows are so far apart in the order, more than a page has columns. */
    private const ROW = 1 << 16;

    /** @var list<string> hashes row by row, as pages are worked through */
    private readonly array $order;

    /** @var array<int, int> place => where in that order */
    private readonly array $turns;

    /** @var array<string, string> hash => deflated bytes */
    private array $waiting = [];

    /** Whose turn it is when all that is waiting has been asked for. */
    private int $next = -1;

    private int $together = 1;

    /** @param  array<string, string>  $hashes  "column,row" => hash */
    public function __construct(array $hashes, private readonly Tiles $tiles)
    {
        $byPlace = array_combine(
            array_map(fn (array $place): int => self::place(...$place), PageStore::places($hashes)),
            $hashes,
        );
        ksort($byPlace);
        $this->turns = array_flip(array_keys($byPlace));
        $this->order = array_values($byPlace);
    }

    private static function place(int $column, int $row): int
    {
        return $row * self::ROW + $column;
    }

    /**
     * @return ?string the tile's bytes; null when it is empty
     *
     * @throws TileMissing when the store has lost it
     */
    public function bytes(int $column, int $row): ?string
    {
        $turn = $this->turns[self::place($column, $row)] ?? null;
        if ($turn === null) {
            return null;
        }
        $hash = $this->order[$turn];
        if (! isset($this->waiting[$hash])) {
            $this->together = $turn === $this->next ? min(self::MOST, 2 * $this->together) : 1;
            $this->next = $turn + $this->together;
            $this->waiting = $this->tiles->manyPacked(array_slice($this->order, $turn, $this->together));
        }

        return Tiles::inflate($hash, $this->waiting[$hash] ?? null);
    }
}
