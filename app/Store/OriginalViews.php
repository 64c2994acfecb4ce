<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Original;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\ImageWriter;
use Awning\Core\Codec\Picture;
use Awning\Core\Codec\Thumbnail;
use Awning\Core\Raster\Paint;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Support\Facades\Storage;

/** Small pictures of originals, to lay a cleaned drawing beside: made where the original is decoded anyway. */
final readonly class OriginalViews
{
    public const SIDE = 2000;

    /** How the folders of all of them begin. */
    public const FOLDER = 'pictures/original-';

    private const JPEG = "\xff\xd8\xff";

    private Filesystem $disk;

    public function __construct()
    {
        $this->disk = Storage::disk('works');
    }

    /** @param  int  $number  which of the file's pictures it is, from 1 */
    public function keep(Original $original, Picture $picture, int $number = 1): void
    {
        if ($this->bytes($original, $number) !== null) {
            return;
        }
        $jpeg = (new ImageWriter)->write((new Thumbnail(self::SIDE))->of($picture->paint), 'jpeg');
        try {
            (new WholeFile($this->disk))->put($this->path($original, $number), $jpeg, strlen($jpeg));
        } catch (NotKept) {
            // Only to look at: made again when the drawing is next cleaned.
        }
    }

    /** @return ?string a JPEG; null when none was made yet */
    public function bytes(Original $original, int $number = 1): ?string
    {
        $path = $this->path($original, $number);
        $bytes = $this->disk->exists($path) ? (string) $this->disk->get($path) : '';

        return str_starts_with($bytes, self::JPEG) ? $bytes : null;
    }

    /** @return ?Paint its pixels; null when none was made yet */
    public function paint(Original $original, int $number = 1): ?Paint
    {
        $bytes = $this->bytes($original, $number);
        if ($bytes === null) {
            return null;
        }
        $file = (string) tempnam(sys_get_temp_dir(), 'awning-view');
        try {
            file_put_contents($file, $bytes);

            return (new ImageReader)->read($file)->paint;
        } finally {
            @unlink($file);
        }
    }

    public function discard(Original $original): void
    {
        $this->disk->deleteDirectory($this->folder($original));
    }

    private function path(Original $original, int $number): string
    {
        return sprintf('%s/%d.jpg', $this->folder($original), $number);
    }

    /** Named by what is in the file, too: a database set up anew counts from one again. */
    private function folder(Original $original): string
    {
        return sprintf('%s%d-%s', self::FOLDER, $original->id, substr($original->sha256, 0, 16));
    }
}
