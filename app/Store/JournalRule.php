<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\JournalEntry;
use App\Models\LayerTile;
use App\Models\Page;
use App\Models\Tile;
use App\Values\Scalar;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * How far undo reaches back. A step may be forgotten when it is both older than so many days and not among the newest
 * so many of its page; steps that were dropped (undone, then painted over) when they are a day old.
 */
final readonly class JournalRule
{
    private const BATCH = 200;

    /** @param  int  $days  0: keep every step for ever */
    public function __construct(private int $days, private int $steps)
    {
    }

    /** @return array{steps: int, tiles: int, bytes: int} what forgetting would free, tiles as they are stored */
    public function wouldFree(): array
    {
        $removed = array_flip($this->forgettable());
        $freed = [];
        $live = array_fill_keys(LayerTile::hashesInUse(), true);
        foreach (
            JournalEntry::query()
                ->toBase()
                ->select(['id', 'tiles'])
                ->lazyById(self::BATCH) as $entry
        ) {
            $isFreed = isset($removed[Scalar::int($entry->id)]);
            foreach (JournalEntry::hashesOf($entry) as $hash) {
                $isFreed ? ($freed[$hash] = true) : ($live[$hash] = true);
            }
        }
        $hashes = array_map(strval(...), array_keys(array_diff_key($freed, $live)));
        $bytes = 0;
        foreach (array_chunk($hashes, self::BATCH) as $chunk) {
            $bytes += (int) Tile::query()->toBase()->whereIn('hash', $chunk)->sum(DB::raw('LENGTH(bytes)'));
        }

        return ['steps' => count($removed), 'tiles' => count($hashes), 'bytes' => $bytes];
    }

    /** @return int how many steps were forgotten; their tiles go with the next sweep */
    public function forget(): int
    {
        $forgotten = 0;
        foreach (array_chunk($this->forgettable(), self::BATCH) as $ids) {
            $forgotten += JournalEntry::query()->toBase()->whereIn('id', $ids)->delete();
        }

        return $forgotten;
    }

    /** @return list<int> */
    private function forgettable(): array
    {
        $ids = JournalEntry::query()
            ->toBase()
            ->where('state', 'dropped')
            ->where('made_at', '<', now()->subDay())
            ->pluck('id')
            ->all();
        if ($this->days > 0) {
            foreach (Page::query()->pluck('id') as $page) {
                $done = fn (): Builder => JournalEntry::query()
                    ->toBase()
                    ->where('page_id', $page)
                    ->where('state', 'done');
                $oldestKept =
                    $this->steps === 0
                        ? PHP_INT_MAX
                        : $done()
                            ->latest('id')
                            ->skip($this->steps - 1)
                            ->value('id') ?? 0;
                // From the oldest on without a gap: undo cannot leap over a step that is missing.
                $young = $done()->where('made_at', '>=', now()->subDays($this->days))->min('id') ?? PHP_INT_MAX;
                array_push($ids, ...$done()->where('id', '<', min($oldestKept, $young))->pluck('id')->all());
            }
        }

        return Scalar::ints($ids);
    }
}
