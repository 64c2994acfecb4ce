<?php

declare(strict_types=1);

namespace App\Store;

/** Temporary files of processes that were killed before they could take them away. */
final readonly class LeftFiles
{
    /** No work takes half as long: whatever made such a file is gone. */
    private const SECONDS = 2 * 3600;

    /** How files of ours begin, and those of the decoders and drawing programs that are started. */
    private const OURS = ['awning*', 'magick-*'];

    public function __construct(private string $folder)
    {
    }

    /** @return int how many were removed */
    public function remove(): int
    {
        $removed = 0;
        foreach (self::OURS as $pattern) {
            foreach (glob("$this->folder/$pattern") ?: [] as $file) {
                if (is_file($file) && (int) @filemtime($file) < time() - self::SECONDS && @unlink($file)) {
                    $removed++;
                }
            }
        }

        return $removed;
    }
}
