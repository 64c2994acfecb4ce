<?php

declare(strict_types=1);

/* Makes all tiles old and sweeps them, over and over, until it is ended. */

use App\Store\TileSweep;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
for (; ;) {
    // Old, as if nobody had touched them for days: a tile that is referred to anew must be made young by whoever does.
    DB::table('tiles')->where('made_at', '<', now()->subSecond())->update(['made_at' => now()->subDays(9)]);
    echo 'swept ', (new TileSweep)->run(1), "\n";
    usleep(20_000);
}
