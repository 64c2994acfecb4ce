<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Store\TileSweep;
use App\Store\WholeFile;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Storage;

final class Sweep extends Command
{
    protected $signature = 'awning:sweep';

    protected $description = 'Remove tiles that nothing refers to any more';

    public function handle(TileSweep $sweep): int
    {
        $this->line($sweep->run((int) config('awning.tile_grace_hours')).' tiles removed, '.$this->files().' files.');

        return self::SUCCESS;
    }

    /** Beginnings of files that were never finished, and small pictures of states that are past. @return int how many */
    private function files(): int
    {
        $disk = Storage::disk('works');
        $old = now()->subHours((int) config('awning.tile_grace_hours'))->getTimestamp();
        $removed = 0;
        foreach ($disk->allFiles() as $file) {
            if ((str_contains($file, WholeFile::PART) || str_starts_with($file, 'pictures/')) && $disk->lastModified($file) < $old) {
                $disk->delete($file);
                $removed++;
            }
        }

        return $removed;
    }
}
