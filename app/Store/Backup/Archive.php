<?php

declare(strict_types=1);

namespace App\Store\Backup;

use App\Values\Scalar;
use RuntimeException;
use ZipArchive;

/**
 * One file with everything: the database as SQL, the originals byte for byte, and a list of what must be in it with
 * sizes and hashes. An ordinary zip archive.
 */
final class Archive
{
    public const DATABASE = 'database.sql';

    private const MANIFEST = 'manifest.json';

    private const FORM = 1;

    /** mariadb-dump writes this last; without it the dump was cut. */
    private const DUMP_END = '-- Dump completed';

    /** @var array<string, array{bytes: int, sha256: string}> */
    private array $files = [];

    private function __construct(private readonly ZipArchive $zip)
    {
    }

    /** @throws RuntimeException */
    public static function create(string $path): self
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::CREATE | ZipArchive::EXCL) !== true) {
            throw new RuntimeException(
                "$path cannot be written. Check that the folder exists, and that no file of that name is there.",
            );
        }

        return new self($zip);
    }

    /** Opens a backup and reads all of it once. @throws RuntimeException when anything is missing or altered */
    public static function verified(string $path): self
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw new RuntimeException("$path is not a backup, or it was cut short.");
        }
        $manifest = json_decode((string) $zip->getFromName(self::MANIFEST), true);
        if (
            ! is_array($manifest) ||
            ($manifest['form'] ?? null) !== self::FORM ||
            ! is_array($manifest['files'] ?? null) ||
            ! isset($manifest['files'][self::DATABASE])
        ) {
            throw new RuntimeException("$path is not a backup of Awning, or of a later version.");
        }
        $archive = new self($zip);
        foreach ($manifest['files'] as $name => $expected) {
            $expected = is_array($expected) ? $expected : [];
            $archive->files[(string) $name] = $expected = [
                'bytes' => Scalar::int($expected['bytes'] ?? null),
                'sha256' => Scalar::string($expected['sha256'] ?? null),
            ];
            $archive->verify((string) $name, $expected);
        }

        return $archive;
    }

    /** @param  array{bytes: int, sha256: string}  $expected */
    private function verify(string $name, array $expected): void
    {
        $stream = $this->stream($name);
        $hash = hash_init('sha256');
        $bytes = hash_update_stream($hash, $stream);
        fclose($stream);
        if ($bytes !== $expected['bytes'] || hash_final($hash) !== $expected['sha256']) {
            throw new RuntimeException(
                "The backup is damaged: its part $name is not what was put in. Use another one.",
            );
        }
    }

    public function add(string $name, string $file, bool $packed): void
    {
        $this->files[$name] = ['bytes' => (int) filesize($file), 'sha256' => (string) hash_file('sha256', $file)];
        $this->zip->addFile($file, $name);
        $this->zip->setCompressionName($name, $packed ? ZipArchive::CM_DEFLATE : ZipArchive::CM_STORE);
    }

    public function addDump(string $file): void
    {
        $end = (string) file_get_contents($file, false, null, max(0, (int) filesize($file) - 200));
        if (! str_contains($end, self::DUMP_END)) {
            throw new RuntimeException(
                'The database could not be read to its end. Is there room in the temporary folder?',
            );
        }
        $this->add(self::DATABASE, $file, true);
    }

    public function close(): void
    {
        $this->zip->addFromString(
            self::MANIFEST,
            json_encode(
                ['form' => self::FORM, 'made_at' => date(DATE_ATOM), 'files' => $this->files],
                JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT,
            ),
        );
        if (! $this->zip->close()) {
            throw new RuntimeException('The backup could not be written to its end. Is there room on the disk?');
        }
    }

    /** @return resource */
    public function stream(string $name)
    {
        return $this->zip->getStream($name) ?:
            throw new RuntimeException("The backup is damaged: its part $name cannot be read. Use another one.");
    }

    /** @return array<string, array{bytes: int, sha256: string}> */
    public function files(): array
    {
        return $this->files;
    }
}
