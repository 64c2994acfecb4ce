<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\JournalEntry;
use App\Models\LayerTile;
use App\Models\Tile;

/**
 * Removes tiles that neither a layer nor a journal refers to, once they are old enough. Reduced ones go with the rest.
 *
 * It may run beside ops: layers are read before the journal, so that a tile an op takes out of a layer meanwhile is met
 * as that op's "before"; the journal is read by id, so that rows that come and go shift nothing; and a tile that is
 * referred to anew is made young, which the removal looks at once more.
 */
final class TileSweep
{
    /** @return int how many were removed */
    public function run(int $graceHours): int
    {
        $removed = 0;
        $live = array_fill_keys(LayerTile::hashesInUse(), true);
        foreach (JournalEntry::query()->toBase()->where('state', '!=', 'dropped')->lazyById(100) as $entry) {
            $live += array_fill_keys(JournalEntry::hashesOf($entry), true);
        }
        $old = Tile::query()->toBase()->where('made_at', '<', now()->subHours($graceHours))->pluck('hash');
        foreach ($old->reject(fn (string $hash): bool => isset($live[$hash]))->chunk(500) as $chunk) {
            $removed += Tile::query()
                ->toBase()
                ->whereIn('hash', $chunk->all())
                ->where('made_at', '<', now()->subHours($graceHours))
                ->delete();
        }

        return $removed;
    }
}
