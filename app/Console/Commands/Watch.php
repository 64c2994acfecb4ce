<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Desk\Palette\FigureLinks;
use App\Jobs\Pictures;
use App\Jobs\Tasks;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Runs beside the queue workers: gives what a dead one leaves to the others, and sees to what follows something else:
 * linked figures, small pictures.
 */
final class Watch extends Command
{
    protected $signature = 'awning:watch {--once : look once and end} {--every=2 : seconds between two looks}';

    protected $description = 'Take up work whose process died, and bring figures up to date that follow others';

    public function handle(Tasks $tasks, FigureLinks $links, Pictures $pictures): int
    {
        do {
            try {
                $taken = $tasks->takeUpAgain();
                if ($taken > 0) {
                    $this->line("$taken taken up again");
                }
                $links->catchUp();
                $pictures->askFor();
            } catch (Throwable $error) {
                // The database may be away for a while; whoever keeps this running need not notice.
                $this->error($error->getMessage());
                DB::purge();
            }
            if (! $this->option('once')) {
                usleep((int) (1e6 * max(0.2, (float) $this->option('every'))));
            }
        } while (! $this->option('once'));

        return self::SUCCESS;
    }
}
