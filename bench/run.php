<?php

declare(strict_types=1);

/*
 * Measures the targets of the project beside their references, in one run on one machine, and writes docs/bench.md.
 * Times differ from machine to machine; the ratios are what counts.
 */

use App\Demo\DemoScan;
use App\Demo\PageArt;
use App\Desk\WorkerProcesses;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Compose\Compositor;
use Awning\Core\Compose\DepthPlane;
use Awning\Core\Compose\Layers\Flat;
use Awning\Core\Compose\Layers\LayerKinds;
use Awning\Core\Compose\PageStack;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\TintContent;
use Awning\Core\Page\Pass\ToneContent;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Components;
use Awning\Core\Raster\Runs;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Tests\PageBlock;
use Illuminate\Contracts\Console\Kernel;
use Symfony\Component\Process\Process;

require __DIR__.'/../vendor/autoload.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
require __DIR__.'/Desk.php';
require __DIR__.'/Flats.php';
require __DIR__.'/Light.php';
require __DIR__.'/Palettes.php';
require __DIR__.'/scanned_page.php';

const PYTHON = '/usr/bin/python3';
/** A group of drawings that is measured and never looked at while tuning. */
const SET_ASIDE = 'activities';
$work = sys_get_temp_dir().'/awning-bench';
@mkdir($work, 0700, true);

function say(string $line): void
{
    fwrite(STDERR, "$line\n");
}

/** @param  list<string>  $command */
function tool(array $command): string
{
    return (new Process($command))->setTimeout(900)->mustRun()->getOutput();
}

/** Median milliseconds of some runs. */
function median(int $runs, callable $work): float
{
    $times = [];
    for ($i = 0; $i < $runs; $i++) {
        $began = hrtime(true);
        $work();
        $times[] = (hrtime(true) - $began) / 1e6;
    }
    sort($times);

    return $times[intdiv($runs, 2)];
}

$rows = [];
$row = function (string $what, float $ours, ?float $reference, string $by, string $target, string $note = '') use (
    &$rows,
): void {
    $ratio = $reference === null ? '' : sprintf('%.2f ×', $ours / $reference);
    $rows[] = sprintf(
        '| %s | %s ms | %s | %s | %s | %s |',
        $what,
        number_format($ours, 0, '.', ' '),
        $reference === null ? '' : number_format($reference, 0, '.', ' ')." ms ($by)",
        $ratio,
        $target,
        $note,
    );
    say(strip_tags(end($rows)));
};

// ---- a 16-megapixel scan --------------------------------------------------------------------------------------------
say('Drawing a 4 000 x 4 000 px scan');
file_put_contents("$work/page.png", (new DemoScan(PageArt::all()[1], 1))->scan());
foreach ([1000, 2000, 4000, 8000] as $side) {
    tool([
        '/usr/bin/convert',
        "$work/page.png",
        '-resize',
        "{$side}x$side!",
        '-define',
        'png:compression-level=1',
        "$work/scan$side.png",
    ]);
}

say('Flats');
$flatsRun = function (int $side) use ($work): array {
    $began = hrtime(true);
    tool([
        PHP_BINARY,
        'artisan',
        'awning:flats',
        "$work/scan$side.png",
        "--out=$work/flats.png",
        '--gap=12',
        "--report=$work/report.json",
    ]);
    $whole = (hrtime(true) - $began) / 1e6;
    $report = json_decode((string) file_get_contents("$work/report.json"), true);

    return [
        $report['milliseconds']['clean'] + $report['milliseconds']['flats'],
        $report['peak_memory_bytes'] / 1e6,
        $whole,
        $report,
    ];
};
$curve = [];
foreach ([1000 => 3, 2000 => 3, 4000 => 3, 8000 => 1] as $side => $runs) {
    $measured = array_map(fn () => $flatsRun($side), range(1, $runs));
    sort($measured);
    $curve[$side] = $measured[intdiv($runs, 2)];
}
$labelling = median(
    3,
    fn () => tool([
        '/usr/bin/convert',
        "$work/scan4000.png",
        '-colorspace',
        'Gray',
        '-threshold',
        '50%',
        '-define',
        'connected-components:verbose=false',
        '-connected-components',
        '4',
        "$work/cc.png",
    ]),
);
$row(
    'scan (16 MP) → clean ink → bridges → regions grown under the lines',
    $curve[4000][0] + $curve[4000][3]['milliseconds']['read'],
    $labelling,
    'ImageMagick, threshold and labelling alone',
    '≤ 0.5 ×',
    sprintf('peak %d MB; with start-up and writing the PNG %d ms', $curve[4000][1], $curve[4000][2]),
);

foreach ([4000 => '16 MP', 8000 => '64 MP'] as $side => $size) {
    $row(
        "clean alone, $size in colour",
        $curve[$side][3]['milliseconds']['clean'],
        null,
        '',
        '',
        sprintf('%d ms a megapixel', $curve[$side][3]['milliseconds']['clean'] / ($side / 1000) ** 2),
    );
}

say('Regions alone');
$ink = (new ScanCleaner)->clean(
    (new ImageReader)->read("$work/scan4000.png")->channels(),
    new CleanSettings(turn: 0.0),
)->ink;
file_put_contents("$work/ink.png", (new PngWriter(1))->grey($ink));
$bounds = strtr($ink->data, Bytes::identity(), Bytes::threshold(100));
$regions = median(5, fn () => Components::of(Runs::ofMarks($bounds, 4000, 4000, "\0")));
$opencv = (float) tool([
    PYTHON,
    '-c',
    "import cv2, time, statistics, numpy as np
free = (cv2.imread('$work/ink.png', 0) < 100).astype(np.uint8); times = []
for _ in range(7):
    t = time.perf_counter(); cv2.connectedComponents(free, connectivity=4); times.append(time.perf_counter() - t)
print(1000 * statistics.median(times))",
]);
$row('regions alone', $regions, $opencv, 'OpenCV connectedComponents', '≤ 0.6 ×');

// ---- flats by hand
// -----------------------------------------------------------------------------------------------------
say('What the hand does to the flats of 16 megapixels');
foreach (bench_flats($ink) as [$what, $middle, $target, $note]) {
    $row($what, $middle, null, '', $target, $note);
}

// ---- palettes
// ----------------------------------------------------------------------------------------------------------
say('Palettes');
foreach (bench_palettes($work) as $line) {
    $row(...$line);
}

// ---- compositing
// -------------------------------------------------------------------------------------------------------
say('Compositing');
/** Three figures in vertical bands over real regions; twelve passes, half of them soft. */
$composing = function (int $side) use ($work): array {
    $picture = (new ImageReader)->read("$work/scan$side.png");
    $ink = (new ScanCleaner)->clean($picture->channels(), new CleanSettings(turn: 0.0))->ink;
    $flats = (new FlatsFinder)->find($ink);
    $grid = new TileGrid($side, $side);
    $of = [];
    $colours = [0xC98D6B, 0xE0A93A, 0x41667A, 0x6D938C, 0xB9463C, 0xA97F57];
    foreach (array_keys($flats->regions) as $label) {
        $base = $colours[$label % 6];
        $of[$label] = new Flat(
            1 + ($label % 3),
            1 + ($label % 6),
            ['base' => $base] +
                array_fill_keys(array_map(fn (Tone $t): string => $t->value, Tone::cases()), ($base >> 1) & 0x7F7F7F),
        );
    }
    $planes = $passes = [];
    $modes = [BlendMode::Multiply, BlendMode::Normal, BlendMode::Screen, BlendMode::SoftLight];
    for ($p = 0; $p < 12; $p++) {
        $soft = $p % 2 === 1;
        $image = new Imagick;
        $image->newPseudoImage($side, $side, $soft ? 'radial-gradient:white-black' : 'xc:black');
        $shape = new ImagickDraw;
        $shape->setFillColor($soft ? 'black' : 'white');
        if (! $soft) {
            $shape->circle($side * (0.2 + 0.05 * $p), $side * 0.5, $side * (0.2 + 0.05 * $p), $side * 0.74);
            $image->drawImage($shape);
        } else {
            $image->rollImage((int) ($side * 0.07 * $p), (int) ($side * 0.05 * $p));
        }
        $image->setImageFormat('gray');
        $image->setImageDepth(8);
        $planes["pass:p$p"] = $image->getImageBlob();
        $content =
            $p % 3 === 0
                ? new ToneContent(Tone::Shade)
                : new TintContent(Rgb::fromHex(sprintf('%06x', 0x5A6A9C + 4099 * $p)));
        $pass = new PassSpec(
            "Pass $p",
            $p < 9 ? 1 + ($p % 3) : 0,
            $content,
            $p < 9 ? Scope::figure(1 + ($p % 3)) : Scope::page(),
            $modes[$p % 4],
            0.35 + 0.05 * $p,
        );
        $passes[$p < 9 ? 1 + ($p % 3) : 0][] = LayerKinds::layer("p$p", $pass);
    }
    $stack = new PageStack(
        $of,
        array_map(fn (int $figure): DepthPlane => new DepthPlane($figure, $passes[$figure]), [1, 2, 3]),
        above: $passes[0],
    );
    $tiles = ['ink' => $grid->cut($ink->data)];
    foreach ($planes as $name => $plane) {
        $tiles[$name] = $grid->cut($plane);
    }
    $labels = $grid->cut($flats->labels->data, 2);
    $compositor = new Compositor;
    $began = hrtime(true);
    (new WorkerProcesses)->each($grid->all(), function (array $place) use (
        $tiles,
        $labels,
        $compositor,
        $stack,
    ): string {
        [$column, $line] = $place;
        $here = array_filter(array_map(fn (array $cut): ?string => $cut["$column,$line"] ?? null, $tiles));
        $pixels = $compositor->compose(
            $stack,
            new PageBlock(TileGrid::rect($column, $line), $labels["$column,$line"] ?? null, $here),
        );

        return $pixels->red.$pixels->green.$pixels->blue;
    });

    return [(hrtime(true) - $began) / 1e6, $planes];
};
$composed = [];
foreach ([1000, 2000, 4000] as $side) {
    [$composed[$side], $planes] = $composing($side);
    say(sprintf('  %d px: %.0f ms', $side, $composed[$side]));
}
// The same stack by ImageMagick: for each pass a colour with the pass as alpha, composited; images at hand, 8 bits.
tool(['/usr/bin/convert', '-size', '4000x4000', 'plasma:tan-steelblue', '-depth', '8', "$work/base.mpc"]);
foreach ($planes as $name => $plane) {
    $name = strtr($name, [':' => '']);
    file_put_contents("$work/$name.pgm", "P5\n4000 4000\n255\n$plane");
    tool([
        '/usr/bin/convert',
        '-size',
        '4000x4000',
        'xc:#5a6a9c',
        "$work/$name.pgm",
        '-alpha',
        'off',
        '-compose',
        'CopyOpacity',
        '-composite',
        '-depth',
        '8',
        "$work/$name.mpc",
    ]);
}
$command = ['/usr/bin/convert', "$work/base.mpc"];
foreach (array_keys($planes) as $i => $name) {
    array_push(
        $command,
        "$work/".strtr($name, [':' => '']).'.mpc',
        '-compose',
        ['Multiply', 'Over', 'Screen', 'Soft_Light'][$i % 4],
        '-composite',
    );
}
$magick = median(3, fn () => tool([...$command, 'null:']));
$row(
    'compose 16 MP, 3 figures, 12 passes (half soft)',
    $composed[4000],
    $magick,
    'ImageMagick, the passes tinted beforehand',
    '≤ 0.5 ×',
    'two processes, as for a delivery, against ImageMagick with two threads',
);
unset($planes);

// ---- the desk
// ----------------------------------------------------------------------------------------------------------
say('Strokes and fills on a 16-megapixel page, through the whole application');
foreach (bench_desk("$work/scan4000.png") as [$what, $middle, $late, $target]) {
    $row($what, $middle, null, '', $target, sprintf('median; p95 %d ms', $late));
}

say('A first light on six figures');
foreach (bench_light("$work/scan4000.png") as [$what, $middle, $target, $note]) {
    $row($what, $middle, null, '', $target, $note);
}

// ---- report
// --------------------------------------------------------------------------------------------------------------
$table = "| page | clean and flats | per MP | peak memory | compose |\n|---|---|---|---|---|\n";
foreach ($curve as $side => [$ms, $mb]) {
    $megapixels = ($side * $side) / 1e6;
    $table .= sprintf(
        "| %d MP | %d ms | %.0f ms | %d MB | %s |\n",
        $megapixels,
        $ms,
        $ms / $megapixels,
        $mb,
        isset($composed[$side]) ? sprintf('%d ms', $composed[$side]) : 'not measured',
    );
}
$cpu = trim((string) shell_exec("grep -m1 'model name' /proc/cpuinfo | cut -d: -f2"));
$machine = sprintf(
    '%s cores (%s), PHP %s with JIT %s, %s',
    trim((string) shell_exec('nproc')),
    $cpu,
    PHP_VERSION,
    ini_get('opcache.jit'),
    strtok(tool(['/usr/bin/convert', '-version']), "\n"),
);
$quality = '';
if (! in_array('--quick', $argv, true)) {
    say('Flats quality on fifteen damaged sheets');
    $quality =
        "## Flats on damaged drawings\n\nDrawings from openmoji (CC BY-SA 4.0), cut and dirtied by `tests/Reference/python/flats_sheets.py`, five sheets a group, against OpenCV's partition of the undamaged lines. No tuning may look at the last group.\n\n| group | regions | leaked | pieces a region | purity | unlabelled |\n|---|---|---|---|---|---|\n";
    $all = ['regions' => 0, 'leaked' => 0.0, 'pieces' => 0.0, 'purity' => 0.0, 'unlabelled' => 0.0];
    foreach (['animals-nature', 'people-body', SET_ASIDE] as $group) {
        $sum = ['regions' => 0, 'leaked' => 0.0, 'pieces' => 0.0, 'purity' => 0.0, 'unlabelled' => 0.0];
        for ($seed = 1; $seed <= 5; $seed++) {
            tool([
                PYTHON,
                'tests/Reference/python/flats_sheets.py',
                'make',
                'node_modules/openmoji',
                $group,
                (string) $seed,
                $work,
            ]);
            tool([
                PHP_BINARY,
                'artisan',
                'awning:flats',
                "$work/scan.png",
                "--out=$work/flats.png",
                "--labels=$work/labels.png",
                '--gap=12',
            ]);
            $score = json_decode(
                tool([
                    PYTHON,
                    'tests/Reference/python/flats_sheets.py',
                    'score',
                    "$work/truth.png",
                    "$work/labels.png",
                ]),
                true,
            );
            foreach ($sum as $key => $value) {
                $sum[$key] += $key === 'regions' ? $score[$key] : $score[$key] * $score['regions'];
                if ($group !== SET_ASIDE) {
                    $all[$key] += $key === 'regions' ? $score[$key] : $score[$key] * $score['regions'];
                }
            }
        }
        $quality .= quality_row($group === SET_ASIDE ? "$group, set aside" : $group, $sum);
    }
    $quality .= quality_row('the first two', $all);
}

/** @param  array<string, float|int>  $sum */
function quality_row(string $name, array $sum): string
{
    $n = $sum['regions'];

    return sprintf(
        "| %s | %d | %.1f %% | %.2f | %.2f %% | %.2f %% |\n",
        $name,
        $n,
        (100 * $sum['leaked']) / $n,
        $sum['pieces'] / $n,
        (100 * $sum['purity']) / $n,
        (100 * $sum['unlabelled']) / $n,
    );
}
file_put_contents(
    'docs/bench.md',
    "# Measured\n\nBy `./awning bench`, ".
        date('j F Y').
        ", on $machine. Ratios hold on any machine, times do not.\n\n| work | Awning | reference | ratio | target | |\n|---|---|---|---|---|---|\n".
        implode("\n", $rows).
        "\n\n## As pages grow\n\n$table\n$quality",
);
echo file_get_contents('docs/bench.md');
exec('rm -rf '.escapeshellarg($work));
