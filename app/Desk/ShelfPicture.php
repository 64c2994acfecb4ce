<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Store\NotKept;
use App\Store\WholeFile;
use Awning\Core\Codec\PngWriter;
use Illuminate\Contracts\Cache\LockTimeoutException;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Storage;

/** A page's small picture for shelf and series: composed once for each state of the page, whoever asks first. */
final readonly class ShelfPicture
{
    /** An eighth of the page's size. */
    public const LEVEL = 3;

    /** A maker that takes longer is taken for dead. */
    private const MAKING_SECONDS = 60;

    private const WAIT_SECONDS = 8;

    private const PNG = "\x89PNG";

    private Filesystem $disk;

    public function __construct(private Page $page)
    {
        $this->disk = Storage::disk('works');
    }

    /** @return ?string null while the page is empty */
    public function bytes(): ?string
    {
        $there = $this->kept();
        if ($there !== null) {
            return $there;
        }
        try {
            // One makes it; the others wait for it, and find it made.
            return Cache::lock("picture {$this->path()}", self::MAKING_SECONDS)
                ->block(self::WAIT_SECONDS, fn (): ?string => $this->kept() ?? $this->made());
        } catch (LockTimeoutException) {
            return $this->made();
        }
    }

    private function kept(): ?string
    {
        $bytes = $this->disk->exists($this->path()) ? (string) $this->disk->get($this->path()) : '';

        return str_starts_with($bytes, self::PNG) ? $bytes : null;
    }

    private function made(): ?string
    {
        $paint = PagePicture::reduced($this->page, self::LEVEL);
        if ($paint === null) {
            return null;
        }
        $png = (new PngWriter)->paint($paint);
        try {
            (new WholeFile($this->disk))->put($this->path(), $png, strlen($png));
        } catch (NotKept) {
            // Shown all the same; made again next time.
        }

        return $png;
    }

    private function path(): string
    {
        return sprintf('pictures/%d-%d-%d.png', $this->page->id, $this->page->revision, $this->page->series->palette_version);
    }
}
