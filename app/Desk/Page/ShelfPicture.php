<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Models\Page;
use App\Store\NotKept;
use App\Store\WholeFile;
use App\Values\Scalar;
use Awning\Core\Codec\PngWriter;
use Illuminate\Contracts\Cache\LockTimeoutException;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Storage;

/**
 * A page's small picture for shelf and series. The queue makes it when the page has changed; until then the last one is
 * shown.
 */
final readonly class ShelfPicture
{
    /** An eighth of the page's size. */
    public const LEVEL = 3;

    public const FOLDER = 'pictures';

    /** A maker that takes longer is taken for dead. */
    private const MAKING_SECONDS = 60;

    private const WAIT_SECONDS = 8;

    private const PNG = "\x89PNG";

    private Filesystem $disk;

    public function __construct(private Page $page)
    {
        $this->disk = Storage::disk('works');
    }

    /** Whether the last one that was made shows the page as it is now. The file itself is not read for this. */
    public function isCurrent(): bool
    {
        return $this->page->pictured === $this->state();
    }

    /** @return ?string the last one that was made, else one that is made now; null while the page is empty */
    public function bytes(): ?string
    {
        return $this->kept() ?? ($this->last() ?? $this->make());
    }

    /** Makes it as the page is now, unless that was done. @return ?string null while the page is empty */
    public function make(): ?string
    {
        try {
            // One makes it; the others wait for it, and find it made.
            $lock = Cache::lock("picture {$this->path($this->state())}", self::MAKING_SECONDS);
            $lock->block(self::WAIT_SECONDS);
            try {
                return $this->kept() ?? $this->made();
            } finally {
                $lock->release();
            }
        } catch (LockTimeoutException) {
            return $this->made();
        }
    }

    private function kept(): ?string
    {
        return $this->read($this->state());
    }

    private function last(): ?string
    {
        return $this->page->pictured === null ? null : $this->read($this->page->pictured);
    }

    private function read(string $state): ?string
    {
        $path = $this->path($state);
        $bytes = $this->disk->exists($path) ? (string) $this->disk->get($path) : '';

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
            (new WholeFile($this->disk))->put($this->path($this->state()), $png, strlen($png));
            Page::query()
                ->toBase()
                ->where('id', $this->page->id)
                ->update(['pictured' => $this->state(), 'pictured_at' => now(), 'picture_asked_at' => null]);
        } catch (NotKept) {
            // Shown all the same; made again next time.
        }

        return $png;
    }

    private function state(): string
    {
        return "{$this->page->revision}-{$this->page->series->palette_version}";
    }

    private function path(string $state): string
    {
        return sprintf('%s/%d-%s.png', self::FOLDER, $this->page->id, $state);
    }

    /** @return array<string, true> files that show pages as they were shown last */
    public static function inUse(): array
    {
        $paths = Page::query()
            ->toBase()
            ->whereNotNull('pictured')
            ->selectRaw('CONCAT(?, id, ?, pictured, ?) AS path', [self::FOLDER.'/', '-', '.png'])
            ->pluck('path')
            ->all();

        return array_fill_keys(Scalar::strings($paths), true);
    }
}
