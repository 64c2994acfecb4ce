<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Original;
use App\Store\Backup\Archive;
use App\Store\Backup\Dump;
use App\Store\Originals;

/** Everything in one file, while people work. */
final class Backup extends BatchCommand
{
    protected $signature = 'awning:backup {file : where it goes}';

    protected $description = 'Write database and originals to one file, and read it back to see that it is whole';

    public function handle(Dump $dump, Originals $originals): int
    {
        return $this->guarded(function () use ($dump, $originals): void {
            $file = $this->place((string) $this->argument('file'));
            if (file_exists($file)) {
                throw new \InvalidArgumentException(
                    "$file is there already. A backup does not take the place of another; give it a new name.",
                );
            }
            $part = "$file.part";
            @unlink($part);
            $copies = [];
            try {
                $archive = Archive::create($part);
                $copies[] = $sql = (string) tempnam(sys_get_temp_dir(), 'awning-dump');
                $dump->write($sql);
                $archive->addDump($sql);
                // After the database: an original that a row names is on the disk before the row is there.
                foreach (Original::query()->get()->unique('path') as $original) {
                    $copies[] = $copy = $originals->copy($original);
                    $archive->add("works/$original->path", $copy, false);
                }
                $archive->close();
                chmod($part, 0600);
                $files = count(Archive::verified($part)->files());
                rename($part, $file) || throw new \InvalidArgumentException("$file could not be given its name.");
                $this->line(
                    sprintf(
                        '%s: the database and %d originals, %.1f MB, read back and whole.',
                        $file,
                        $files - 1,
                        filesize($file) / 1e6,
                    ),
                );
            } finally {
                @unlink($part);
                array_map(unlink(...), $copies);
            }
        });
    }
}
