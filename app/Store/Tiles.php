<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Tile;
use App\Values\Scalar;

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
            $known += $this->keptYoung($hashes);
        }
        $rows = [];
        $size = 0;
        foreach (array_diff_key($tiles, $known) as $hash => $bytes) {
            $packed = (string) gzcompress($bytes, 1);
            $rows[] = ['hash' => (string) $hash, 'bytes' => $packed];
            $size += strlen($packed);
            if ($size > self::BATCH_BYTES || count($rows) >= 400) {
                Tile::query()->toBase()->insertOrIgnore($rows);
                [$rows, $size] = [[], 0];
            }
        }
        if ($rows !== []) {
            Tile::query()->toBase()->insertOrIgnore($rows);
        }
    }

    /**
     * Those of some tiles that are there and will stay: one that is about to be referred to again must outlive the
     * sweep.
     *
     * @param  list<string>  $hashes
     * @return array<string, mixed> by hash
     */
    private function keptYoung(array $hashes): array
    {
        /** @var array<string, string> $made */
        $made = Tile::query()->toBase()->whereIn('hash', $hashes)->pluck('made_at', 'hash')->all();
        $old = array_map(
            strval(...),
            array_keys(array_filter($made, fn (string $at): bool => $at < now()->subHour()->toDateTimeString())),
        );
        if ($old !== []) {
            Tile::query()
                ->toBase()
                ->whereIn('hash', $old)
                ->update(['made_at' => now()]);
            // The sweep may have been quicker: what is still there, is looked at in the present and held.
            $there = Tile::query()->toBase()->whereIn('hash', $old)->sharedLock()->pluck('hash')->all();
            $made = array_diff_key($made, array_flip(array_diff($old, Scalar::strings($there))));
        }

        return $made;
    }

    /** A derived tile, whose name says what it was made of. */
    public function putNamed(string $name, string $bytes): void
    {
        Tile::query()
            ->toBase()
            ->insertOrIgnore(['hash' => $name, 'bytes' => (string) gzcompress($bytes, 1)]);
    }

    public function has(string $hash): bool
    {
        return Tile::query()->toBase()->where('hash', $hash)->exists();
    }

    /** @return ?string the deflated bytes */
    public function packed(string $hash): ?string
    {
        $bytes = Tile::query()->toBase()->where('hash', $hash)->value('bytes');

        return is_string($bytes) ? $bytes : null;
    }

    /**
     * @param  list<string>  $hashes
     * @return array<string, string> hash => deflated bytes
     */
    public function manyPacked(array $hashes): array
    {
        /** @var array<string, string> $tiles */
        $tiles = Tile::query()->toBase()->whereIn('hash', array_unique($hashes))->pluck('bytes', 'hash')->all();

        return $tiles;
    }

    /** @throws TileMissing when the store has lost it */
    public function bytes(string $hash): string
    {
        return self::inflate($hash, $this->packed($hash));
    }

    /** @throws TileMissing when there is nothing, or not what was put in */
    public static function inflate(string $hash, ?string $packed): string
    {
        $bytes = $packed === null ? false : @gzuncompress($packed);

        return $bytes === false ? throw new TileMissing($hash) : $bytes;
    }
}
