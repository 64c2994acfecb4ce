<?php

declare(strict_types=1);

namespace App\Store;

use Awning\Core\Page\LayerName;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;
use Awning\Core\Sheet\State\SheetSource;

/**
 * A page as it was at one moment, whatever is done to it afterwards: its records and the names of its tiles are read in
 * one transaction, and a tile never changes under its name. Tiles are fetched at once and kept deflated, so that
 * nothing is asked of the database later.
 */
final class FrozenPage implements SheetSource
{
    private const BATCH = 100;

    /** @var array<string, array<string, string>> layer => "column,row" => hash */
    private readonly array $hashes;

    /** @var array<string, array<array-key, Record>> by kind */
    private readonly array $records;

    /** @var array<string, string> hash => deflated bytes */
    private array $tiles = [];

    /** Call it inside a transaction, so that all is read of the same moment. */
    public function __construct(PageStore $store)
    {
        $this->hashes = $store->allHashes();
        $records = [];
        foreach (RecordKind::cases() as $kind) {
            $records[$kind->value] = $store->records($kind);
        }
        $this->records = $records;
    }

    /** Fetches the tiles; after the transaction, which need not wait for it. @throws TileMissing */
    public function fetch(Tiles $tiles = new Tiles): self
    {
        $wanted = array_values(array_unique(array_merge(...array_map(array_values(...), array_values($this->hashes)))));
        foreach (array_chunk($wanted, self::BATCH) as $hashes) {
            $this->tiles += $tiles->manyPacked($hashes);
        }
        foreach ($wanted as $hash) {
            if (! isset($this->tiles[$hash])) {
                throw new TileMissing($hash);
            }
        }

        return $this;
    }

    public function tile(LayerName $layer, int $column, int $row): ?string
    {
        $hash = $this->hashes[$layer->value]["$column,$row"] ?? null;

        return $hash === null ? null : Tiles::inflate($hash, $this->tiles[$hash] ?? null);
    }

    public function tilesOf(LayerName $layer): array
    {
        return PageStore::places($this->hashes[$layer->value] ?? []);
    }

    public function records(RecordKind $kind): array
    {
        return $this->records[$kind->value] ?? [];
    }

    public function record(RecordKind $kind, int|string $key): ?Record
    {
        return $this->records[$kind->value][$key] ?? null;
    }
}
