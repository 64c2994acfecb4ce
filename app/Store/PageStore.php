<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\JournalEntry;
use App\Models\JournalLayer;
use App\Models\LayerTile;
use App\Models\Page;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\State\Change;
use Awning\Core\Sheet\State\RecordChange;
use Awning\Core\Sheet\State\SheetSource;
use Illuminate\Support\Collection;

/** A page in the database: source of a sheet, and the place its changes go. */
final class PageStore implements SheetSource
{
    private const BATCH = 500;

    /** @var array<string, array<string, string>> layer => "column,row" => hash */
    private array $hashes = [];

    /** @var array<string, ReadAhead> by layer */
    private array $ahead = [];

    /** @var array{?string, ?string} hash and bytes of the tile that was asked for last */
    private array $last = [null, null];

    private readonly StandIns $standIns;

    public function __construct(private readonly Page $page, private readonly Tiles $tiles = new Tiles)
    {
        $this->standIns = new StandIns($page->series_id);
    }

    public function tile(LayerName $layer, int $column, int $row): ?string
    {
        $hash = $this->hashesOf($layer)["$column,$row"] ?? null;
        // Light is kept twice, as it is and as it was computed, and both are asked for: one after the other, and
        // fetched once.
        if ($hash === null || $hash !== $this->last[0]) {
            $this->ahead[$layer->value] ??= new ReadAhead($this->hashesOf($layer), $this->tiles);
            $this->last = [$hash, $this->ahead[$layer->value]->bytes($column, $row)];
        }

        return $this->last[1];
    }

    public function tilesOf(LayerName $layer): array
    {
        return self::places($this->hashesOf($layer));
    }

    /**
     * @param  array<string, mixed>  $tiles  by "column,row"
     * @return list<array{int, int}>
     */
    public static function places(array $tiles): array
    {
        return array_map(function (string $key): array {
            [$column, $row] = explode(',', $key, 2) + [1 => '0'];

            return [(int) $column, (int) $row];
        }, array_keys($tiles));
    }

    /** @return array<string, string> "column,row" => hash */
    public function hashesOf(LayerName $layer): array
    {
        if (! isset($this->hashes[$layer->value])) {
            $this->know([$layer]);
        }

        return $this->hashes[$layer->value];
    }

    /**
     * Looks up the tiles of layers that will be asked for, all in one query.
     *
     * @param  list<LayerName>  $layers
     */
    public function know(array $layers): void
    {
        $names = array_values(
            array_diff(array_map(fn (LayerName $layer): string => $layer->value, $layers), array_keys($this->hashes)),
        );
        if ($names !== []) {
            $this->hashes += $this->allHashes($names) + array_fill_keys($names, []);
        }
    }

    /**
     * @param  ?list<string>  $only  names of layers; null: all there are
     * @return array<string, array<string, string>> layer => "column,row" => hash
     */
    public function allHashes(?array $only = null): array
    {
        /** @var Collection<int, \stdClass&object{layer: string, column: int, row: int, hash: string}> $rows */
        $rows = LayerTile::query()
            ->toBase()
            ->where('page_id', $this->page->id)
            ->when($only !== null, fn ($query) => $query->whereIn('layer', $only))
            ->get(['layer', 'column', 'row', 'hash']);
        $hashes = [];
        foreach ($rows as $row) {
            $hashes[$row->layer]["$row->column,$row->row"] = $row->hash;
        }

        return $hashes;
    }

    public function records(RecordKind $kind): array
    {
        return array_map($this->standIns->of(...), RecordKeepers::of($kind)->all($this->page->id));
    }

    public function record(RecordKind $kind, int|string $key): ?Record
    {
        $record = RecordKeepers::of($kind)->find($this->page->id, $key);

        return $record === null ? null : $this->standIns->of($record);
    }

    /**
     * Changes in terms of what is kept, not of how it is read: what a material or figure was before another stood in
     * for it must be there when that is undone in the palette.
     *
     * @param  list<RecordChange>  $changes
     * @return list<RecordChange>
     */
    private function asKept(array $changes): array
    {
        $named = array_filter(
            $changes,
            fn (RecordChange $change): bool => $change->before !== null && StandIns::concern($change->kind),
        );
        if ($named === [] || $this->standIns->isEmpty()) {
            return $changes;
        }
        $kept = [];
        foreach ($named as $i => $change) {
            $before =
                ($kept[$change->kind->value] ??= RecordKeepers::of($change->kind)->all($this->page->id))[
                    $change->key
                ] ?? $change->before;
            $after = $change->after;
            if ($before !== null && $change->before !== null && $after !== null) {
                $after = StandIns::unread($before, $change->before, $after);
            }
            $changes[$i] = new RecordChange($change->kind, $change->key, $before, $after);
        }

        return array_values($changes);
    }

    /** Writes a change and its journal entry. Call it inside a transaction that holds the page's row. */
    public function write(Change $change, Op $op, ?int $user): JournalEntry
    {
        $bytes = $tiles = $rows = [];
        $last = $after = null;
        foreach ($change->tiles as $tile) {
            // What stands there was read by the name it has: nothing need be hashed again.
            $before = $tile->before === null ? null : $this->hashesOf($tile->layer)["$tile->column,$tile->row"];
            // What is laid is often kept twice, as it is and as it was computed: one after the other, and hashed once.
            if ($tile->after !== $last) {
                [$last, $after] = [$tile->after, $tile->after === null ? null : Tiles::hash($tile->after)];
            }
            if ($after !== null) {
                $bytes[$after] = (string) $tile->after;
            }
            $tiles[] = [$tile->layer->value, $tile->column, $tile->row, $before, $after];
            $rows[] = [$tile->layer->value, $tile->column, $tile->row, $after];
        }
        $this->tiles->put($bytes);
        $this->placeTiles($rows);
        $records = $this->asKept($change->records);
        $this->placeRecords(array_map(fn (RecordChange $c): array => [$c->kind, $c->key, $c->after], $records));

        $entry = JournalEntry::query()->create([
            'page_id' => $this->page->id,
            'user_id' => $user,
            'title' => mb_substr($op->title(), 0, 120),
            'state' => 'done',
            'kind' => $op::kind(),
            'form' => $op::form(),
            'input' => $op->toInput(),
            'right' => $op->right(),
            'tiles' => $tiles,
            'records' => array_map(
                fn (RecordChange $c): array => [$c->kind->value, $c->key, $c->before?->toData(), $c->after?->toData()],
                $records,
            ),
        ]);
        JournalLayer::query()
            ->toBase()
            ->insert(
                array_map(
                    fn (string $layer): array => ['journal_id' => $entry->id, 'layer' => $layer],
                    array_values(array_unique(array_column($tiles, 0))),
                ),
            );

        return $entry;
    }

    /** Puts a journal entry's before (back) or after (again) in place: hashes are swapped, no pixel is computed. */
    public function swap(JournalEntry $entry, bool $back): void
    {
        $this->placeTiles(
            array_map(
                fn (array $tile): array => [$tile[0], $tile[1], $tile[2], $back ? $tile[3] : $tile[4]],
                $entry->tiles,
            ),
        );
        $this->placeRecords(
            array_map(function (array $record) use ($back): array {
                $kind = RecordKind::from($record[0]);
                $data = $back ? $record[2] : $record[3];

                return [$kind, (string) $record[1], $data === null ? null : $kind->read($data)];
            }, $entry->records),
        );
        $this->hashes = $this->ahead = [];
    }

    /** @param  list<array{string, int, int, ?string}>  $rows layer, column, row, hash */
    private function placeTiles(array $rows): void
    {
        $set = $removed = [];
        foreach ($rows as [$layer, $column, $row, $hash]) {
            if ($hash === null) {
                $removed[$layer][$column][] = $row;
            } else {
                $set[] = [
                    'page_id' => $this->page->id,
                    'layer' => $layer,
                    'column' => $column,
                    'row' => $row,
                    'hash' => $hash,
                ];
            }
        }
        foreach ($removed as $layer => $columns) {
            foreach ($columns as $column => $downs) {
                LayerTile::query()
                    ->toBase()
                    ->where(['page_id' => $this->page->id, 'layer' => $layer, 'column' => $column])
                    ->whereIn('row', $downs)
                    ->delete();
            }
        }
        foreach (array_chunk($set, self::BATCH) as $chunk) {
            LayerTile::query()
                ->toBase()
                ->upsert($chunk, ['page_id', 'layer', 'column', 'row'], ['hash']);
        }
    }

    /** @param  list<array{RecordKind, string, ?Record}>  $changes */
    private function placeRecords(array $changes): void
    {
        $set = $removed = $kinds = [];
        foreach ($changes as [$kind, $key, $record]) {
            $kinds[$kind->value] = $kind;
            if ($record === null) {
                $removed[$kind->value][] = $key;
            } else {
                $set[$kind->value][$key] = $record;
            }
        }
        foreach ($kinds as $name => $kind) {
            $keeper = RecordKeepers::of($kind);
            $keeper->remove($this->page->id, $removed[$name] ?? []);
            $keeper->put($this->page->id, $set[$name] ?? []);
            $this->readBack($kind, $set[$name] ?? []);
        }
    }

    /**
     * Reads what was written once more, from its rows and from the form the journal keeps: a record that could not be
     * read would shut its page for good.
     *
     * @param  array<array-key, Record>  $written  by key
     *
     * @throws NotKept
     */
    private function readBack(RecordKind $kind, array $written): void
    {
        try {
            $kept = RecordKeepers::of($kind)->some($this->page->id, array_keys($written));
            foreach ($written as $key => $record) {
                $data = $record->toData();
                if (! isset($kept[$key]) || $kept[$key]->toData() != $data || $kind->read($data)->toData() != $data) {
                    throw new \UnexpectedValueException(
                        "The $kind->value $key reads differently from what was written.",
                    );
                }
            }
        } catch (\InvalidArgumentException|\UnexpectedValueException $error) {
            report($error);
            throw new NotKept(
                'This change could not be kept as it was made, so nothing was changed. Reload the page and try again.',
                0,
                $error,
            );
        }
    }
}
