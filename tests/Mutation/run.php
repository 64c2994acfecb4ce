<?php

declare(strict_types=1);

/*
 * Changes one operator, constant or call at a time, runs the nearest tests, and reports what no test noticed.
 *
 *   ./awning mutate [FILE or FOLDER…] [--each N] [--room N] [--seed N]
 *
 * --each: how many changes a file at the most (8), --room: a room at the most, --seed: which ones are chosen.
 *
 * Works in copies of the project, two at a time; a test run that does not end counts as having noticed. Without
 * arguments it takes the rooms below and writes docs/mutation.md.
 */

use Symfony\Component\Process\Process;
use Tests\Mutation\Mutant;
use Tests\Mutation\Mutator;

require __DIR__.'/../../vendor/autoload.php';

/** Room => the tests nearest to it, quickest first; of a file of the browser those that read it. */
const NEAREST = [
    'core/src/Compose' => [
        'core/tests/ComposeTest.php',
        'core/tests/FillingTest.php',
        'core/tests/OpenRasterRenderTest.php',
        'core/tests/SoftEdgesTest.php',
        'core/tests/StrokeTest.php',
        'core/tests/WeatherTest.php',
        'core/tests/MoodTest.php',
        'core/tests/PictureTest.php',
    ],
    'core/src/Sheet' => [
        'core/tests/PlaceTest.php',
        'core/tests/PaintTest.php',
        'core/tests/FillingTest.php',
        'core/tests/HandFlatsTest.php',
        'core/tests/PanelMoodTest.php',
        'core/tests/FirstLightTest.php',
        'core/tests/SheetTest.php',
    ],
    'core/src/Page' => [
        'core/tests/PageTest.php',
        'core/tests/RecordBoundsTest.php',
        'core/tests/PlaceTest.php',
        'core/tests/PaintTest.php',
        'core/tests/FillingTest.php',
        'core/tests/ComposeTest.php',
        'core/tests/FlatsTest.php',
        'core/tests/SheetTest.php',
    ],
    'core/src/Raster' => [
        'core/tests/RasterTest.php',
        'core/tests/FillingTest.php',
        'core/tests/PlaceTest.php',
        'core/tests/FlatsTest.php',
        'core/tests/InkTest.php',
        'core/tests/SheetTest.php',
    ],
    'core/src/Brush' => ['core/tests/StrokeTest.php', 'core/tests/TipTest.php', 'core/tests/PlaceTest.php'],
    'core/src/Ink' => ['core/tests/InkTest.php', 'core/tests/PlaceTest.php', 'core/tests/SheetTest.php'],
    'core/src/Flats' => [
        'core/tests/BridgeTest.php',
        'core/tests/FlatsTest.php',
        'core/tests/FlatColourTest.php',
        'core/tests/GrowthTest.php',
        'core/tests/RepartitionTest.php',
        'core/tests/HandFlatsTest.php',
    ],
    'core/src/Colour' => ['core/tests/ColourTest.php', 'core/tests/FillingTest.php', 'core/tests/PaletteMatchTest.php'],
    'core/src/Light' => [
        'core/tests/FirstLightTest.php',
        'core/tests/LightDialsTest.php',
        'core/tests/LightTest.php',
        'core/tests/PaintTest.php',
    ],
    'core/src/Proof' => ['core/tests/HandFlatsTest.php', 'core/tests/PaletteMatchTest.php'],
    'core/src/Select' => ['core/tests/PaintTest.php'],
    'core/src/Codec' => [
        'core/tests/CodecTest.php',
        'core/tests/OpenRasterRenderTest.php',
        'core/tests/PictureTest.php',
    ],
    'core/src/Exchange' => ['core/tests/ExchangeTest.php', 'core/tests/MoodTest.php', 'core/tests/PaintTest.php'],
    'app/Desk' => [
        'tests/Feature/DeskTest.php',
        'tests/Feature/PaletteTest.php',
        'tests/Feature/BenchTest.php',
        'tests/Feature/TaskTest.php',
        'tests/Feature/MoodTest.php',
        'tests/Feature/PictureTest.php',
        'tests/Feature/PeopleTest.php',
    ],
    'app/Http' => [
        'tests/Feature/DeskTest.php',
        'tests/Feature/PeopleTest.php',
        'tests/Feature/AddressTest.php',
        'tests/Feature/DoorTest.php',
        'tests/Feature/PaletteTest.php',
        'tests/Feature/BenchTest.php',
        'tests/Feature/TaskTest.php',
    ],
    'app/Jobs' => [
        'tests/Feature/LineTest.php',
        'tests/Feature/TaskTest.php',
        'tests/Feature/BenchTest.php',
        'tests/Feature/PaletteTest.php',
    ],
    'app/Store' => [
        'tests/Feature/StoreTest.php',
        'tests/Feature/ReadBackTest.php',
        'tests/Feature/BenchTest.php',
        'tests/Feature/FileTest.php',
    ],
    'app/Models' => ['tests/Feature/DeskTest.php', 'tests/Feature/PaletteTest.php', 'tests/Feature/PeopleTest.php'],
    'resources/js/picture' => [],
    'resources/js/page' => [],
    'resources/js/bench' => [],
    'resources/js/palette' => [],
    'resources/js/api' => [],
    'resources/js/ui' => [],
];
/** A run that takes so many times what it takes on the code as it is does not end: that counts as noticed. */
const TIMES_AS_LONG = 4;
/** Seconds, for runs that were not timed. */
const LONG = 150;
const LANES = 2;

$root = dirname(__DIR__, 2);
chdir($root);
$arguments = array_slice($argv, 1);
$each = 8;
if (($at = array_search('--each', $arguments, true)) !== false) {
    $each = (int) ($arguments[$at + 1] ?? $each);
    array_splice($arguments, $at, 2);
}

/** @return list<string> */
function sources(string $room): array
{
    $files = array_filter(
        glob("$room/{*,*/*,*/*/*}.{php,ts,tsx}", GLOB_BRACE) ?: [],
        fn (string $file): bool => ! str_ends_with($file, '.test.ts') &&
            ! str_ends_with($file, 'worker.ts') &&
            ! str_ends_with($file, 'jobs.ts') &&
            ! str_ends_with($file, 'generated.ts'),
    );
    sort($files);

    return $files;
}

function copyOf(string $root, int $lane): string
{
    $copy = sys_get_temp_dir()."/awning-mutate-$lane";
    exec('rm -rf '.escapeshellarg($copy).'; mkdir -p '.escapeshellarg($copy));
    foreach (
        [
            'core',
            'app',
            'vendor',
            'resources',
            'tests',
            'docs',
            'bootstrap',
            'config',
            'database',
            'routes',
            'phpunit.xml',
            'composer.json',
            'vitest.config.ts',
            'package.json',
            'artisan',
            'public',
            'core',
        ] as $part
    ) {
        exec(sprintf('cp -r %s %s/', escapeshellarg("$root/$part"), escapeshellarg($copy)));
    }
    exec(
        sprintf(
            'mkdir -p %2$s/var && cp -r %1$s/var/fixtures %2$s/var/ && ln -s %1$s/node_modules %2$s/node_modules',
            escapeshellarg($root),
            escapeshellarg($copy),
        ),
    );

    return $copy;
}

/** @return array<string, string> each copy has a database of its own, as tests/bootstrap.php makes it */
function environment(int $lane): array
{
    return ['CI' => '', 'TEST_TOKEN' => '_mutate'.$lane];
}

function roomOf(string $path): string
{
    return (string) array_key_first(
        array_filter(NEAREST, fn (string $room): bool => str_starts_with($path, "$room/"), ARRAY_FILTER_USE_KEY),
    );
}

/** @return list<list<string>> commands, one after the other, until one fails */
function checks(string $path): array
{
    if (str_starts_with($path, 'resources/')) {
        return [['npx', 'vitest', 'related', '--run', '--bail=1', '--silent=true', '--passWithNoTests', $path]];
    }
    $nearest = array_values(array_filter(NEAREST[roomOf($path)] ?? [], is_file(...)));
    // What the nearest do not notice, all of the core's may.
    $tests = str_starts_with($path, 'core/') ? [...$nearest, 'core/tests'] : $nearest;

    return array_map(
        fn (string $test): array => [PHP_BINARY, 'vendor/bin/phpunit', '--stop-on-failure', '--no-progress', $test],
        $tests,
    );
}

$seed = 20261125;
if (($at = array_search('--seed', $arguments, true)) !== false) {
    $seed = (int) ($arguments[$at + 1] ?? $seed);
    array_splice($arguments, $at, 2);
}
$mostOfRoom = PHP_INT_MAX;
if (($at = array_search('--room', $arguments, true)) !== false) {
    $mostOfRoom = (int) ($arguments[$at + 1] ?? $mostOfRoom);
    array_splice($arguments, $at, 2);
}
$rooms = $arguments !== [] ? $arguments : array_keys(NEAREST);
$files = array_merge(...array_map(fn (string $place): array => is_dir($place) ? sources($place) : [$place], $rooms));
mt_srand($seed);
/** @var list<Mutant> $queue */
$queue = [];
foreach ($files as $file) {
    $mutants = (new Mutator)->mutants($file, (string) file_get_contents($file));
    shuffle($mutants);
    array_push($queue, ...array_slice($mutants, 0, $each));
}
if ($mostOfRoom < PHP_INT_MAX) {
    shuffle($queue);
    $seen = [];
    $queue = array_values(
        array_filter($queue, function (Mutant $mutant) use (&$seen, $mostOfRoom): bool {
            $room = roomOf($mutant->path);
            $seen[$room] = ($seen[$room] ?? 0) + 1;

            return $seen[$room] <= $mostOfRoom;
        }),
    );
}
fprintf(STDERR, "%d changes in %d files\n", count($queue), count($files));
exec(PHP_BINARY.' core/tests/write_fixtures.php var/fixtures');
$copies = array_map(fn (int $lane): string => copyOf($root, $lane), range(0, LANES - 1));

/** @var array<string, float> $usual seconds of each check on the code as it is */
$usual = [];
// A test that fails on the code as it is would take every change for noticed.
foreach (array_unique(array_map(fn (Mutant $mutant): string => roomOf($mutant->path), $queue)) as $folder) {
    foreach (str_starts_with($folder, 'resources') ? [] : checks("$folder/x.php") as $check) {
        if (isset($usual[implode(' ', $check)])) {
            continue;
        }
        $process = new Process($check, $copies[0], environment(0), null, 900);
        $began = microtime(true);
        $isGreen = $process->run() === 0;
        $usual[implode(' ', $check)] = microtime(true) - $began;
        if (! $isGreen) {
            fwrite(
                STDERR,
                'The tests fail on the code as it is: '.
                    implode(' ', $check).
                    "\n".
                    substr($process->getOutput(), -2000),
            );
            exit(2);
        }
    }
}

$survivors = [];
$counts = [];
$running = array_fill(0, LANES, null);
while ($queue !== [] || array_filter($running) !== []) {
    foreach ($running as $lane => $job) {
        if ($job === null) {
            $mutant = array_shift($queue);
            if ($mutant !== null) {
                file_put_contents("$copies[$lane]/$mutant->path", $mutant->changed());
                $left = checks($mutant->path);
                $running[$lane] = ['mutant' => $mutant, 'left' => $left, 'process' => null, 'most' => 0];
            }

            continue;
        }
        $process = $job['process'];
        if ($process instanceof Process && $process->isRunning()) {
            if (microtime(true) - $process->getStartTime() > $job['most']) {
                $process->stop(0);
            }

            continue;
        }
        $noticed = $process instanceof Process && ! $process->isSuccessful();
        if ($noticed || ($process !== null && $job['left'] === [])) {
            $mutant = $job['mutant'];
            $room = roomOf($mutant->path);
            $counts[$room] ??= [0, 0];
            $counts[$room][$noticed ? 0 : 1]++;
            if (! $noticed) {
                $survivors[] = $mutant->describe();
                fprintf(STDERR, "not noticed: %s\n", $mutant->describe());
            }
            file_put_contents("$copies[$lane]/$mutant->path", $mutant->original());
            $running[$lane] = null;

            continue;
        }
        $check = array_shift($running[$lane]['left']);
        $running[$lane]['most'] = max(60, TIMES_AS_LONG * ($usual[implode(' ', $check)] ?? LONG / TIMES_AS_LONG));
        $running[$lane]['process'] = new Process(
            $check,
            $copies[$lane],
            environment($lane),
            null,
            null,
        );
        $running[$lane]['process']->start();
    }
    usleep(20_000);
}
array_map(fn (string $copy) => exec('rm -rf '.escapeshellarg($copy)), $copies);

$table = "| room | changes | noticed | share |\n|---|---|---|---|\n";
$caught = $all = 0;
foreach ($counts as $room => [$noticed, $missed]) {
    $table .= sprintf(
        "| %s | %d | %d | %d %% |\n",
        $room,
        $noticed + $missed,
        $noticed,
        round((100 * $noticed) / ($noticed + $missed)),
    );
    $caught += $noticed;
    $all += $noticed + $missed;
}
$table .= sprintf("| all | %d | %d | %d %% |\n", $all, $caught, round((100 * $caught) / max(1, $all)));
echo "\n$table\n";
if ($arguments === []) {
    $list =
        $survivors === []
            ? "None.\n"
            : implode("\n", array_map(fn (string $s): string => '- `'.str_replace('`', "'", $s).'`', $survivors)).
                "\n";
    $sampled = $mostOfRoom < PHP_INT_MAX ? " --room $mostOfRoom" : '';
    file_put_contents(
        'docs/mutation.md',
        "# What the tests notice\n\nBy `./awning mutate --each $each$sampled`: one operator, constant or call at a time was changed, at places chosen with a\nfixed seed; the nearest tests were run, and all of the core's where these noticed nothing. ".
            date('j F Y').
            ".\n\n$table\n## Not noticed\n\nSome change nothing that can be seen (a bound that is never met exactly, a cache, a speed-up); the rest is owed a test.\n\n$list",
    );
}
exit($survivors === [] ? 0 : 1);
