<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Original;
use Awning\Core\Codec\ImageWriter;
use Awning\Core\Codec\Picture;
use Awning\Core\Codec\Thumbnail;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Support\Facades\Storage;

/** Small pictures of originals, to lay a cleaned drawing beside: made where the original is decoded anyway. */
final readonly class OriginalViews
{
    private const SIDE = 2000;

    private const JPEG = "\xff\xd8\xff";

    private Filesystem $disk;

    public function __construct()
    {
        $this->disk = Storage::disk('works');
    }

    public function keep(Original $original, Picture $picture): void
    {
        if ($this->bytes($original) !== null) {
            return;
        }
        $jpeg = (new ImageWriter)->write((new Thumbnail(self::SIDE))->of($picture->paint), 'jpeg');
        try {
            (new WholeFile($this->disk))->put($this->path($original), $jpeg, strlen($jpeg));
        } catch (NotKept) {
            // Only to look at: made again when the drawing is next cleaned.
        }
    }

    /** @return ?string a JPEG; null when none was made yet */
    public function bytes(Original $original): ?string
    {
        $bytes = $this->disk->exists($this->path($original)) ? (string) $this->disk->get($this->path($original)) : '';

        return str_starts_with($bytes, self::JPEG) ? $bytes : null;
    }

    public function discard(Original $original): void
    {
        $this->disk->delete($this->path($original));
    }

    private function path(Original $original): string
    {
        return sprintf('pictures/original-%d.jpg', $original->id);
    }
}
