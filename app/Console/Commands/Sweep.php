<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Store\TileSweep;
use Illuminate\Console\Command;

final class Sweep extends Command
{
    protected $signature = 'awning:sweep';

    protected $description = 'Remove tiles that nothing refers to any more';

    public function handle(TileSweep $sweep): int
    {
        $this->line($sweep->run((int) config('awning.tile_grace_hours')).' tiles removed.');

        return self::SUCCESS;
    }
}
