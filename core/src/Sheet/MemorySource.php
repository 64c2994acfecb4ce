<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

/** A page kept in memory. */
final class MemorySource implements SheetSource
{
    /** @var array<string, array<string, string>> layer => "column,row" => bytes */
    private array $tiles = [];

    /** @var array<string, array<array-key, array<string, mixed>>> */
    private array $facts = [];

    public function tile(string $layer, int $column, int $row): ?string
    {
        return $this->tiles[$layer]["$column,$row"] ?? null;
    }

    public function tilesOf(string $layer): array
    {
        return array_map(function (string $key): array {
            [$column, $row] = explode(',', $key);

            return [(int) $column, (int) $row];
        }, array_keys($this->tiles[$layer] ?? []));
    }

    public function facts(FactKind $kind): array
    {
        return $this->facts[$kind->value] ?? [];
    }

    public function store(Change $change): void
    {
        foreach ($change->tiles as $tile) {
            if ($tile->after === null) {
                unset($this->tiles[$tile->layer]["$tile->column,$tile->row"]);
            } else {
                $this->tiles[$tile->layer]["$tile->column,$tile->row"] = $tile->after;
            }
        }
        foreach ($change->facts as $fact) {
            if ($fact->after === null) {
                unset($this->facts[$fact->kind->value][$fact->key]);
            } else {
                $this->facts[$fact->kind->value][$fact->key] = $fact->after;
            }
        }
    }

    /** A fingerprint of everything kept. */
    public function hash(): string
    {
        $tiles = array_filter($this->tiles);
        $facts = array_filter($this->facts);
        ksort($tiles);
        ksort($facts);
        foreach ($tiles as &$layer) {
            ksort($layer);
        }
        foreach ($facts as &$kind) {
            ksort($kind);
        }

        return hash('sha256', serialize([$tiles, $facts]));
    }
}
