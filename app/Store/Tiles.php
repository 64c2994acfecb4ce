<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Support\Facades\DB;

/** Tiles by the hash of their content: equal ones are kept once. Bytes are deflated on their way in. */
final class Tiles
{
    private const BATCH_BYTES = 8_000_000;

    /** @param  string  $bytes  as they are in memory */
    public static function hash(string $bytes): string
    {
        return hash('sha256', $bytes);
    }

    /** @param  array<string, string>  $tiles hash => bytes as they are in memory */
    public function put(array $tiles): void
    {
        $known = [];
        foreach (array_chunk(array_map(strval(...), array_keys($tiles)), 500) as $hashes) {
            $known += array_flip(DB::table('tiles')->whereIn('hash', $hashes)->pluck('hash')->all());
            // A tile about to be referred to again must outlive the sweep.
            DB::table('tiles')->whereIn('hash', $hashes)->where('made_at', '<', now()->subHour())->update(['made_at' => now()]);
        }
        $rows = [];
        $size = 0;
        foreach (array_diff_key($tiles, $known) as $hash => $bytes) {
            $packed = (string) gzcompress($bytes, 1);
            $rows[] = ['hash' => (string) $hash, 'bytes' => $packed];
            $size += strlen($packed);
            if ($size > self::BATCH_BYTES || count($rows) >= 400) {
                DB::table('tiles')->insertOrIgnore($rows);
                [$rows, $size] = [[], 0];
            }
        }
        if ($rows !== []) {
            DB::table('tiles')->insertOrIgnore($rows);
        }
    }

    /** A derived tile, whose name says what it was made of. */
    public function putNamed(string $name, string $bytes): void
    {
        DB::table('tiles')->insertOrIgnore(['hash' => $name, 'bytes' => (string) gzcompress($bytes, 1)]);
    }

    public function has(string $hash): bool
    {
        return DB::table('tiles')->where('hash', $hash)->exists();
    }

    /** @return ?string the deflated bytes */
    public function packed(string $hash): ?string
    {
        $bytes = DB::table('tiles')->where('hash', $hash)->value('bytes');

        return is_string($bytes) ? $bytes : null;
    }

    /**
     * @param  list<string>  $hashes
     * @return array<string, string> hash => deflated bytes
     */
    public function manyPacked(array $hashes): array
    {
        /** @var array<string, string> $tiles */
        $tiles = DB::table('tiles')->whereIn('hash', array_unique($hashes))->pluck('bytes', 'hash')->all();

        return $tiles;
    }

    /** @throws TileMissing when the store has lost it */
    public function bytes(string $hash): string
    {
        $bytes = @gzuncompress($this->packed($hash) ?? throw new TileMissing($hash));

        return $bytes === false ? throw new TileMissing($hash) : $bytes;
    }
}
