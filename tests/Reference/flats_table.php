<?php

declare(strict_types=1);

/*
 * Measures flats on damaged drawings that nothing was learnt from, at three resolutions, three strengths of damage and
 * two ways of cutting, and writes docs/flats.md. From the project's folder:
 *
 *   PHP_INI_SCAN_DIR=:etc/php php tests/Reference/flats_table.php [SEEDS]     SEEDS: sheets of each group, default 1
 */

use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Page\Drawing\CleanSettings;
use Symfony\Component\Process\Process;

require __DIR__.'/../../vendor/autoload.php';

const PYTHON = '/usr/bin/python3';
/** Groups that the learning of bridges never sees. By the second it was chosen how sure a bridge must be. */
const ASIDE = ['travel-places', 'activities'];
const SIDES = [1600, 2400, 3200];
/** Longest cut at 1 600 px; larger sheets have it in proportion, as a scan at a higher resolution has. */
const CUTS = [6, 10, 14];
const GAP = 12;

$seeds = (int) ($argv[1] ?? 1);
$script = __DIR__.'/python/flats_sheets.py';
$folder = sys_get_temp_dir().'/awning-flats-table';
$run = fn (array $command): string => (new Process($command))->setTimeout(600)->mustRun()->getOutput();
$rows = '';
foreach (SIDES as $side) {
    $scale = $side / SIDES[0];
    foreach (CUTS as $longest) {
        foreach (['across', 'any'] as $cut) {
            $sums = ['regions' => 0, 'leaked' => 0.0, 'pieces' => 0.0, 'purity' => 0.0, 'unlabelled' => 0.0];
            $sheets = 0;
            foreach (ASIDE as $group) {
                for ($seed = 41; $seed < 41 + $seeds; $seed++) {
                    $sheet = "$folder/$group-$seed-$side-$longest-$cut";
                    $run([
                        PYTHON,
                        $script,
                        'make',
                        'node_modules/openmoji',
                        $group,
                        (string) $seed,
                        $sheet,
                        $cut,
                        (string) $side,
                        (string) (int) round($longest * $scale),
                    ]);
                    $ink = (new ScanCleaner)->clean(
                        (new ImageReader)->read("$sheet/scan.png")->channels(),
                        new CleanSettings(turn: 0.0),
                    )->ink;
                    $flats = (new FlatsFinder((int) round(GAP * $scale), (int) round(12 * $scale ** 2)))->find($ink);
                    file_put_contents("$sheet/labels.png", (new PngWriter)->labels($flats->labels));
                    $score = json_decode(
                        $run([PYTHON, $script, 'score', "$sheet/truth.png", "$sheet/labels.png"]),
                        true,
                    );
                    foreach (['leaked', 'pieces', 'purity', 'unlabelled'] as $what) {
                        $sums[$what] += $score[$what] * $score['regions'];
                    }
                    $sums['regions'] += $score['regions'];
                    $sheets++;
                }
            }
            $mean = fn (string $what): float => $sums[$what] / $sums['regions'];
            $row = sprintf(
                "| %s | %d px | %s | %d | %.1f %% | %.2f | %.1f %% | %.2f %% |\n",
                number_format($side, 0, '.', ' '),
                round($longest * $scale),
                $cut === 'any' ? 'at any angle' : 'across',
                $sums['regions'],
                100 * $mean('leaked'),
                $mean('pieces'),
                100 * $mean('purity'),
                100 * $mean('unlabelled'),
            );
            $rows .= $row;
            echo $row;
        }
    }
}
(new Process(['rm', '-rf', $folder]))->run();
file_put_contents(
    'docs/flats.md',
    sprintf(
        <<<'TEXT'
        # Flats on damaged drawings

        By `tests/Reference/flats_table.php`, %s: sheets of sixteen drawings (openmoji, CC BY-SA 4.0, groups %s, which the
        learning of bridges never saw; how sure a bridge must be was chosen by food-drink and activities), lines cut in sixty places, then blurred, tinted, unevenly lit and grained. *Longest cut*: cuts are of 2 px to this.
        Regions count that have 40 px, one of them two pixels from any line: slits between lines that run into each other are none.
        *Leaked*: regions whose main label is another's, too. *Pieces*: labels of 40 px or more in a region. *Purity*: pixels that carry
        their region's main label. One setting for all: gaps of %d px at 1 600 px, in proportion on larger sheets.

        | sheet, px | longest cut | cut | regions | leaked | pieces | purity | unlabelled |
        |---|---|---|---|---|---|---|---|
        %s
        TEXT
        ,
        date('j F Y'),
        implode(' and ', ASIDE),
        GAP,
        $rows,
    ),
);
