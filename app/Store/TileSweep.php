<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\JournalEntry;
use App\Models\LayerTile;
use App\Models\Tile;

/** Removes tiles that neither a layer nor a journal refers to, once they are old enough. Reduced ones go with the rest. */
final class TileSweep
{
    /** @return int how many were removed */
    public function run(int $graceHours): int
    {
        $removed = 0;
        $live = [];
        foreach (LayerTile::query()->toBase()->distinct()->pluck('hash') as $hash) {
            $live[$hash] = true;
        }
        foreach (JournalEntry::query()->toBase()->where('state', '!=', 'dropped')->orderBy('id')->lazy(100) as $entry) {
            foreach (json_decode($entry->tiles, true) as [, , , $before, $after]) {
                foreach ([$before, $after] as $hash) {
                    if ($hash !== null) {
                        $live[$hash] = true;
                    }
                }
            }
        }
        $old = Tile::query()->toBase()->where('made_at', '<', now()->subHours($graceHours))->pluck('hash');
        foreach ($old->reject(fn (string $hash): bool => isset($live[$hash]))->chunk(500) as $chunk) {
            $removed += Tile::query()->toBase()->whereIn('hash', $chunk->all())->where('made_at', '<', now()->subHours($graceHours))->delete();
        }

        return $removed;
    }
}
