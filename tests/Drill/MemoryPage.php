<?php

declare(strict_types=1);

namespace Tests\Drill;

use Awning\Core\Page\LayerName;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Change;
use Awning\Core\Sheet\State\SheetSource;

/** What a page must be: a few arrays and two stacks. */
final class MemoryPage implements SheetSource
{
    /** @var array<string, array<string, string>> */
    public array $tiles = [];

    /** @var array<string, array<array-key, Record>> */
    public array $records = [];

    /** @var list<Change> */
    private array $done = [];

    /** @var list<Change> */
    private array $undone = [];

    public function apply(Op $op): void
    {
        $sheet = new Sheet($this);
        $op->apply($sheet);
        $change = $sheet->takeChange();
        if (! $change->isEmpty()) {
            $this->take($change);
            $this->done[] = $change;
            $this->undone = [];
        }
    }

    public function undo(): bool
    {
        $change = array_pop($this->done);
        if ($change === null) {
            return false;
        }
        $this->take($change->inverted());
        $this->undone[] = $change;

        return true;
    }

    public function redo(): bool
    {
        $change = array_pop($this->undone);
        if ($change === null) {
            return false;
        }
        $this->take($change);
        $this->done[] = $change;

        return true;
    }

    public function take(Change $change): void
    {
        foreach ($change->tiles as $tile) {
            unset($this->tiles[$tile->layer->value]["$tile->column,$tile->row"]);
            if ($tile->after !== null) {
                $this->tiles[$tile->layer->value]["$tile->column,$tile->row"] = $tile->after;
            }
        }
        foreach ($change->records as $record) {
            unset($this->records[$record->kind->value][$record->key]);
            if ($record->after !== null) {
                $this->records[$record->kind->value][$record->key] = $record->after;
            }
        }
    }

    public function tile(LayerName $layer, int $column, int $row): ?string
    {
        return $this->tiles[$layer->value]["$column,$row"] ?? null;
    }

    public function tilesOf(LayerName $layer): array
    {
        return array_map(
            fn (string $place): array => array_map(intval(...), explode(',', $place)),
            array_keys($this->tiles[$layer->value] ?? []),
        );
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
