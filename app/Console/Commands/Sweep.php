<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Desk\Page\ShelfPicture;
use App\Store\LeftFiles;
use App\Store\OriginalViews;
use App\Store\TileSweep;
use App\Store\WholeFile;
use App\Values\Scalar;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Storage;

final class Sweep extends Command
{
    protected $signature = 'awning:sweep {--temporary : only temporary files that killed processes left}';

    protected $description = 'Remove tiles that nothing refers to any more';

    public function handle(TileSweep $sweep): int
    {
        $left = (new LeftFiles(sys_get_temp_dir()))->remove();
        if ($this->option('temporary')) {
            $this->line("$left temporary files removed.");

            return self::SUCCESS;
        }
        $this->line(
            $sweep->run(Scalar::int(config('awning.tile_grace_hours'))).' tiles removed, '.$this->files().' files.',
        );

        return self::SUCCESS;
    }

    /**
     * Beginnings of files that were never finished, and small pictures of states that are past.
     *
     * @return int how many
     */
    private function files(): int
    {
        $disk = Storage::disk('works');
        $inUse = ShelfPicture::inUse();
        $old = now()->subHours(Scalar::int(config('awning.tile_grace_hours')))->getTimestamp();
        $removed = 0;
        foreach (Scalar::strings($disk->allFiles()) as $file) {
            // What drawings and pictures on boards came from goes with them.
            $isPicture =
                str_starts_with($file, ShelfPicture::FOLDER.'/') && ! str_starts_with($file, OriginalViews::FOLDER);
            if (
                (str_contains($file, WholeFile::PART) || ($isPicture && ! isset($inUse[$file]))) &&
                $disk->lastModified($file) < $old
            ) {
                $disk->delete($file);
                $removed++;
            }
        }

        return $removed;
    }
}
