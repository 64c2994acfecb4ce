<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\JournalEntry;
use App\Models\Page;
use Awning\Core\Sheet\Change;
use Awning\Core\Sheet\FactChange;
use Awning\Core\Sheet\FactKind;
use Awning\Core\Sheet\SheetSource;
use Illuminate\Support\Facades\DB;

/** A page in the database: source of a sheet, and the place its changes go. */
final class PageStore implements SheetSource
{
    /** @var array<string, array<string, string>> layer => "column,row" => hash */
    private array $hashes = [];

    public function __construct(private readonly Page $page, private readonly Tiles $tiles = new Tiles)
    {
    }

    public function tile(string $layer, int $column, int $row): ?string
    {
        $hash = $this->hashesOf($layer)["$column,$row"] ?? null;

        return $hash === null ? null : $this->tiles->bytes($hash);
    }

    public function tilesOf(string $layer): array
    {
        return array_map(function (string $key): array {
            [$column, $row] = explode(',', $key);

            return [(int) $column, (int) $row];
        }, array_keys($this->hashesOf($layer)));
    }

    /** @return array<string, string> "column,row" => hash */
    public function hashesOf(string $layer): array
    {
        return $this->hashes[$layer] ??= $this->allHashes($layer)[$layer] ?? [];
    }

    /** @return array<string, array<string, string>> layer => "column,row" => hash */
    public function allHashes(?string $only = null): array
    {
        $rows = DB::table('layer_tiles')->where('page_id', $this->page->id)
            ->when($only !== null, fn ($query) => $query->where('layer', $only))
            ->get(['layer', 'column', 'row', 'hash']);
        $hashes = [];
        foreach ($rows as $row) {
            $hashes[$row->layer]["$row->column,$row->row"] = $row->hash;
        }

        return $hashes;
    }

    public function facts(FactKind $kind): array
    {
        $facts = [];
        foreach (DB::table('page_facts')->where('page_id', $this->page->id)->where('kind', $kind->value)->get(['name', 'value']) as $row) {
            $facts[$row->name] = json_decode($row->value, true, flags: JSON_THROW_ON_ERROR);
        }
        ksort($facts);

        return $facts;
    }

    /** Writes a change and its journal entry. Call it inside a transaction that holds the page's row. */
    public function write(Change $change, string $title, ?int $user): JournalEntry
    {
        $bytes = $tiles = $rows = [];
        foreach ($change->tiles as $tile) {
            $before = $tile->before === null ? null : Tiles::hash($tile->before);
            $after = $tile->after === null ? null : Tiles::hash($tile->after);
            if ($after !== null) {
                $bytes[$after] = (string) $tile->after;
            }
            $tiles[] = [$tile->layer, $tile->column, $tile->row, $before, $after];
            $rows[] = [$tile->layer, $tile->column, $tile->row, $after];
        }
        $this->tiles->put($bytes);
        $this->placeTiles($rows);
        $facts = array_map(fn (FactChange $fact): array => [$fact->kind->value, $fact->key, $fact->before, $fact->after], $change->facts);
        $this->placeFacts(array_map(fn (array $fact): array => [$fact[0], $fact[1], $fact[3]], $facts));

        return JournalEntry::query()->create([
            'page_id' => $this->page->id, 'user_id' => $user, 'title' => mb_substr($title, 0, 120), 'state' => 'done', 'tiles' => $tiles, 'facts' => $facts,
        ]);
    }

    /** Puts a journal entry's before (back) or after (again) in place: hashes are swapped, no pixel is computed. */
    public function swap(JournalEntry $entry, bool $back): void
    {
        $this->placeTiles(array_map(fn (array $tile): array => [$tile[0], $tile[1], $tile[2], $back ? $tile[3] : $tile[4]], $entry->tiles));
        $this->placeFacts(array_map(fn (array $fact): array => [$fact[0], $fact[1], $back ? $fact[2] : $fact[3]], $entry->facts));
        $this->hashes = [];
    }

    /** @param  list<array{string, int, int, ?string}>  $rows layer, column, row, hash */
    private function placeTiles(array $rows): void
    {
        $set = [];
        foreach ($rows as [$layer, $column, $row, $hash]) {
            $place = ['page_id' => $this->page->id, 'layer' => $layer, 'column' => $column, 'row' => $row];
            if ($hash === null) {
                DB::table('layer_tiles')->where($place)->delete();
            } else {
                $set[] = $place + ['hash' => $hash];
            }
        }
        foreach (array_chunk($set, 500) as $chunk) {
            DB::table('layer_tiles')->upsert($chunk, ['page_id', 'layer', 'column', 'row'], ['hash']);
        }
    }

    /** @param  list<array{string, string, ?array<string, mixed>}>  $rows kind, key, value */
    private function placeFacts(array $rows): void
    {
        $set = $gone = [];
        foreach ($rows as [$kind, $key, $value]) {
            if ($value === null) {
                $gone[$kind][] = $key;
            } else {
                $set[] = ['page_id' => $this->page->id, 'kind' => $kind, 'name' => $key, 'value' => json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE)];
            }
        }
        foreach ($gone as $kind => $keys) {
            foreach (array_chunk($keys, 1000) as $chunk) {
                DB::table('page_facts')->where('page_id', $this->page->id)->where('kind', $kind)->whereIn('name', $chunk)->delete();
            }
        }
        foreach (array_chunk($set, 1000) as $chunk) {
            DB::table('page_facts')->upsert($chunk, ['page_id', 'kind', 'name'], ['value']);
        }
    }
}
