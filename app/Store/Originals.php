<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Original;
use App\Models\Page;
use App\Models\User;
use Illuminate\Support\Facades\Storage;

/** Files as they were sent, byte for byte, under names of our own. */
final class Originals
{
    public function keep(Page $page, User $user, string $file, string $name): Original
    {
        $sha256 = (string) hash_file('sha256', $file);
        $path = sprintf('originals/%d/%s', $page->id, $sha256);
        $disk = Storage::disk('works');
        if (! $disk->exists($path)) {
            $stream = fopen($file, 'r') ?: throw new \RuntimeException('The file that was sent could not be read again.');
            $disk->writeStream($path, $stream);
        }

        return Original::query()->create([
            'page_id' => $page->id, 'user_id' => $user->id, 'path' => $path, 'sha256' => $sha256, 'bytes' => (int) filesize($file),
            'name' => mb_substr((string) preg_replace('/[\p{C}\/\\\\]+/u', ' ', $name), 0, 200),
        ]);
    }

    /** Forgets a file that turned out not to be one. What an earlier import of the same bytes kept stays. */
    public function discard(Original $original): void
    {
        $original->delete();
        if (! Original::query()->where('path', $original->path)->exists()) {
            Storage::disk('works')->delete($original->path);
        }
    }

    /**
     * Gives a local path to the original's bytes for as long as the work takes.
     *
     * @template T
     *
     * @param  callable(string): T  $work
     * @return T
     */
    public function withFile(Original $original, callable $work): mixed
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'awning');
        try {
            file_put_contents($file, Storage::disk('works')->readStream($original->path) ?? throw new \RuntimeException('The original is missing from the disk. Restore it from a backup.'));

            return $work($file);
        } finally {
            @unlink($file);
        }
    }
}
