<?php

declare(strict_types=1);

/*
 * What KillTest kills: prepare, op, undo, state. The op lays ink over a whole page, so that its transaction is long.
 */

use App\Desk\Asked;
use App\Desk\Page\PageDesk;
use App\Models\Page;
use App\Models\Role;
use App\Models\Series;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Flats\FlatsResult;
use Awning\Core\Ink\CleanScan;
use Awning\Core\Ink\Levels;
use Awning\Core\Ink\PlacedDrawing;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\DrawingSource;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\Ops\Ink\LayInk;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Database\Events\TransactionCommitted;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;

require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

function lay(int $seed): LayInk
{
    $side = 1600;
    $noise = (new Random\Randomizer(new Random\Engine\Xoshiro256StarStar($seed)))->getBytes($side * $side);
    $ink = new Plane($side, $side, $noise);

    return new LayInk(
        "Ink $seed",
        PlacedDrawing::of(
            new CleanScan($ink, new Levels(20, 200), $ink),
            new CleanSettings,
            new DrawingSource(0, 'Scan', 300),
        ),
        new FlatsResult(
            new Labels($side, $side, str_repeat("\0".chr($seed), $side * $side)),
            [$seed => new Region(0, 0, 9, 1, 1)],
            [],
            [],
        ),
    );
}

/* Counts the queries of an op, and kills what is to be killed after the one it is told. */
$queries = 0;
[$victim, $moment] = explode(' ', (string) getenv('KILL')) + ['', ''];
$kill = function () use ($victim): void {
    $pid = $victim === 'worker' ? (int) getmypid() : (int) file_get_contents((string) getenv('KILL_PID'));
    posix_kill($pid, SIGKILL);
    // Until it has really ended, its threads may go on answering.
    while (preg_match('/^State:\s+[^ZX]/m', (string) @file_get_contents("/proc/$pid/status")) === 1) {
        usleep(1000);
    }
};
DB::listen(function () use (&$queries, $moment, $kill): void {
    if (++$queries === (int) $moment) {
        $kill();
    }
});
Event::listen(TransactionCommitted::class, fn () => $moment === 'commit' ? $kill() : null);

if ($argv[1] === 'prepare') {
    Artisan::call('migrate', ['--force' => true]);
    $user = User::query()->create(['name' => 'Mira', 'email' => 'mira@awning.example', 'password' => 'x']);
    $page = Page::query()->create([
        'series_id' => Series::query()->create(['name' => 'Killed'])->id,
        'number' => 1,
        'title' => 'One',
    ]);
    (new PageDesk)->apply($page->refresh(), $user, lay(1));
    exit();
}
$page = Page::query()->firstOrFail();
$user = User::query()->firstOrFail();
match ($argv[1]) {
    'op' => (function () use ($page, $user, &$queries): void {
        $queries = 0;
        (new PageDesk)->apply($page, $user, lay(2));
        echo $queries, "\n";
    })(),
    'undo' => (function () use ($page, $user): void {
        $page->forceFill(['holder_id' => $user->id, 'lease' => 'lease0000000000'])->save();
        (new PageDesk)->undo(
            $page,
            $user,
            Role::Owner,
            new Asked(bin2hex(random_bytes(10)), $page->revision, 'lease0000000000'),
        );
    })(),
    'state' => (function () use ($page): void {
        $store = new PageStore($page);
        $bytes = '';
        foreach (['scan:drawing1', 'drawing:drawing1', 'ink', 'flats'] as $layer) {
            foreach ($store->tilesOf(LayerName::parse($layer)) as [$column, $row]) {
                $bytes .= hash(
                    'sha256',
                    "$layer $column $row ".$store->tile(LayerName::parse($layer), $column, $row),
                );
            }
        }
        $rest = [
            DB::table('regions')->orderBy('label')->get(),
            DB::table('journal')->where('state', 'done')->pluck('title'),
        ];
        echo hash('sha256', $bytes.json_encode($rest)), "\n";
    })(),
};
