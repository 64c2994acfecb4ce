<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Support\Str;
use Throwable;

/**
 * Files that are whole or absent: written under another name, looked at, and only then given their own. Whatever is
 * killed or full in between, a file under its final name is all of it.
 */
final readonly class WholeFile
{
    /** What marks a name as not final yet. */
    public const PART = '.part-';

    public function __construct(private Filesystem $disk)
    {
    }

    /**
     * @param  resource|string  $contents
     * @param  int  $bytes  how many there must be
     * @param  ?string  $sha256  what they must come to, where that is known
     *
     * @throws NotKept and nothing is left under either name
     */
    public function put(string $path, $contents, int $bytes, ?string $sha256 = null): void
    {
        $part = $path.self::PART.Str::lower(Str::random(12));
        try {
            $done = is_string($contents)
                ? $this->disk->put($part, $contents)
                : $this->disk->writeStream($part, $contents);
            if ($done && $this->is($part, $bytes, $sha256) && $this->disk->move($part, $path)) {
                return;
            }
            $why = null;
        } catch (Throwable $why) {
        }
        try {
            $this->disk->delete($part);
        } catch (Throwable) {
            // The sweep finds it by its name.
        }
        throw new NotKept(
            'The file could not be written whole: the disk may be full. Nothing was changed. Make room and try again.',
            0,
            $why,
        );
    }

    /** Whether a file is there, and is the one that is meant. */
    public function is(string $path, int $bytes, ?string $sha256 = null): bool
    {
        if (! $this->disk->exists($path) || $this->disk->size($path) !== $bytes) {
            return false;
        }
        if ($sha256 === null) {
            return true;
        }
        $stream = $this->disk->readStream($path);
        if ($stream === null) {
            return false;
        }
        $hash = hash_init('sha256');
        hash_update_stream($hash, $stream);
        fclose($stream);

        return hash_final($hash) === $sha256;
    }
}
