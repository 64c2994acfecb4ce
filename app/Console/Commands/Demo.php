<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Demo\DemoLoader;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

final class Demo extends Command
{
    protected $signature = 'awning:demo';

    protected $description = 'Load The Salt Ferry, unless it is there';

    public function handle(): int
    {
        // All or nothing: a demo that was cut off half-way is loaded again from the start.
        DB::transaction(fn () => (new DemoLoader($this->line(...)))->load());

        return self::SUCCESS;
    }
}
