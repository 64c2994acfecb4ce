<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\State;

/** All that an op altered, each thing once, so that it can be taken back and done again bit for bit. */
final readonly class Change
{
    /**
     * @param  list<TileChange>  $tiles
     * @param  list<RecordChange>  $records
     */
    public function __construct(public array $tiles, public array $records)
    {
    }

    public function isEmpty(): bool
    {
        return $this->tiles === [] && $this->records === [];
    }

    public function inverted(): self
    {
        return new self(
            array_map(
                fn (TileChange $c): TileChange => new TileChange($c->layer, $c->column, $c->row, $c->after, $c->before),
                $this->tiles,
            ),
            array_map(
                fn (RecordChange $c): RecordChange => new RecordChange($c->kind, $c->key, $c->after, $c->before),
                $this->records,
            ),
        );
    }
}
