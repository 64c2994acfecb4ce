<?php

declare(strict_types=1);

/*
 * Sets up a private copy of Awning and does to it what must not hurt: kills, floods, crafted files, races. Prints its
 * seed; the whole drill writes docs/drill.md, the short one is part of the tests.
 *
 *   ./awning drill [--minutes N] [--seed N] [--short] [--only NAME]
 */

use Illuminate\Contracts\Console\Kernel;
use Tests\Drill\Afternoon;
use Tests\Drill\Disk;
use Tests\Drill\Doors;
use Tests\Drill\Files;
use Tests\Drill\Fuzz;
use Tests\Drill\Installation;
use Tests\Drill\Kills;
use Tests\Drill\Model;
use Tests\Drill\Races;
use Tests\Drill\Tally;
use Tests\Drill\World;

$project = dirname(__DIR__, 2);
require "$project/vendor/autoload.php";
$options = getopt('', ['minutes:', 'seed:', 'short', 'only:']);
$isShort = isset($options['short']);
// The whole drill takes about half an hour; fewer minutes do a share of everything.
$share = $isShort ? 0.01 : min(1.0, (float) ($options['minutes'] ?? 30) / 30);
$seed = (int) ($options['seed'] ?? random_int(1, 999_999));
$only = $options['only'] ?? null;
fwrite(STDERR, "Seed $seed\nSetting up a private copy\n");

$installation = new Installation($project);
register_shutdown_function($installation->stop(...));
// Called off, too, it takes down what it set up.
pcntl_async_signals(true);
foreach ([SIGINT, SIGTERM] as $signal) {
    pcntl_signal($signal, static fn () => exit(130));
}
$installation->start();
foreach ($installation->environment() as $name => $value) {
    putenv($value === false ? $name : "$name=$value");
}
putenv('APP_ENV=testing');
$_ENV = $_SERVER = array_diff_key($_SERVER, ['APP_KEY' => 0]);
$app = require "$project/bootstrap/app.php";
$app->make(Kernel::class)->bootstrap();
config(['session.driver' => 'array', 'app.env' => 'testing']);
$app['env'] = 'testing';

mt_srand($seed);
$tally = new Tally;
$world = new World($installation);
$races = new Races($world, $tally, $project);
$times = fn (int $whole, int $least): int => max($least, (int) round($share * $whole));
$drills = [
    'kills' => fn (): array => (new Kills($world, $tally))->run($times(200, 4)),
    'model' => fn (): array => (new Model($world, $tally))->run($times(10_000, 120)),
    'files' => fn (): array => (new Files($tally))->run($times(1_000, 24)),
    'disk' => fn (): array => (new Disk($tally))->run($times(400, 40)),
    'sweep' => fn (): array => $races->sweep($times(600, 24)),
    'lease' => fn (): array => $races->lease($times(200, 10)),
    'readers' => fn (): array => $races->readers($times(30, 1), $isShort ? 20 : 60),
    'afternoon' => fn (): array => (new Afternoon($world, $tally))->run($times(60, 3), $isShort),
    'doors' => fn (): array => (new Doors($world, $tally))->run(),
    // Last: it signs people out, removes them, takes pages.
    'fuzz' => fn (): array => (new Fuzz($app, $world, $tally))->run($times(10_000, 400)),
];
foreach ($drills as $name => $drill) {
    if ($only === null || $only === $name) {
        mt_srand($seed + crc32($name));
        $tally->of($name, $drill);
    }
}
foreach ($tally->failures() as $failure) {
    fwrite(STDERR, "  $failure\n");
}
if (! $isShort && $only === null) {
    $machine =
        trim((string) shell_exec('nproc')).
        ' cores, '.
        trim((string) shell_exec("grep -m1 'model name' /proc/cpuinfo | cut -d: -f2"));
    file_put_contents(
        "$project/docs/drill.md",
        "# The drill\n\nBy `./awning drill`, ".
            date('j F Y').
            ", seed $seed, on $machine, on a private copy with its own database, servers and workers.\n\n".
            $tally->table().
            "\n".
            ($tally->isClean()
                ? 'Nothing was lost, nothing half applied, and no error was answered that a kill had not provoked.'
                : "What failed:\n\n- ".implode("\n- ", $tally->failures())).
            "\n",
    );
}
exit($tally->isClean() ? 0 : 1);
