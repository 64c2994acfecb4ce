<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Store\ChildDecoder;
use Awning\Core\Codec\Picture;
use Illuminate\Console\Command;

/** What the batch commands share: paths, the JSON report, errors a person can act on. */
abstract class BatchCommand extends Command
{
    /** @param  callable(): void  $work */
    protected function guarded(callable $work): int
    {
        try {
            $work();

            return self::SUCCESS;
        } catch (\RuntimeException|\InvalidArgumentException $error) {
            $this->error($error->getMessage());

            return self::FAILURE;
        }
    }

    protected function path(string $option): ?string
    {
        $path = $this->option($option);

        return is_string($path) && $path !== '' ? self::place($path) : null;
    }

    /** Where a path leads that was typed in the caller's folder: this runs in the project's. */
    protected static function place(string $path): string
    {
        $folder = getenv('AWNING_FOLDER');

        return $folder === false || $folder === '' || str_starts_with($path, '/') ? $path : "$folder/$path";
    }

    /** A picture of any kind that can be imported: an image, a page of a PDF, an SVG, an OpenRaster file. */
    protected static function opened(string $path): Picture
    {
        return is_file($path)
            ? (new ChildDecoder)->read($path, static fn () => null)
            : throw new \InvalidArgumentException("$path is not there. Check its name and folder.");
    }

    protected function write(string $path, string $bytes): void
    {
        // Beside the target first, so that a full disk never leaves half a file under the final name.
        $part = $path.'.part';
        if (@file_put_contents($part, $bytes) !== strlen($bytes) || ! rename($part, $path)) {
            @unlink($part);
            throw new \InvalidArgumentException(
                "$path could not be written. Check that the folder exists and has room.",
            );
        }
    }

    /** @param  array<string, mixed>  $figures */
    protected function report(array $figures): void
    {
        $path = $this->path('report');
        if ($path !== null) {
            $this->write(
                $path,
                json_encode(
                    $figures + ['peak_memory_bytes' => memory_get_peak_usage(true)],
                    JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR,
                )."\n",
            );
        }
    }
}
