<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Original;
use App\Models\Page;
use App\Models\Series;
use App\Models\Task;
use App\Models\User;
use App\Values\Scalar;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Drawing\Drawing;
use Illuminate\Support\Facades\Storage;

/** Files as they were sent, byte for byte, under names of our own. */
final class Originals
{
    /** @param  Page|Series  $of  what it belongs to */
    public function keep(Page|Series $of, User $user, string $file, string $name): Original
    {
        $sha256 = (string) hash_file('sha256', $file);
        $bytes = (int) filesize($file);
        $path = sprintf($of instanceof Page ? 'originals/%d/%s' : 'originals/series-%d/%s', $of->id, $sha256);
        $whole = new WholeFile(Storage::disk('works'));
        // A file that is there may be half of one, from before files were only named when whole.
        if (! $whole->is($path, $bytes, $sha256)) {
            $whole->put(
                $path,
                fopen($file, 'r') ?:
                throw new NotKept('The file that was sent could not be read again. Send it once more.'),
                $bytes,
                $sha256,
            );
        }

        return Original::query()->create([
            $of instanceof Page ? 'page_id' : 'series_id' => $of->id,
            'user_id' => $user->id,
            'path' => $path,
            'sha256' => $sha256,
            'bytes' => $bytes,
            'name' => self::shownName($name),
        ]);
    }

    /** The name of a file as it is shown: one line, without folders and without what cannot be seen. */
    private static function shownName(string $name): string
    {
        $shown = (string) preg_replace([Bounds::NOT_IN_NAMES, '#[/\\\\]+#'], ' ', mb_scrub($name));

        return mb_substr(trim($shown), 0, Drawing::NAME) ?: 'Unnamed';
    }

    /** What was made here, kept like what is sent. */
    public function keepBytes(Page|Series $of, User $user, string $bytes, string $name): Original
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'awning');
        try {
            if (file_put_contents($file, $bytes) !== strlen($bytes)) {
                throw new NotKept('There is no room on the disk to keep this. Free some and try again.');
            }

            return $this->keep($of, $user, $file, $name);
        } finally {
            @unlink($file);
        }
    }

    /** Forgets a file whose import came to nothing, unless another import took it in or is about to. */
    public function forget(Task $import): void
    {
        $original = Original::query()->find(Scalar::int($import->input['original'] ?? 0));
        $isUsed = Task::query()
            ->where('kind', 'import')
            ->where('input->original', $original?->id)
            ->whereKeyNot($import->id)
            ->whereIn('state', ['waiting', 'working', 'done'])
            ->exists();
        if ($original !== null && ! $isUsed) {
            $this->discard($original);
        }
    }

    /** What an earlier import of the same bytes kept stays. */
    public function discard(Original $original): void
    {
        $original->delete();
        (new OriginalViews)->discard($original);
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
        $file = $this->copy($original);
        try {
            return $work($file);
        } finally {
            @unlink($file);
        }
    }

    /** @return string a temporary file with all of its bytes, which whoever asks for it takes away again */
    public function copy(Original $original): string
    {
        $from =
            Storage::disk('works')->readStream($original->path) ??
            throw new \RuntimeException(
                "The original $original->path is missing from the disk. Restore it from a backup.",
            );
        $file = (string) tempnam(sys_get_temp_dir(), 'awning');
        if (file_put_contents($file, $from) !== $original->bytes) {
            @unlink($file);
            throw new NotKept(
                'The original could not be read whole: the disk may be full, or the file was cut short. Send it again.',
            );
        }

        return $file;
    }
}
