<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Support\Facades\DB;

/** Removes tiles that neither a layer nor a journal refers to, once they are old enough. Reduced ones go with the rest. */
final class TileSweep
{
    /** @return int how many were removed */
    public function run(int $graceHours): int
    {
        $removed = 0;
        $live = [];
        foreach (DB::table('layer_tiles')->distinct()->pluck('hash') as $hash) {
            $live[$hash] = true;
        }
        foreach (DB::table('journal')->where('state', '!=', 'dropped')->orderBy('id')->lazy(100) as $entry) {
            foreach (json_decode($entry->tiles, true) as [, , , $before, $after]) {
                foreach ([$before, $after] as $hash) {
                    if ($hash !== null) {
                        $live[$hash] = true;
                    }
                }
            }
        }
        $old = DB::table('tiles')->where('made_at', '<', now()->subHours($graceHours))->pluck('hash');
        foreach ($old->reject(fn (string $hash): bool => isset($live[$hash]))->chunk(500) as $chunk) {
            $removed += DB::table('tiles')->whereIn('hash', $chunk->all())->where('made_at', '<', now()->subHours($graceHours))->delete();
        }

        return $removed;
    }
}
