<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\State;

use Awning\Core\Page\LayerName;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;

/** A page kept in memory. */
final class MemorySource implements SheetSource
{
    /** @var array<string, array<string, string>> layer => "column,row" => bytes */
    private array $tiles = [];

    /** @var array<string, array<array-key, Record>> */
    private array $records = [];

    public function tile(LayerName $layer, int $column, int $row): ?string
    {
        return $this->tiles[$layer->value]["$column,$row"] ?? null;
    }

    public function tilesOf(LayerName $layer): array
    {
        return array_map(function (string $key): array {
            [$column, $row] = explode(',', $key);

            return [(int) $column, (int) $row];
        }, array_keys($this->tiles[$layer->value] ?? []));
    }

    public function records(RecordKind $kind): array
    {
        return $this->records[$kind->value] ?? [];
    }

    public function record(RecordKind $kind, int|string $key): ?Record
    {
        return $this->records[$kind->value][$key] ?? null;
    }

    public function store(Change $change): void
    {
        foreach ($change->tiles as $tile) {
            if ($tile->after === null) {
                unset($this->tiles[$tile->layer->value]["$tile->column,$tile->row"]);
            } else {
                $this->tiles[$tile->layer->value]["$tile->column,$tile->row"] = $tile->after;
            }
        }
        foreach ($change->records as $record) {
            if ($record->after === null) {
                unset($this->records[$record->kind->value][$record->key]);
            } else {
                $this->records[$record->kind->value][$record->key] = $record->after;
            }
        }
    }

    /** A fingerprint of everything kept. */
    public function hash(): string
    {
        $tiles = array_filter($this->tiles);
        ksort($tiles);
        foreach ($tiles as &$layer) {
            ksort($layer);
        }
        $records = array_filter(
            array_map(
                fn (array $kind): array => array_map(fn (Record $record): array => $record->toData(), $kind),
                $this->records,
            ),
        );
        ksort($records);
        foreach ($records as &$kind) {
            ksort($kind);
        }

        return hash('sha256', serialize([$tiles, $records]));
    }
}
